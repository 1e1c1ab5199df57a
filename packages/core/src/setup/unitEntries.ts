import type { DossierPair, Kit, Station } from '../dossiers/index.ts'
import { defineEntry, doneBy } from '../journal/index.ts'
import { levelChoice } from './kitNeeds.ts'
import { hasLevels, levelOf, meant, noSuch, outOfRange } from './meantKit.ts'
import type { SetupState } from './state.ts'
import type { setupForms } from './forms.ts'

const entry = defineEntry<DossierPair, SetupState, Station, typeof setupForms>()

const places = { module: 'the module', dash: 'the dash', link: 'the phone link' } as const

/** The level as a place shows it. */
export const levelSeen = entry({
  kind: 'level-seen',
  refs({ kit }, { kit: named, level }) {
    const member = meant(kit, named, hasLevels)
    const found = member && levelOf(member.kit)
    if (!found) return noSuch(`${named ?? `The ${kit.model}`} has no levels.`)
    return levelChoice(found, level) === null
      ? outOfRange('level', `${found.name} of the ${member.kit.model} may be: ${(found.choices ?? []).join(', ')}.`)
      : []
  },
  apply(state, { where, level, kit: named, ...head }, { kit }) {
    const member = meant(kit, named, hasLevels)
    const found = member && levelOf(member.kit)
    const choice = found ? levelChoice(found, level) : null
    if (!member || choice === null) return 'There is no such level.'
    state.levelSeen[member.key] = { ...state.levelSeen[member.key], [where]: { ...doneBy(head), level: choice } }
    return null
  },
  words: ({ where, level }) => `Level at ${places[where]}: ${level === 0 ? 'stock' : level}`,
})

const picksLevels = ({ settings }: Kit) => settings.some(({ role }) => role === 'positions')

/** A selector turned through all its clicks, with what the module shows at each. */
export const selectorProved = entry({
  kind: 'selector-proved',
  refs: ({ kit }, { kit: named }) =>
    meant(kit, named, picksLevels) ? [] : noSuch(`${named ?? `The ${kit.model}`} picks no levels.`),
  apply(state, { clicks, clearanceMm, kit: named, ...head }, { kit }) {
    const member = meant(kit, named, picksLevels)
    if (!member) return 'No kit here picks levels.'
    state.selector[member.key] = {
      ...doneBy(head),
      clicks,
      ...(clearanceMm === undefined ? {} : { clearanceMm }),
    }
    return null
  },
  words: ({ clicks }) =>
    `Selector, click by click: ${clicks.map(({ position, shown }) => `${position} shows ${shown}`).join(', ')}`,
})

/** The unit that is fitted, by what stands on it. */
export const unitIdentified = entry({
  kind: 'unit-identified',
  refs: ({ kit }, { kit: named }) =>
    meant(kit, named, () => true) ? [] : noSuch(`"${named ?? ''}" is no kit of this job.`),
  apply(state, { part, serial, pairs, kit: named, ...head }, { kit }) {
    const member = meant(kit, named, () => true)
    if (!member) return 'There is no such kit in this job.'
    state.units[member.key] = { ...doneBy(head), part, serial, pairs }
    return null
  },
  words: ({ part, serial, pairs }) =>
    `Unit ${part}, serial ${serial}, ${pairs ? 'pairs where it sits' : 'does not pair where it sits'}`,
})

export const unitEntries = [levelSeen, selectorProved, unitIdentified]
