import { membersOf, ownMembers, type DossierPair, type Kit, type Machine } from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import type { Finding, FindingPlace } from '../wiring/index.ts'
import { setupRules, type SetupRule } from './rules.ts'
import { levelPlaces, type SetupState } from './state.ts'
import { setupWords, type SetupFacts } from './words.ts'

/** A knob is turned with a glove within so much room, mm. */
export const leastKnobRoomMm = 12

/** Part numbers of a kit's unit for a machine as it is; none where nobody wrote them down. */
export function partsFor({ units = [] }: Pick<Kit, 'units'>, machine: Pick<Machine, 'id' | 'asVariant'>): string[] {
  return units
    .filter((unit) => unit.machine === machine.id && (unit.variant === undefined || unit.variant === machine.asVariant))
    .map(({ part }) => part)
}

const plain = (part: string) => part.toUpperCase().replace(/[^0-9A-Z]/g, '')

/** What units, levels and selectors say of themselves against what they should. */
export function unitFindings({ machine, kit }: DossierPair, state: SetupState): Finding<SetupRule>[] {
  const { findings, say } = collectFindings<SetupFacts, FindingPlace>(setupRules, setupWords)
  for (const { key, kit: own } of membersOf(kit)) {
    const seen = state.levelSeen[key] ?? {}
    const shown = levelPlaces.flatMap((at) => {
      const one = seen[at]
      return one ? [{ at, level: one.level, entry: one.entry }] : []
    })
    if (new Set(shown.map(({ level }) => level)).size > 1)
      say(
        'level-disagrees',
        { entry: shown.at(-1)?.entry },
        { kit: own.model, shown: shown.map(({ at, level }) => ({ at, level })) },
      )
    const turned = state.selector[key]
    const wrong = (turned?.clicks ?? []).filter(({ position, shown: level }) => position !== level)
    if (turned && wrong.length > 0) say('selector-differs', { entry: turned.entry }, { kit: own.model, wrong })
    if (turned?.clearanceMm !== undefined && turned.clearanceMm < leastKnobRoomMm)
      say(
        'knob-rubs',
        { entry: turned.entry },
        { kit: own.model, clearanceMm: turned.clearanceMm, leastMm: leastKnobRoomMm },
      )
  }
  for (const { key, kit: own } of ownMembers(kit)) {
    const unit = state.units[key]
    if (!unit) continue
    const wanted = partsFor(own, machine)
    if (wanted.length > 0 && !wanted.some((part) => plain(part) === plain(unit.part)))
      say('wrong-unit', { entry: unit.entry }, { kit: own.model, part: unit.part, serial: unit.serial, wanted })
    if (!unit.pairs) say('no-pairing', { entry: unit.entry }, { kit: own.model })
  }
  return findings
}
