import { stepsKnown, type DossierPair, type Station } from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import { type PhotoState } from './state.ts'
import type { photoForms } from './forms.ts'

const entry = defineEntry<DossierPair, PhotoState, Station, typeof photoForms>()

export const photo = entry({
  kind: 'photo',
  refs(dossiers, { about = {} }) {
    const { machine, kit } = dossiers
    const { kitEnd, cover, passage, step } = about
    const at = (list: readonly { id: string }[], id: string | undefined, field: string, what: string) =>
      id === undefined ? [] : known(list, id, `about.${field}`, what)
    return [
      ...at(kit.ends, kitEnd, 'kitEnd', `end of the ${kit.model} loom`),
      ...at(machine.covers ?? [], cover, 'cover', `cover of the ${machine.model}`),
      ...at(machine.passages ?? [], passage, 'passage', `passage of the ${machine.model}`),
      ...at(stepsKnown(dossiers), step, 'step', 'step of this job'),
    ]
  },
  apply(state, written) {
    const { photo: hash, bytes, widthPx, heightPx, shows, caption, handBack, about } = written
    state.photos.push({ ...doneBy(written), photo: hash, bytes, widthPx, heightPx, shows, caption, handBack, about })
    return null
  },
  place: ({ about }) => about?.station ?? null,
  words: ({ shows, caption }) => `Photo, ${shows}${caption ? `: ${caption}` : ''}`,
})

/** A photo goes into the hand-back pack, or out of it. */
export const photoPacked = entry({
  kind: 'photo-packed',
  apply(state, written) {
    const found = state.photos.find((item) => item.entry === written.photo)
    if (!found) return 'There is no such photo.'
    found.handBack = written.handBack
    return null
  },
  words: ({ handBack }) => (handBack ? 'Photo put into the hand-back' : 'Photo taken out of the hand-back'),
})

export const photoEntries = [photo, photoPacked]
