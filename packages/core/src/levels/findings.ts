import { isDiesel, membersOf, joinedId, type DossierPair, type Machine, type SettingId } from '../dossiers/index.ts'
import { collectFindings, defineRules, fix, said, type FactsOf } from '../findings/index.ts'
import { coolantLimitC, exhaustLimitC, type SetupState } from '../setup/index.ts'
import type { Finding, FindingPlace } from '../wiring/index.ts'
import type { LevelLimit } from './ladder.ts'
import type { LevelState } from './state.ts'
import { ladderFor, laddersByUse } from './uses.ts'

/** What may be wrong with a level. */
export const levelRules = defineRules({
  'level-not-earned': fix('A higher level is set, or agreed, than the loaded runs allow.'),
})
export type LevelRule = keyof typeof levelRules

export const levelWords = {
  'level-not-earned': ({
    kit,
    level,
    allowed,
    why,
    use,
  }: Record<'kit' | 'level' | 'allowed' | 'why' | 'use', string>) =>
    said(
      `The ${kit} is to run on ${level}; its runs${use === '' ? '' : ` (${use})`} allow ${allowed}.${why === '' ? '' : ` ${why}`}`,
      'Set it to what they allow, or run the ladder further.',
    ),
}

/** Rail pressure stays so far under its relief valve, MPa. */
export const reliefReserveMPa = 10

/** What a level may do on a machine: by its dossier, and as is borne for good. Source: general practice; exhaust before the turbine. */
export function usualLimits({ engine }: Pick<Machine, 'engine'>): LevelLimit[] {
  const { output } = engine
  const before = 'before the turbine'
  return [
    { quantity: 'exhaust', max: exhaustLimitC, forSeconds: 60, at: before },
    { quantity: 'coolant', max: coolantLimitC },
    ...(isDiesel(engine) ? [{ quantity: 'rail', max: (output?.railMPa?.relief ?? 205) - reliefReserveMPa }] : []),
    ...(output?.boostCodeKPa === undefined ? [] : [{ quantity: 'boost', max: output.boostCodeKPa }]),
  ]
}

/** Levels that are set or agreed, against what loaded runs allow; nothing as long as nobody ran one. */
export function levelFindings(
  { machine, kit }: DossierPair,
  state: LevelState & Pick<SetupState, 'settings' | 'agreed'>,
): Finding<LevelRule>[] {
  const { findings, say } = collectFindings<FactsOf<typeof levelWords>, FindingPlace>(levelRules, levelWords)
  for (const { key, kit: own } of membersOf(kit)) {
    const runs = state.levelRuns[key]
    const setting = own.settings.find(({ role }) => role === 'level')
    if (!runs || !setting) continue
    const set = state.settings[joinedId<SettingId>(key, setting.id)]
    const wanted = [set?.value, state.agreed[key]?.level].flatMap((level) => level ?? [])
    const ladders = laddersByUse(own.levels?.length ?? 0, usualLimits(machine), runs)
    const judged = ladderFor(ladders, state.agreed[key]?.use ?? '')
    if (!judged) continue
    const { highestAllowed, because, use } = judged
    const over = wanted.find((level) => (setting.choices ?? []).indexOf(level) > (highestAllowed ?? 0))
    if (over !== undefined)
      say(
        'level-not-earned',
        { entry: runs.at(-1)?.entry },
        {
          ...{ kit: own.model, level: over, use: ladders.length > 1 ? use : '' },
          allowed: highestAllowed === null ? 'none yet' : highestAllowed === 0 ? 'stock' : String(highestAllowed),
          why: because[0]?.says ?? '',
        },
      )
  }
  return findings
}
