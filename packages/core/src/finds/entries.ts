import { thingName, type DossierPair, type Station } from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import type { findForms } from './forms.ts'
import type { FindState } from './state.ts'

const entry = defineEntry<DossierPair, FindState, Station, typeof findForms>()

/** The machine is otherwise than its dossier says. Whether its field is one, and what was found reads, is asked where it is taken in. */
export const foundOtherwise = entry({
  kind: 'found-otherwise',
  refs({ machine }, { of, thing, was, is }) {
    const gone = known(machine[of] ?? [], thing, 'thing', `thing of the ${machine.model} among its ${of}`)
    if (gone.length > 0) return gone
    return was.trim() === is.trim()
      ? [{ code: 'nothing-changed', path: 'is', message: 'That is what the dossier says already.' }]
      : []
  },
  apply(state, written) {
    const { of, thing, field, was, is } = written
    state.finds.push({ ...doneBy(written), of, thing, field, was, is })
    return null
  },
  words: ({ of, thing, field, was, is }, { machine }) =>
    `Found otherwise, ${thingName(machine, of, thing)}, ${field.replaceAll('_', ' ')}: ${is || 'nothing'}${was === '' ? '' : ` instead of ${was}`}`,
})

export const findEntries = [foundOtherwise]
