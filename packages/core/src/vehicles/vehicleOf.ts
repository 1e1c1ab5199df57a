import {
  inSentence,
  joinedId,
  kitKeys,
  memberOf,
  type ConnectorId,
  type DossierPair,
  type Kit,
  type KitEndId,
  type PassageId,
  type PlaceId,
  type Purpose,
  type SettingId,
  type TapMethod,
} from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'
import { memberWiring, targetWords, type Connection, type ConnectionTarget, type WiringState } from '../wiring/index.ts'
import { gainWords, type ProvingState } from '../proving/index.ts'
import type { RouteState } from '../routing/index.ts'
import { settingsSheet, type SetupState } from '../setup/index.ts'
import { meterWords, purposeOf, sameWound, type MeterReading, type VehicleState, type Wound } from './state.ts'
import { woundsOf } from './wounds.ts'

/** A job on a machine on file, replayed. */
export interface VehicleJob {
  id: string
  title: string
  openedAt: string
  /** When its last entry came in; null without one. */
  changedAt: string | null
  finished: boolean
  dossiers: DossierPair
  state: VehicleState & WiringState & RouteState & SetupState & Pick<ProvingState, 'pulls' | 'claimed'>
}

/** A kit in the machine. */
export interface FittedKitOf {
  kit: string
  name: string
  /** The job that fitted it. */
  jobId: string
  place: PlaceId | null
  /** Where that is, in words. */
  placeName: string | null
  /** Its name in that job; '' where it was the only one. */
  as: string
}

export interface VehicleConnection {
  kit: string
  kitEnd: KitEndId
  to: ConnectionTarget
  method?: TapMethod
  jobId: string
  /** The end and its place in words. */
  says: string
}

/** Something that is not as it should stay. */
export interface OpenThing {
  what: string
  since: string
}

/** What all jobs on a machine together come to. */
export interface VehicleNow {
  fitted: FittedKitOf[]
  connections: VehicleConnection[]
  punctures: (Wound & { sealed: boolean; inUse: boolean })[]
  cuts: (Wound & { joined: boolean })[]
  jobs: {
    id: string
    title: string
    purpose: Purpose
    finished: boolean
    openedAt: string
    /** What the machine's meter showed then; null where nobody read it. */
    meter: MeterReading | null
    /** What its pulls showed, in words; null where none were laid over each other. */
    gain: string | null
  }[]
  open: OpenThing[]
  /** Kits that came off, by the job that took them off. */
  cameOff: { kit: string; name: string; jobId: string; as: string; at: string }[]
}

/** A kit on its way through the jobs of a machine. */
interface Instance {
  kit: string
  name: string
  jobId: string
  as: string
  place: PlaceId | null
  connections: Connection[]
  document: Kit
  off: { jobId: string; as: string; at: string } | null
}

/** What every fitted kit wants once. */
const lookAfterWords = 'A look after ten hours: ties, taps, ground and codes'

/**
 * What is in a machine: the replay of all its jobs.
 * @param jobs in the order they were opened
 */
