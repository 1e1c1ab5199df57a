import { expectedMinutes, type Schedule, type Slot, type Task } from './model.ts'

/**
 * Puts tasks on the clock for one or two people: whoever is free takes, of what may start, the task with the longest tail
 * behind it (list scheduling; at most 2 − 1/people times the best, Graham 1969). Waits start by themselves and run beside.
 * A task for two hands with one person at work counts as his own: the second pair is fetched.
 * @param minutesOf length of each task, by place in `tasks`; the expected ones unless given
 * @throws when tasks wait for each other in a ring or for one that is not there
 */
export function scheduleTasks(tasks: readonly Task[], people: 1 | 2, minutesOf?: readonly number[]): Schedule {
  const lengths = minutesOf ?? tasks.map((task) => expectedMinutes(task.minutes))
  return place(compile(tasks), people, lengths)
}

export interface CompiledTasks {
  tasks: readonly Task[]
  before: number[][]
  behind: number[][]
  topological: number[]
}

export function compile(tasks: readonly Task[]): CompiledTasks {
  const index = new Map(tasks.map((task, i) => [task.id, i]))
  const before = tasks.map((task) =>
    task.after.map((id) => {
      const at = index.get(id)
      if (at === undefined) throw new Error(`scheduling: "${task.id}" waits for "${id}", which is no task`)
      return at
    }),
  )
  const behind: number[][] = tasks.map(() => [])
  before.forEach((list, i) => list.forEach((j) => behind[j].push(i)))
  const open = before.map((list) => list.length)
  const topological = [...tasks.keys()].filter((i) => open[i] === 0)
  for (let at = 0; at < topological.length; at++)
    for (const next of behind[topological[at]]) if (--open[next] === 0) topological.push(next)
  if (topological.length < tasks.length) {
    const stuck = tasks.find((_, i) => open[i] > 0)
    throw new Error(`scheduling: "${stuck?.id}" waits, in a ring, for itself`)
  }
  return { tasks, before, behind, topological }
}

/** Longest work behind each task, its own counted. */
function tails({ topological, behind }: CompiledTasks, lengths: readonly number[]): Float64Array {
  const tail = new Float64Array(lengths.length)
  for (let at = topological.length - 1; at >= 0; at--) {
    const i = topological[at]
    let longest = 0
    for (const next of behind[i]) if (tail[next] > longest) longest = tail[next]
    tail[i] = lengths[i] + longest
  }
  return tail
}

/** Puts tasks on the clock. @param lengths of the tasks, by place, min */
function place(compiled: CompiledTasks, people: 1 | 2, lengths: readonly number[]): Schedule {
  const { tasks, before } = compiled
  const start = new Float64Array(tasks.length)
  const end = new Float64Array(tasks.length).fill(-1)
  const held: (number | null)[] = tasks.map(() => null)
  const who: number[][] = tasks.map(() => [])
  const lastOf = Array<number | null>(people).fill(null)
  const minutes = runClock(compiled, people, lengths, (i, now, persons) => {
    held[i] = before[i].find((j) => end[j] === now) ?? null
    start[i] = now
    end[i] = now + lengths[i]
    who[i] = persons
    for (const person of persons) {
      const last = lastOf[person]
      if (held[i] === null && last !== null && end[last] === now) held[i] = last
      lastOf[person] = i
    }
  })
  const slots = tasks.map((task, i): Slot => ({ task: task.id, start: start[i], end: end[i], who: who[i] }))
  return { slots, minutes, critical: pathTo(tasks, end, held, minutes) }
}

/** How long all takes when everybody who is free takes what has most behind it, min. @param lengths of the tasks, by place, min */
export const minutesOfAll = (compiled: CompiledTasks, people: 1 | 2, lengths: readonly number[]): number =>
  runClock(compiled, people, lengths)

/**
 * Runs the clock until all is done.
 * @param onStart hears of every start, in order: which task, when, and who takes it
 * @returns when the last one ends, min
 */
function runClock(
  compiled: CompiledTasks,
  people: 1 | 2,
  lengths: readonly number[],
  onStart?: (i: number, now: number, persons: number[]) => void,
): number {
  const { tasks, before, behind } = compiled
  const tail = tails(compiled, lengths)
  const open = Uint16Array.from(before, (list) => list.length)
  const end = new Float64Array(tasks.length)
  const free = new Float64Array(people)
  // What may start, most behind it first.
  const ready: number[] = []
  const join = (i: number) => {
    let at = ready.length
    while (at > 0 && (tail[ready[at - 1]] < tail[i] || (tail[ready[at - 1]] === tail[i] && ready[at - 1] > i))) at--
    ready.splice(at, 0, i)
  }
  for (let i = 0; i < open.length; i++) if (open[i] === 0) join(i)
  const running: number[] = []
  let now = 0
  for (let left = tasks.length; left > 0;) {
    let idle = 0
    for (const until of free) if (until <= now) idle++
    for (let at = 0; at < ready.length;) {
      const i = ready[at]
      const hands = Math.min(tasks[i].hands, people)
      if (idle < hands) {
        at++
        continue
      }
      ready.splice(at, 1)
      end[i] = now + lengths[i]
      const persons: number[] = []
      for (let person = 0; persons.length < hands; person++) if (free[person] <= now) persons.push(person)
      onStart?.(i, now, persons)
      for (const person of persons) {
        free[person] = end[i]
        if (end[i] > now) idle--
      }
      running.push(i)
    }
    if (running.length === 0) throw new Error('scheduling: nothing can start')
    now = Infinity
    for (const i of running) now = Math.min(now, end[i])
    for (let at = running.length - 1; at >= 0; at--) {
      const i = running[at]
      if (end[i] > now) continue
      running.splice(at, 1)
      left--
      for (const next of behind[i]) if (--open[next] === 0) join(next)
    }
  }
  return end.reduce((latest, at) => Math.max(latest, at), 0)
}

function pathTo(tasks: readonly Task[], end: Float64Array, held: (number | null)[], minutes: number): string[] {
  const path: string[] = []
  let at: number | null = tasks.length > 0 ? end.indexOf(minutes) : null
  while (at !== null && at >= 0) {
    path.unshift(tasks[at].id)
    at = held[at]
  }
  return path
}
