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

export function place(compiled: CompiledTasks, people: 1 | 2, lengths: readonly number[]): Schedule {
  const { tasks, before, behind } = compiled
  const tail = tails(compiled, lengths)
  const open = before.map((list) => list.length)
  const ready = [...tasks.keys()].filter((i) => open[i] === 0)
  const start = new Float64Array(tasks.length).fill(-1)
  const end = new Float64Array(tasks.length)
  const held: (number | null)[] = tasks.map(() => null)
  const who: number[][] = tasks.map(() => [])
  const free = Array<number>(people).fill(0)
  const lastOf = Array<number | null>(people).fill(null)
  const running: number[] = []
  let now = 0
  for (let left = tasks.length; left > 0;) {
    ready.sort((a, b) => tail[b] - tail[a] || a - b)
    for (let at = 0; at < ready.length;) {
      const i = ready[at]
      const hands = Math.min(tasks[i].hands, people)
      const idle = free.flatMap((until, person) => (until <= now ? [person] : []))
      if (idle.length < hands) {
        at++
        continue
      }
      ready.splice(at, 1)
      start[i] = now
      end[i] = now + lengths[i]
      const blockers = before[i].filter((j) => end[j] === now)
      held[i] = blockers[0] ?? null
      who[i] = idle.slice(0, hands)
      for (const person of who[i]) {
        const last = lastOf[person]
        if (held[i] === null && last !== null && end[last] === now) held[i] = last
        free[person] = end[i]
        lastOf[person] = i
      }
      running.push(i)
    }
    if (running.length === 0) throw new Error('scheduling: nothing can start')
    now = Math.min(...running.map((i) => end[i]))
    for (let at = running.length - 1; at >= 0; at--) {
      const i = running[at]
      if (end[i] > now) continue
      running.splice(at, 1)
      left--
      for (const next of behind[i]) if (--open[next] === 0) ready.push(next)
    }
  }
  const slots = tasks.map((task, i): Slot => ({ task: task.id, start: start[i], end: end[i], who: who[i] }))
  const minutes = Math.max(0, ...end)
  return { slots, minutes, critical: pathTo(tasks, end, held, minutes) }
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