export function vehicleOf(jobs: readonly VehicleJob[]): VehicleNow {
  const instances = new Map<string, Instance>()
  const punctures = new Map<string, Wound & { sealed: boolean; inUse: boolean }>()
  const cuts = new Map<string, Wound & { joined: boolean }>()
  const open: OpenThing[] = []
  for (const job of jobs) {
    const { kit } = job.dossiers
    for (const { member, connections } of memberWiring(kit, job.state.connections)) {
      const from = job.state.cameFrom.find(({ key }) => key === member.key)
      const id = from ? `${from.job}/${from.as}` : `${job.id}/${member.key}`
      const known = instances.get(id)
      const mounted = member.key === '' ? job.state.mounted : job.state.mountedOf[member.key]
      const joined = connections.filter(({ to }) => 'connector' in to || 'stud' in to)
      if (!known && from === undefined && joined.length === 0) continue
      instances.set(id, {
        kit: known?.kit ?? member.id,
        name: known?.name ?? `${member.kit.maker} ${member.kit.model}`,
        jobId: known?.jobId ?? from?.job ?? job.id,
        as: known?.as ?? from?.as ?? member.key,
        place: mounted?.place ?? known?.place ?? null,
        connections,
        document: member.kit,
        off:
          joined.length === 0 && !member.present && purposeOf(job.state) === 'stock'
            ? { jobId: job.id, as: member.key, at: job.changedAt ?? job.openedAt }
            : null,
      })
    }
    noteWounds(job, punctures, cuts)
    open.push(...openOf(job))
  }
  const machine = jobs.at(-1)?.dossiers.machine
  if (!machine) return { fitted: [], connections: [], punctures: [], cuts: [], jobs: [], open: [], cameOff: [] }
  const placeName = (id: PlaceId | null) => machine.places?.find((place) => place.id === id)?.name ?? null
  const fitted = [...instances.values()].filter((item) => item.off === null && hasJoined(item.connections))
  const connections = fitted.flatMap(({ kit, jobId, connections: made, document }) =>
    made.map(({ kitEnd, to, method }): VehicleConnection => ({
      kit,
      kitEnd,
      to,
      ...(method === undefined ? {} : { method }),
      jobId,
      says: `${document.ends.find(({ id }) => id === kitEnd)?.name ?? kitEnd}: ${inSentence(targetWords(machine, to, document))}`,
    })),
  )
  const inUse = (wound: Wound) => connections.some(({ to }) => 'cavity' in to && sameWound(to, wound))
  const pierced = [...punctures.values()].map((item) => ({ ...item, inUse: inUse(item) }))
  const lastOf = (jobId: string) => jobs.find(({ id }) => id === jobId)
  for (const jobId of new Set(fitted.map((item) => item.jobId))) {
    const at = jobs.findIndex(({ id }) => id === jobId)
    const since = jobs[at]?.changedAt
    const looked = jobs.slice(at + 1).some(({ state, finished }) => finished && purposeOf(state) === 'look')
    if (jobs[at]?.finished && since && !looked) open.push({ what: lookAfterWords, since })
  }
  const since = jobs.at(-1)?.changedAt ?? jobs.at(-1)?.openedAt ?? ''
  for (const { before, after, at } of wentBack(jobs))
    open.push({ what: `The meter went back, from ${meterWords(before)} to ${meterWords(after)}`, since: at })
  for (const { connector, cavity, sealed, inUse: used } of pierced)
    if (!sealed && !used)
      open.push({ what: `Puncture not sealed: ${plugName(jobs, connector)}, cavity ${cavity}`, since })
  for (const { connector, cavity, joined } of cuts.values())
    if (!joined && !inUse({ connector, cavity }))
      open.push({ what: `Cut wire not joined: ${plugName(jobs, connector)}, cavity ${cavity}`, since })
  return {
    fitted: fitted.map(({ kit, name, jobId, as, place }) => ({
      ...{ kit, name, jobId, as, place },
      placeName: placeName(place),
    })),
    connections,
    punctures: pierced,
    cuts: [...cuts.values()],
    jobs: jobs.map(({ id, title, dossiers, state, finished, openedAt }) => ({
      id,
      title,
      purpose: purposeOf(state),
      finished,
      openedAt,
      meter: state.meter && { value: state.meter.value, unit: state.meter.unit },
      gain: gainWords(dossiers, state),
    })),
    open,
    cameOff: [...instances.values()].flatMap(({ kit, name, off }) =>
      off && lastOf(off.jobId)?.finished ? [{ kit, name, ...off }] : [],
    ),
  }
}

const hasJoined = (connections: readonly Connection[]) =>
  connections.some(({ to }) => 'connector' in to || 'stud' in to)

function noteWounds(
  { dossiers, state }: VehicleJob,
  punctures: Map<string, Wound & { sealed: boolean; inUse: boolean }>,
  cuts: Map<string, Wound & { joined: boolean }>,
): void {
  const { kit } = dossiers
  const keyOf = ({ connector, cavity }: Wound) => `${connector} ${cavity}`
  for (const { kind, connector, cavity } of woundsOf(kit, [...state.began, ...state.connections])) {
    const key = keyOf({ connector, cavity })
    if (kind === 'cut') cuts.set(key, cuts.get(key) ?? { connector, cavity, joined: false })
    else punctures.set(key, { connector, cavity, sealed: punctures.get(key)?.sealed ?? false, inUse: false })
  }
  for (const { what, own, about, dealt } of state.found) {
    if (what !== 'puncture' || !about?.connector || about.cavity === undefined) continue
    const wound = { connector: about.connector, cavity: about.cavity }
    if (cuts.has(keyOf(wound))) continue
    if (own || !dealt || punctures.has(keyOf(wound)))
      punctures.set(keyOf(wound), { ...wound, sealed: dealt !== undefined, inUse: false })
  }
  for (const wound of state.sealed)
    punctures.set(keyOf(wound), { connector: wound.connector, cavity: wound.cavity, sealed: true, inUse: false })
  for (const wound of state.joined)
    cuts.set(keyOf(wound), { connector: wound.connector, cavity: wound.cavity, joined: true })
}

