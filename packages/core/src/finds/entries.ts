import { thingName, type DossierPair, type Station } from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import { findFieldName } from './findFields.ts'
import type { findForms } from './forms.ts'
import type { FindState } from './state.ts'

const entry = defineEntry<DossierPair, FindState, Station, typeof findForms>()

/** The machine is otherwise than its dossier says. */
export const foundOtherwise = entry({
  kind: 'found-otherwise',
  refs({ machine }, { of, thing, field, was, is }) {
    const gone = known(machine[of] ?? [], thing, 'thing', `thing of the ${machine.model} among its ${of}`)
    if (gone.length > 0) return gone
    if (findFieldName(of, field) === undefined)
      return [{ code: 'unknown-reference', path: 'field', message: `"${field}" is no field that is found otherwise.` }]
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
    `Found otherwise, ${thingName(machine, of, thing)}, ${(findFieldName(of, field) ?? field).toLowerCase()}: ${is || 'nothing'}${was === '' ? '' : ` instead of ${was}`}`,
})

export const findEntries = [foundOtherwise]
