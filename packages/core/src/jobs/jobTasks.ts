import { trimBasis } from '../fuel-trim/index.ts'
import type { JobDossiers, JobState } from './state.ts'
import { connectionPlan } from '../wiring/index.ts'
import { joinedId, stationsOf, type KitEnd, type Minutes, type Station } from '../dossiers/index.ts'
import {
  scheduleTasks,
  simulateMinutes,
  usualDay,
  type DayFactor,
  type LearntMinutes,
  type MinutesSpread,
  type Schedule,
  type Task,
} from '../scheduling/index.ts'
import { peopleOf, targetKey } from '../access/index.ts'
import { jobOf } from './members.ts'
import { placeOfMember } from './mountPlace.ts'
import { accessOf } from './jobAccess.ts'
import { loomPassages, plannedLooms } from './jobRoute.ts'
import { purposeOf } from '../vehicles/index.ts'
import { whileItStands, type Spoken } from '../shared/index.ts'
import { pipeMinutes, weldsBoss } from '../sensors/index.ts'
import { sayWork, stationWork, type WorkItem } from './workItems.ts'
import { sayTask } from './words.ts'

/** One bar of the day. */
export interface DayTask extends Task, Spoken {
  station: Station
  done: boolean
  /** Finished jobs behind its time; 0: the dossier's own figure. */
  learntFrom: number
}

/** What finished jobs taught, by task id. */
export type LearntTimes = ReadonlyMap<string, LearntMinutes>

/** The day of a job: its tasks, and who does what when. */
export interface JobDay {
  people: 1 | 2
  tasks: DayTask[]
  schedule: Schedule
  /** What all its tasks share. */
  factor: DayFactor
}

/** Minutes of connecting one end, its way apart (general practice: plug, tap, solder joint, ring, relay, block). */
const endMinutes: Record<KitEnd['type'], Minutes> = {
  'inline-pair': { best: 2, likely: 3, worst: 6 },
  'flying-lead': { best: 4, likely: 7, worst: 12 },
  ring: { best: 3, likely: 5, worst: 10 },
  port: { best: 1, likely: 1, worst: 2 },
  vent: { best: 1, likely: 1, worst: 2 },
  plug: { best: 1, likely: 2, worst: 4 },
}
const solderJoint: Minutes = { best: 6, likely: 9, worst: 15 }

/** The job from taking in to handing back, on the clock. */
export function jobDay(
  dossiers: JobDossiers,
  state: JobState,
  learnt: LearntTimes = new Map(),
  factor: DayFactor = usualDay,
): JobDay {
  const tasks = jobTasks(dossiers, state, learnt)
  const people = peopleOf(state)
  return { people, tasks, factor, schedule: scheduleTasks(tasks, people) }
}

/** How long the whole day takes, and what is still to be done of it. Takes some hundred schedules: not for a screen's own thread. */
export function daySpread({ tasks, people, factor }: Pick<JobDay, 'tasks' | 'people' | 'factor'>): {
  whole: MinutesSpread
  left: MinutesSpread
} {
  const open = tasks.filter((task) => !task.done)
  const openIds = new Set(open.map((task) => task.id))
  const left = open.map((task) => ({ ...task, after: task.after.filter((id) => openIds.has(id)) }))
  return {
    whole: simulateMinutes(tasks, people, { day: factor }),
    left: simulateMinutes(left, people, { day: factor }),
  }
}

/**
 * Tasks of a job with what each waits for: stations follow each other, waits run beside, hot covers wait for the engine
 * to cool, plugs for the battery and for what stays charged, closing for the wake.
 */
export function jobTasks(dossiers: JobDossiers, state: JobState, learnt: LearntTimes = new Map()): DayTask[] {
  return whileItStands(state, () => tasksOf(dossiers, state, learnt))
}

function tasksOf(dossiers: JobDossiers, state: JobState, learnt: LearntTimes): DayTask[] {
  const tasks: DayTask[] = []
  const timed = (task: Omit<DayTask, 'learntFrom'>): DayTask => {
    const known = learnt.get(task.id)
    return { ...task, minutes: known ?? task.minutes, learntFrom: known?.n ?? 0 }
  }
  let gate: string[] = []
  for (const station of stationsOf(purposeOf(state))) {
    const made = stationTasks(dossiers, state, station, gate).map(timed)
    tasks.push(...made)
    const needed = new Set(made.flatMap((task) => task.after))
    const ends = made.filter(
      (task) => !needed.has(task.id) && !(task.hands === 0 && !blocksNext(dossiers, station, task)),
    )
    if (ends.length > 0) gate = ends.map((task) => task.id)
  }
  return tasks
}

