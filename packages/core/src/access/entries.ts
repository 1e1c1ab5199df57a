import { type DossierPair, type Station, type CoverId } from '../dossiers/index.ts'
import { defineDecision, defineEntry, doneBy, known, slotOf } from '../journal/index.ts'
import type { Problem } from '../shared/index.ts'
import { findTarget, waysTo } from './compileAccess.ts'
import { batteryPracticesFor, type AccessState } from './state.ts'
import type { accessForms } from './forms.ts'

const entry = defineEntry<DossierPair, AccessState, Station, typeof accessForms>()
const decision = defineDecision<DossierPair, AccessState, Station, typeof accessForms>()

const refs = ({ machine }: DossierPair, { cover }: { cover: CoverId }): Problem[] =>
  known(machine.covers ?? [], cover, 'cover', `cover of the ${machine.model}`)
/** What stands twice in a list that has an order. */
const twice = (ids: readonly string[]): Problem[] =>
  ids
    .filter((id, i) => ids.indexOf(id) < i)
    .slice(0, 1)
    .flatMap((id) => out(`"${id}" is named twice.`))
const out = (message: string): Problem[] => [{ code: 'unknown-reference', path: 'value', message }]

/** Names of covers, for words about them. */
export function coverName({ machine }: Pick<DossierPair, 'machine'>, id: string): string {
  return machine.covers?.find((cover) => cover.id === id)?.name ?? id
}

export const coverOff = entry({
  kind: 'cover-off',
  refs,
  apply(state, written) {
    const now = state.covers[written.cover]
    if (!now || now.on) state.covers[written.cover] = { off: doneBy(written) }
    return null
  },
  place: () => 'open-up',
  words: ({ cover }, dossiers) => `${coverName(dossiers, cover)} off`,
})

export const coverOn = entry({
  kind: 'cover-on',
  refs,
  apply(state, written) {
    const now = state.covers[written.cover]
    if (!now) return 'It was never written down as taken off.'
    now.on ??= doneBy(written)
    delete now.leftOff
    return null
  },
  place: () => 'close-up',
  words: ({ cover }, dossiers) => `${coverName(dossiers, cover)} on`,
})

/** Something from the tray that stays off the machine, and why. */
export const leftOff = entry({
  kind: 'left-off',
  refs,
  bars: ({ machine }, _state, { cover }) =>
    machine.covers?.some((item) => item.id === cover && item.opensFuel)
      ? {
          code: 'fuel-open',
          message: 'Its fuel line is open: it goes back on before anything else, whatever the reason.',
        }
      : null,
  apply(state, written) {
    const now = state.covers[written.cover]
    if (!now || now.on) return 'It is not in the tray.'
    now.leftOff = { ...doneBy(written), reason: written.reason }
    return null
  },
  place: () => 'close-up',
  words: ({ cover, reason }, dossiers) => `${coverName(dossiers, cover)} stays off: ${reason}`,
})

export const batteryChosen = decision({
  kind: 'battery-practice-chosen',
  at: ({ decided }) => slotOf(decided, 'battery'),
  refs: ({ machine }, { value }) =>
    value === null || batteryPracticesFor(machine).includes(value)
      ? []
      : out(`The battery may be: ${batteryPracticesFor(machine).join(', ')}.`),
  about: () => 'How the battery comes off',
})

export const peopleChosen = decision({
  kind: 'people-chosen',
  at: ({ decided }) => slotOf(decided, 'people'),
  about: () => 'How many work on it',
})

export const coverOrderChosen = decision({
  kind: 'cover-order-chosen',
  at: ({ decided }) => slotOf(decided, 'coverOrder'),
  refs: ({ machine }, { value }) => [
    ...(value ?? [])
      .filter((id) => !machine.covers?.some((cover) => cover.id === id))
      .slice(0, 1)
      .flatMap((id) => out(`"${id}" is no cover of the ${machine.model}.`)),
    ...twice(value ?? []),
  ],
  say: (ids, dossiers) => ids.map((id) => coverName(dossiers, id)).join(', '),
  about: () => 'Order of removal',
})

export const alsoChosen = decision({
  kind: 'also-reached-chosen',
  at: ({ decided }) => slotOf(decided, 'also'),
  refs: ({ machine }, { value }) =>
    (value ?? [])
      .filter((id) => !findTarget(machine, id))
      .slice(0, 1)
      .flatMap((id) => out(`"${id}" is no plug, stud or place of the ${machine.model}.`)),
  say: (keys, { machine }) => keys.map((key) => findTarget(machine, key)?.name ?? key).join(', ') || 'nothing',
  about: () => 'Reached as well',
})

export const wayChosen = decision({
  kind: 'way-chosen',
  at: ({ decided }, { target }) => slotOf(decided.ways, target),
  refs({ machine }, { target: key, value }) {
    const target = findTarget(machine, key)
    if (!target)
      return [
        {
          code: 'unknown-reference',
          path: 'target',
          message: `"${key}" is no plug, stud or place of the ${machine.model}.`,
        },
      ]
    return value === null || waysTo(machine, target).some((way) => way.id === value)
      ? []
      : out(`"${value}" is no way to ${target.name}.`)
  },
  about: ({ target }, { machine }) => `Way to ${findTarget(machine, target)?.name ?? target}`,
})

export const accessEntries = [
  coverOff,
  coverOn,
  leftOff,
  batteryChosen,
  peopleChosen,
  coverOrderChosen,
  alsoChosen,
  wayChosen,
]
