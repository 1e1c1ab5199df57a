import {
  joinedId,
  membersOf,
  ownMembers,
  type DossierPair,
  type KitMember,
  type Station,
  type StepId,
} from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import type { Done } from '../journal/index.ts'
import type { Finding, FindingPlace, WiringState } from '../wiring/index.ts'
import { changesPedal, isController, isThrottle, pedalLevels } from './kitNeeds.ts'
import { pedalProof } from './pedalProof.ts'
import { setupRules, type SetupRule } from './rules.ts'
import { settingsSheet, type SheetRow, type SheetState } from './settingsSheet.ts'
import { tyreError } from './tyreError.ts'
import { unitFindings } from './unitFindings.ts'
import { saySetupWork, setupWords, type SetupFacts } from './words.ts'

/** What a judgement of setting up needs of the job beside its own state. */
export type SetupScene = SheetState & Pick<WiringState, 'readings'> & { stationsDone: Readonly<Record<string, Done>> }

/** What is wrong with what was set: each value that somebody set, and after set-up what is left as it ships too. */
export function setupFindings(dossiers: DossierPair, state: SetupScene): Finding<SetupRule>[] {
  const { findings, say } = collectFindings<SetupFacts, FindingPlace>(setupRules, setupWords)
  const after = 'set-up' in state.stationsDone
  const sheet = settingsSheet(dossiers, state)
  for (const row of sheet) {
    if (row.verdict !== 'wrong' || row.of.role === 'level' || !(after || row.set !== null || row.readBack !== null))
      continue
    const entry = state.readBack[row.setting]?.entry ?? state.settings[row.setting]?.entry
    say(row.of.role === 'cylinders' ? 'cylinders-wrong' : 'setting-wrong', entry === undefined ? {} : { entry }, {
      ...{ name: row.of.name, kit: row.kit, says: row.says, why: row.why },
    })
  }
  for (const { key, kit } of membersOf(dossiers.kit)) {
    for (const { verdict, entry, shutV, openV } of state.captured[key] ?? [])
      if (verdict === 'fail') say('capture-failed', { entry }, { kit: kit.model, spanV: openV - shutV })
    const pedal = state.pedal[key]
    if (pedal?.verdict === 'fail')
      say(
        'pedal-failed',
        { entry: pedal.entry },
        { kit: kit.model, reasons: pedalProof(pedal.points, pedalLevels(kit)).reasons },
      )
  }
  if ('trim' in state.stationsDone)
    for (const { row, agreed } of levelsLeft(sheet, state))
      say(
        'level-not-agreed',
        { entry: agreed.entry },
        {
          ...{ kit: row.kit, agreed: agreed.level, now: row.inForce ?? 'nothing', use: agreed.use, owner: agreed.with },
        },
      )
  findings.push(...unitFindings(dossiers, state))
  const { tyre, roadCheck } = state
  const offPct = roadCheck && 100 * (roadCheck.socketKmh / roadCheck.satelliteKmh - 1)
  if (roadCheck && offPct !== null && Math.abs(offPct) > mostSpeedOffPct + 1e-9)
    say(
      'speed-off',
      { entry: roadCheck.entry },
      { socketKmh: roadCheck.socketKmh, satelliteKmh: roadCheck.satelliteKmh, offPct },
    )
  const error = tyre && tyreError(tyre)
  const set = sheet.some(({ of, verdict }) => of.role === 'tyre height' && verdict === 'right')
  if (tyre && error?.ok && Math.abs(error.value.errorPct) > mostSpeedOffPct && !set)
    say('tyre-wrong', { entry: tyre.entry }, { errorPct: error.value.errorPct })
  return findings
}

/** A speed that is shown may be off so far, %: a satellite reading checks it within as much. */
export const mostSpeedOffPct = 2

function levelsLeft(sheet: readonly SheetRow[], state: SetupScene) {
  return sheet.flatMap((row) => {
    const agreed = row.of.role === 'level' ? state.agreed[row.key] : undefined
    return agreed && row.inForce !== agreed.level ? [{ row, agreed }] : []
  })
}

/** Settings and captures that keep a station from being done, in sentences. */
export function setupBars(dossiers: DossierPair, state: SetupScene, station: Station): string[] {
  // Asked of every station, and most have none.
  if (station !== 'set-up' && station !== 'trim' && station !== 'hand-back') return []
  const own = ownMembers(dossiers.kit)
  const sheet = settingsSheet(dossiers, state)
  switch (station) {
    case 'set-up':
      return [
        ...sheet.flatMap((row) =>
          row.of.role === 'cylinders' && row.verdict === 'wrong'
            ? [saySetupWork('bar-cylinders', { kit: row.kit, says: row.says }).words]
            : [],
        ),
        ...own.flatMap((member) => [
          ...(isController(member.kit) && throttleOpen(sheet, member)
            ? [saySetupWork('bar-throttle', { kit: member.kit.model }).words]
            : []),
          ...pedalBars(state, member),
        ]),
      ]
    case 'trim':
      return own.flatMap((member) =>
        throttleOpen(sheet, member) ? [saySetupWork('bar-throttle-later', { kit: member.kit.model }).words] : [],
      )
    case 'hand-back':
      return levelsLeft(sheet, state).map(
        ({ row, agreed }) =>
          saySetupWork('bar-level', { kit: row.kit, agreed: agreed.level, now: row.inForce ?? 'nothing' }).words,
      )
  }
}

/** Whether a kit has a throttle that nobody captured yet. */
function throttleOpen(sheet: readonly SheetRow[], { key }: KitMember): boolean {
  return sheet.some((row) => row.key === key && isThrottle(row.of) && row.inForce === null)
}

function pedalBars(state: SetupScene, member: KitMember): string[] {
  if (!changesPedal(member.kit)) return []
  const proved = state.pedal[member.key]
  if (proved?.verdict === 'fail') {
    const { reasons } = pedalProof(proved.points, pedalLevels(member.kit))
    const { reason, remedy } = setupWords['pedal-failed']({ kit: member.kit.model, reasons })
    return [`${reason} ${remedy}`]
  }
  if (proved) return []
  const step = proofStep(member)
  const read = step && state.readings.some((reading) => reading.step === step)
  return read ? [] : [saySetupWork('bar-pedal', { kit: member.kit.model }).words]
}

/** The kit's own step that asks for the largest difference; its figure is judged as a reading. */
function proofStep({ key, kit }: KitMember): StepId | undefined {
  const step = kit.steps.find(({ proof, reading }) => proof === 'pedal' && reading)
  return step && joinedId<StepId>(key, step.id)
}