/** Cooling goes on beside everything; what stays charged holds up what follows. */
function blocksNext(dossiers: JobDossiers, station: Station, task: Task): boolean {
  return station === 'make-safe' && !coolingWaits(dossiers).includes(task.id)
}

/** Waits in which hot parts cool; nothing but hot covers waits for them. */
function coolingWaits({ machine, kit }: JobDossiers): string[] {
  return [...machine.steps, ...kit.steps].flatMap((step) => (step.wait?.cools ? [`wait.${step.id}`] : []))
}

function stationTasks(dossiers: JobDossiers, state: JobState, station: Station, gate: string[]): DayTask[] {
  if (station === 'check-kit')
    return [
      plain(
        'check-kit',
        station,
        sayTask('check-kit', {}),
        times(dossiers.kit.parts.length + dossiers.kit.ends.length, countMinutes),
        gate,
        station in state.stationsDone,
      ),
    ]
  if (station === 'hook-up') return hookUpTasks(dossiers, state, gate)
  // What is done to the exhaust has tasks of its own: the weld and its cooling run beside other work.
  const items = stationWork(dossiers, state, station).filter(({ id }) => !isPipeWork(id))
  switch (station) {
    case 'open-up': {
      const covers = coverTasks(dossiers, state, station, items, gate)
      return [...covers, ...bossOff(dossiers, state, covers.length > 0 ? covers.map((task) => task.id) : gate)]
    }
    case 'close-up':
      return coverTasks(dossiers, state, station, items, gate)
    case 'lay-loom': {
      const made = chain(dossiers, state, station, items, gate)
      return [...made, ...routeTasks(dossiers, state, made.length > 0 ? [made[made.length - 1].id] : gate)]
    }
    case 'set-up': {
      const boss = bossOn(dossiers, state, gate)
      return [...boss, ...chain(dossiers, state, station, items, boss.length > 0 ? boss.map((task) => task.id) : gate)]
    }
    case 'trim': {
      const made = chain(dossiers, state, station, items, gate)
      return trimBasis(dossiers) ? [...rideTasks(state, gate), ...made] : made
    }
    default:
      return chain(dossiers, state, station, items, gate)
  }
}

/** Minutes of looking at one part or branch of the kit (general practice). */
const countMinutes: Minutes = { best: 0.2, likely: 0.4, worst: 0.9 }
/** Minutes of one tie (general practice: 20 ties 8 to 25 min). */
const tieMinutes: Minutes = { best: 0.35, likely: 0.6, worst: 1.1 }
/** Lengthening one wire, both joints of it; drawing a heat sleeve over one branch. */
const extensionMinutes: Minutes = { best: 6, likely: 10, worst: 18 }
const sleeveMinutes: Minutes = { best: 2, likely: 4, worst: 8 }
/** Putting in a fuse: last of all. */
const fuseMinutes: Minutes = { best: 1, likely: 1, worst: 2 }
/** Until a weld is cold, min. */
const weldCools: Minutes = { best: 20, likely: 20, worst: 20 }
/** One ride through the table with its review (general practice). */
const rideMinutes: Minutes = { best: 30, likely: 50, worst: 90 }

function times(count: number, { best, likely, worst }: Minutes): Minutes {
  return { best: count * best, likely: count * likely, worst: count * worst }
}

/** What the planned way of the loom takes beyond laying it: bulkheads, lengthening, heat sleeves. */
function routeTasks(dossiers: JobDossiers, state: JobState, after: string[]): DayTask[] {
  const looms = plannedLooms(dossiers, state).flatMap(({ loom, member }) => (loom ? [{ loom, member }] : []))
  if (looms.length === 0) return []
  const used = new Set(loomPassages(dossiers, state))
  const laid = 'lay-loom' in state.stationsDone
  const passages = (dossiers.machine.passages ?? []).filter((passage) => used.has(passage.id))
  const sleeved = looms.flatMap(({ loom }) => [loom.trunk, ...loom.branches].filter((part) => part.sleeve !== 'plain'))
  const work: [string, Spoken, Minutes][] = [
    ...passages.flatMap((passage): [string, Spoken, Minutes][] =>
      passage.bulkhead
        ? [[`bulkhead.${passage.id}`, sayTask('bulkhead', { passage: passage.name }), passage.bulkhead.minutes]]
        : [],
    ),
    ...looms.flatMap(({ loom, member }) =>
      loom.branches.flatMap((branch): [string, Spoken, Minutes][] =>
        branch.extensionM > 0
          ? [
              [
                `extend.${joinedId(member.key, branch.end.id)}`,
                sayTask('extend', { end: branch.end.name }),
                times(Math.max(1, branch.end.areasMm2.length), extensionMinutes),
              ],
            ]
          : [],
      ),
    ),
    ...sleeved
      .slice(0, 1)
      .map((): [string, Spoken, Minutes] => ['sleeves', sayTask('sleeves', {}), times(sleeved.length, sleeveMinutes)]),
  ]
  return work.map(([id, spoken, minutes], i) =>
    plain(id, 'lay-loom', spoken, minutes, i === 0 ? after : [work[i - 1][0]], laid),
  )
}

