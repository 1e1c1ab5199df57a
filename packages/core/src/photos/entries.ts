import { z } from 'zod'
import { stations, type DossierPair, type Station, refOf } from '../dossiers/index.ts'
import { defineEntry, doneBy, entryIdField, hashField, known } from '../journal/index.ts'
import { photoShows, type PhotoState } from './state.ts'

const entry = defineEntry<DossierPair, PhotoState, Station>()

export const photo = entry({
  kind: 'photo',
  shape: {
    photo: hashField,
    bytes: z.int().positive(),
    widthPx: z.int().positive().max(20_000),
    heightPx: z.int().positive().max(20_000),
    shows: z.enum(photoShows),
    caption: z.string().min(1).max(300).optional(),
    handBack: z.boolean(),
    about: z
      .strictObject({
        station: z.enum(stations).optional(),
        entry: z.string().max(100).optional(),
        step: refOf.step.optional(),
        cover: refOf.cover.optional(),
        kitEnd: refOf.kitEnd.optional(),
        passage: refOf.passage.optional(),
      })
      .optional(),
  },
  refs({ machine, kit }, { about = {} }) {
    const { kitEnd, cover, passage, step } = about
    const at = (list: readonly { id: string }[], id: string | undefined, field: string, what: string) =>
      id === undefined ? [] : known(list, id, `about.${field}`, what)
    return [
      ...at(kit.ends, kitEnd, 'kitEnd', `end of the ${kit.model} loom`),
      ...at(machine.covers ?? [], cover, 'cover', `cover of the ${machine.model}`),
      ...at(machine.passages ?? [], passage, 'passage', `passage of the ${machine.model}`),
      ...at([...machine.steps, ...kit.steps], step, 'step', 'step of this job'),
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
  shape: { photo: entryIdField, handBack: z.boolean() },
  apply(state, written) {
    const found = state.photos.find((item) => item.entry === written.photo)
    if (!found) return 'There is no such photo.'
    found.handBack = written.handBack
    return null
  },
  words: ({ handBack }) => (handBack ? 'Photo put into the hand-back' : 'Photo taken out of the hand-back'),
})

export const photoEntries = [photo, photoPacked]
