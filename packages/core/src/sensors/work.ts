import { ownMembers, type DossierPair, type KitEndId, type Minutes, type Station } from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import type { Done } from '../journal/index.ts'
import type { Spoken } from '../shared/index.ts'
import type { Finding, FindingPlace } from '../wiring/index.ts'
import { judgeBoss, leastAboveDeg, type BossMeasured } from './judgeBoss.ts'
import { sensorRules, type SensorRule } from './rules.ts'
import type { PipeAct, SensorState } from './state.ts'
import { saySensorWork, sensorWords, type SensorFacts } from './words.ts'

/** Minutes of work at the exhaust (general practice: a boss takes 30 to 90 minutes to weld). */
export const pipeMinutes = {
  measure: { best: 3, likely: 6, worst: 12 },
  off: { best: 8, likely: 15, worst: 30 },
  welded: { best: 30, likely: 50, worst: 90 },
  on: { best: 8, likely: 15, worst: 30 },
} satisfies Record<string, Minutes>

/** Whether a kit of the job brings a boss that has to be welded. */
export function weldsBoss({ kit }: Pick<DossierPair, 'kit'>): boolean {
  return ownMembers(kit).some((member) => member.kit.parts.some((part) => part.welded))
}

/** One thing to do at the exhaust. */
export interface PipeTask extends Spoken {
  id: string
  minutes: Minutes
  done?: Done
  asks?: 'boss'
  first?: boolean
  makes: ({ kind: 'pipe-worked'; act: PipeAct } | ({ kind: 'boss-measured' } & BossMeasured))[]
}

/** A boss where it should be: what a smooth job writes down. */
const good: BossMeasured = { from: 'port', behindMm: 300, aboveDeg: 30, points: 'right', standDeg: 12, tight: true }

/** What is done to the exhaust: measured and off while the machine is open, on again before the key is turned. */
export function pipeWork(dossiers: DossierPair, { pipe, boss }: SensorState, station: Station): PipeTask[] {
  if (!weldsBoss(dossiers)) return []
  const item = (id: string, act: PipeAct, code: 'boss-pipe-off' | 'boss-weld' | 'boss-pipe-on'): PipeTask => ({
    id,
    ...saySensorWork(code, {}),
    minutes: pipeMinutes[act],
    ...(pipe[act] ? { done: pipe[act] } : {}),
    makes: [{ kind: 'pipe-worked', act }],
  })
  switch (station) {
    case 'open-up':
      return [
        {
          id: 'boss.measure',
          ...saySensorWork('boss-measure', { least: leastAboveDeg }),
          minutes: pipeMinutes.measure,
          ...(boss ? { done: boss } : {}),
          asks: 'boss',
          makes: [{ kind: 'boss-measured', ...good }],
        },
        item('boss.off', 'off', 'boss-pipe-off'),
        item('boss.weld', 'welded', 'boss-weld'),
      ]
    case 'set-up':
      return [{ ...item('boss.on', 'on', 'boss-pipe-on'), first: true }]
    default:
      return []
  }
}

/** What speaks against the boss as measured, and a pipe that is off. @param leadOf the sensor's lead by the plan of its loom */
export function sensorFindings(
  dossiers: DossierPair,
  { boss, pipe, stationsDone }: SensorState & { stationsDone: Readonly<Record<string, Done>> },
  leadOf: () => { kitEnd: KitEndId; needM: number; suppliedM: number } | null,
): Finding<SensorRule>[] {
  const { findings, say } = collectFindings<SensorFacts, FindingPlace>(sensorRules, sensorWords)
  if (!weldsBoss(dossiers)) return findings
  if (boss) {
    const lead = leadOf()
    const at = { ...(lead ? { kitEnd: lead.kitEnd } : {}), entry: boss.entry }
    for (const { ok, says, change } of judgeBoss(boss, lead)) if (!ok) say('boss-place', at, { says, change })
  }
  // While the machine is open it is off by plan; once it is called set up it may not be.
  if (pipe.off && !pipe.on && 'set-up' in stationsDone)
    say('pipe-off', { entry: pipe.off.entry }, { welded: pipe.welded !== undefined })
  return findings
}

/** With the pipe off nobody starts the engine, in a sentence. */
export function pipeBars({ pipe }: SensorState, station: Station): string[] {
  if (!pipe.off || pipe.on || (station !== 'set-up' && station !== 'wake')) return []
  const { reason, remedy } = sensorWords['pipe-off']({ welded: pipe.welded !== undefined })
  return [`${reason} ${remedy}`]
}