const isPipeWork = (id: string) => id.startsWith('boss.')

/** The place measured and the pipe off; welding and cooling run beside the work on the loom. */
function bossOff(dossiers: JobDossiers, state: JobState, after: string[]): DayTask[] {
  if (!weldsBoss(dossiers) || purposeOf(state) !== 'fit') return []
  const { boss, pipe } = state
  return [
    plain('boss.measure', 'open-up', sayTask('boss-place', {}), pipeMinutes.measure, after, boss !== null),
    plain('boss.off', 'open-up', sayTask('pipe-off', {}), pipeMinutes.off, ['boss.measure'], pipe.off !== undefined),
    plain('boss.weld', 'open-up', sayTask('weld', {}), pipeMinutes.welded, ['boss.off'], pipe.welded !== undefined, 0),
    plain('boss.cool', 'open-up', sayTask('weld-cool', {}), weldCools, ['boss.weld'], pipe.on !== undefined, 0),
  ]
}

function bossOn(dossiers: JobDossiers, state: JobState, gate: string[]): DayTask[] {
  if (!weldsBoss(dossiers) || purposeOf(state) !== 'fit') return []
  const done = state.pipe.on !== undefined
  return [plain('boss.on', 'set-up', sayTask('pipe-on', {}), pipeMinutes.on, [...gate, 'boss.cool'], done)]
}

function rideTasks(state: JobState, gate: string[]): DayTask[] {
  const done = 'trim' in state.stationsDone || state.trim.revisions.length > 1
  return [plain('ride', 'trim', sayTask('ride', {}), rideMinutes, gate, done)]
}

/** Minutes of an item with the way to what it works at, and by the count of what it makes. */
function minutesOf(dossiers: JobDossiers, state: JobState, item: WorkItem): Minutes {
  if (item.kind !== 'step') return item.minutes
  const { step } = item
  if (step.marks === 'ties') {
    const { member } = jobOf(dossiers, step.id)
    const count = plannedLooms(dossiers, state).find((item) => item.member.key === member.key)?.loom?.ties.count
    return count ? times(count, tieMinutes) : item.minutes
  }
  const targets = accessOf(dossiers, state)?.targets ?? []
  const at =
    step.marks === 'mount'
      ? [`place:${placeOfMember(dossiers, state, jobOf(dossiers, step.id).member)?.id ?? ''}`]
      : (step.needs?.reach ?? []).map(
          (target) => Object.entries(target).map(([kind, id]) => `${kind}:${String(id)}`)[0],
        )
  return targets
    .filter(({ target }) => at.includes(targetKey(target)))
    .reduce((minutes, target) => sum(minutes, target.minutes), item.minutes)
}

function plain(
  id: string,
  station: Station,
  spoken: Spoken,
  minutes: Minutes,
  after: readonly string[],
  done: boolean,
  hands: 0 | 1 | 2 = 1,
): DayTask {
  return { id, station, ...spoken, minutes, after, done, hands, learntFrom: 0 }
}

/** One after the other; a wait holds up only what names its step, the battery and what follows it. */
function chain(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  items: readonly WorkItem[],
  gate: string[],
): DayTask[] {
  const tasks: DayTask[] = []
  const cooling = coolingWaits(dossiers)
  let before = gate
  const waits: string[] = []
  for (const item of items) {
    const step = item.kind === 'step' ? item.step : null
    const held = step?.power ? waits.filter((id) => !cooling.includes(id)) : []
    const named = (step?.after ?? []).flatMap((id) => (waits.includes(`wait.${id}`) ? [`wait.${id}`] : []))
    tasks.push(
      plain(
        item.id,
        station,
        sayWork(item),
        minutesOf(dossiers, state, item),
        [...before, ...held, ...named],
        done(state, station, item),
        handsOf(item),
      ),
    )
    before = [item.id]
    if (step?.wait) {
      const id = `wait.${step.id}`
      const { minutes } = step.wait
      tasks.push(
        plain(
          id,
          station,
          sayTask('wait', { why: step.wait.why }),
          { best: minutes, likely: minutes, worst: minutes },
          [item.id],
          done(state, station, item),
          0,
        ),
      )
      waits.push(id)
    }
  }
  return tasks
}