/** Visits at which the meter showed less than at the one before: another meter, another machine, or a figure that was misread. */
function wentBack(jobs: readonly VehicleJob[]) {
  const read = jobs.flatMap(({ state, openedAt }) => (state.meter ? [{ ...state.meter, at: openedAt }] : []))
  return read.flatMap((after) => {
    const earlier = read.slice(0, read.indexOf(after)).findLast(({ unit }) => unit === after.unit)
    return earlier && after.value < earlier.value ? [{ before: earlier, after, at: after.at }] : []
  })
}

/** What one job left open. */
function openOf({ title, openedAt, finished, state, changedAt }: VehicleJob): OpenThing[] {
  return [
    ...(finished ? [] : [{ what: `Job not finished: ${title}`, since: openedAt }]),
    ...state.found.flatMap(({ dealt, own, what, text, at }) =>
      dealt || own ? [] : [{ what: `From earlier work, ${what}: ${text}`, since: at ?? changedAt ?? openedAt }],
    ),
  ]
}

function plugName(jobs: readonly VehicleJob[], connector: ConnectorId): string {
  const machine = jobs.at(-1)?.dossiers.machine
  return machine?.connectors.find(({ id }) => id === connector)?.name ?? connector
}

/** What a job that is opened now begins with, in its own names. */
export interface Beginning {
  cameFrom: { key: string; job: string; as: string }[]
  connections: Connection[]
  mounts: { key: string; place: PlaceId }[]
  routes: { part: KitEndId; passages: PassageId[] }[]
  settings: { setting: SettingId; value: string }[]
}

/**
 * What a job begins with that takes over kits which are in the machine: each as the last job that had it left it.
 * @param kits that are in the machine (`vehicleOf(jobs).fitted`), in the order in which the new job has them
 * @param alone the new job has no other kit
 */
export function beginsWith(
  jobs: readonly VehicleJob[],
  kits: readonly FittedKitOf[],
  alone = kits.length === 1,
): Beginning {
  const keys = alone ? [''] : kitKeys(kits.map(({ kit }) => kit))
  const beginning: Beginning = { cameFrom: [], connections: [], mounts: [], routes: [], settings: [] }
  kits.forEach(({ jobId, as, place }, i) => {
    const key = keys[i] ?? ''
    beginning.cameFrom.push({ key, job: jobId, as })
    const last = lastWith(jobs, jobId, as)
    if (place !== null) beginning.mounts.push({ key, place })
    if (!last) return
    const { job, member } = last
    const { kit } = job.dossiers
    const wiring = memberWiring(kit, job.state.connections).find((item) => item.member.key === member)
    for (const { kitEnd, to, method, fuseA } of wiring?.connections ?? [])
      beginning.connections.push({
        kitEnd: joinedId(key, kitEnd),
        to: 'kitEnd' in to ? { kitEnd: joinedId(key, to.kitEnd) } : to,
        ...(method === undefined ? {} : { method }),
        ...(fuseA === undefined ? {} : { fuseA }),
      })
    const own = <T>(record: Record<string, T>): [string, T][] =>
      Object.entries(record).flatMap(([id, value]): [string, T][] => {
        const of = memberOf(kit, id)
        return of?.member.key === member ? [[joinedId(key, of.id), value]] : []
      })
    for (const [part, { passages }] of own(job.state.routes))
      beginning.routes.push({ part: asId<KitEndId>(part), passages })
    // What was captured is a value of the unit as well as what was set.
    for (const row of settingsSheet(job.dossiers, job.state)) {
      const of = memberOf(kit, row.setting)
      if (row.set !== null && of?.member.key === member)
        beginning.settings.push({ setting: joinedId(key, of.id), value: row.set })
    }
  })
  return beginning
}

/** The last job that had a kit, and what the kit is called there. */
function lastWith(jobs: readonly VehicleJob[], jobId: string, as: string): { job: VehicleJob; member: string } | null {
  let found: { job: VehicleJob; member: string } | null = null
  for (const job of jobs) {
    if (job.id === jobId) found = { job, member: as }
    const came = job.state.cameFrom.find((item) => item.job === jobId && item.as === as)
    if (came) found = { job, member: came.key }
  }
  return found
}
