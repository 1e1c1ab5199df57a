import { machineTables, type Column } from '../dossier-files/index.ts'
import { knownOf, variantLists, type Machine, type VariantId } from '../dossiers/index.ts'
import { findFieldName, type Find, type FindList } from '../finds/index.ts'
import { failure, success, type Outcome } from '../shared/index.ts'
import { editedAs, withEdited } from './editVariant.ts'
import { withKnown, type Mark } from './markKnown.ts'
import { textsOf, typed, withTyped, type Texts, type TypedField } from './typedField.ts'

/** Fields of a list that are found otherwise on a machine, as they are typed. */
export function findForm(of: FindList): TypedField[] {
  return machineTables[of].columns.flatMap(({ name, cell, field, list }: Column) => {
    const label = findFieldName(of, name)
    return label === undefined
      ? []
      : [typed(name, label, cell, list ? { at: field.join('.'), emptyIs: [] } : { at: field.join('.') })]
  })
}

/** A thing of a machine as its table has it, by those fields; null where there is none. */
export function findTexts(machine: Machine, of: FindList, id: string): Texts | null {
  const things: readonly { id: string }[] = machine[of] ?? []
  const thing = things.find((item) => item.id === id)
  return thing ? textsOf(thing, findForm(of)) : null
}

/**
 * The machine with what was found otherwise in it, known as measured.
 * @param variant the machine it was found on is this one of the document's variants; null for the document itself
 * @returns problems where the thing is not there, or what was found does not read
 */
export function withFind(machine: Machine, variant: VariantId | null, find: Find, mark: Mark = {}): Outcome<Machine> {
  const { of, thing, field, is } = find
  const edited = editedAs(machine, variant)
  const things: readonly { id: string }[] = edited[of] ?? []
  const at = things.findIndex((item) => item.id === thing)
  const form = findForm(of).find(({ name }) => name === field)
  if (at < 0 || !form)
    return failure({
      code: 'unknown-reference',
      path: at < 0 ? 'thing' : 'field',
      message:
        at < 0 ? `There is no "${thing}" among its ${of} any more.` : `"${field}" is no field that is found otherwise.`,
    })
  const made = withTyped('machine', withThingAlone(edited, of, things[at]), [of, '0'], [form], { [field]: is })
  if (!made.ok) return failure(...made.problems.map((problem) => ({ ...problem, path: 'is' })))
  const found = { ...edited, [of]: things.map((item, i) => (i === at ? made.value[of]?.[0] : item)) }
  return success(withEdited(machine, variant, withKnown(found, of, thing, 'measured', mark)))
}

/** A machine of this one thing, by which the schema judges it as it would in the whole, and is done sooner. */
function withThingAlone(machine: Machine, of: FindList, thing: object): Machine {
  const none = Object.fromEntries(variantLists.flatMap((list) => (machine[list] ? [[list, []]] : [])))
  const { known: _known, photos: _photos, body: _body, ...rest } = machine
  return { ...rest, ...none, steps: [], variants: [], [of]: [thing] }
}

/** What takes a find back. */
export function backOf(find: Find): Find {
  return { ...find, was: find.is, is: find.was }
}

/** Whether a find still stands in the machine: a later one, or somebody's hand, may have changed it since. */
export function stands(machine: Machine, variant: VariantId | null, { of, thing, field, is }: Find): boolean {
  const now = findTexts(editedAs(machine, variant), of, thing)?.[field]
  return now === is || now === rewritten(of, field, is)
}

/** A text as its cell would write what it reads. */
function rewritten(of: FindList, field: string, text: string): string | undefined {
  const cell = findForm(of).find(({ name }) => name === field)?.cell
  const reading = cell?.read(text)
  return reading && 'value' in reading ? cell?.write(reading.value) : undefined
}

/** A guess that a reading agreed with is measured; one that it spoke against is wrong, and says what was read. */
export interface Met {
  of: 'nets' | 'wires' | 'studs'
  id: string
  good: boolean
  says: string
}

/** The machine with what readings said of its guesses; what was measured once stays so. */
export function withMet(machine: Machine, variant: VariantId | null, met: readonly Met[], mark: Mark): Machine {
  const edited = editedAs(machine, variant)
  const next = met.reduce((now, { of, id, good, says }) => {
    const known = knownOf(now, of, id)
    if (known?.how !== 'guess' && known?.how !== 'wrong') return now
    return withKnown(now, of, id, good ? 'measured' : 'wrong', { ...mark, says })
  }, edited)
  return next === edited ? machine : withEdited(machine, variant, next)
}