/** Covers by what must be off first, so that two people can work at once; steps after all covers. */
function coverTasks(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  items: readonly WorkItem[],
  gate: string[],
): DayTask[] {
  const here = new Set(items.map((item) => item.id))
  const closing = accessOf(dossiers, state)?.closing ?? []
  const cool = coolingWaits(dossiers)
  const covers = items.filter((item) => item.kind === 'cover-off' || item.kind === 'cover-on')
  const coverIds = covers.map((item) => item.id)
  const made = covers.map((item): DayTask => {
    const cover = item.kind === 'cover-off' ? item.removal.cover : item.closing.cover
    const under =
      item.kind === 'cover-off'
        ? cover.after.map((id) => `off.${id}`)
        : closing.filter((other) => other.cover.after.includes(cover.id)).map((other) => `on.${other.cover.id}`)
    const hot = item.kind === 'cover-off' && cover.hot ? cool : []
    return plain(
      item.id,
      station,
      sayWork(item),
      item.minutes,
      [...gate, ...under.filter((id) => here.has(id)), ...hot],
      done(state, station, item),
      handsOf(item),
    )
  })
  const rest = items.filter((item) => !covers.some((cover) => cover === item))
  return [...made, ...chain(dossiers, state, station, rest, coverIds.length > 0 ? coverIds : gate)]
}

/** Every end by its way; ground before feed, and the fuse of a feed last of all. */
function hookUpTasks(dossiers: JobDossiers, state: JobState, gate: string[]): DayTask[] {
  const { ends } = dossiers.kit
  const carries = (end: KitEnd, signal: (name: string) => boolean) =>
    (end.type === 'ring' || end.type === 'flying-lead') && signal(end.wants.signal)
  const grounds = ends
    .filter((end) => carries(end, (signal) => signal.endsWith('ground')))
    .map((end) => `end.${end.id}`)
  const made = ends.map((end): DayTask => {
    const made = state.connections.filter((item) => item.kitEnd === end.id)
    const own = end.type === 'flying-lead' && end.cut ? solderJoint : endMinutes[end.type]
    return plain(
      `end.${end.id}`,
      'hook-up',
      sayTask('end', { end: end.name }),
      sum(own, reachOf(dossiers, state, end)),
      carries(end, (signal) => signal.startsWith('supply')) && grounds.length > 0 ? grounds : gate,
      made.length > 0 && made.every((item) => item.tugged || 'closed' in item.to || 'open' in item.to),
    )
  })
  const fuses = ends.filter((end) => end.type === 'ring' && end.fuseA !== undefined)
  return [
    ...made,
    ...fuses.map((end) =>
      plain(
        `fuse.${end.id}`,
        'hook-up',
        sayTask('fuse', { end: end.name }),
        fuseMinutes,
        made.map((task) => task.id),
        'hook-up' in state.stationsDone,
      ),
    ),
  ]
}

/** Minutes of getting at the place of an end by the planned way; none where no way is known. */
function reachOf(dossiers: JobDossiers, state: JobState, end: KitEnd): Minutes {
  const to = connectionPlan(dossiers, state).find((match) => match.kitEnd === end.id)?.target ?? null
  const id = to === null ? undefined : 'connector' in to ? to.connector : 'stud' in to ? to.stud : undefined
  const planned = accessOf(dossiers, state)?.targets.find((item) => item.target.id === id)
  return planned?.minutes ?? { best: 0, likely: 0, worst: 0 }
}

function sum(a: Minutes, b: Minutes): Minutes {
  return { best: a.best + b.best, likely: a.likely + b.likely, worst: a.worst + b.worst }
}

function done(state: JobState, station: Station, item: WorkItem): boolean {
  return item.done !== undefined || station in state.stationsDone
}

function handsOf(item: WorkItem): 1 | 2 {
  if (item.kind === 'cover-off') return item.removal.cover.helper ? 2 : 1
  if (item.kind === 'cover-on') return item.closing.cover.helper ? 2 : 1
  return 1
}
