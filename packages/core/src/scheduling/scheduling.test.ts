import { describe, expect, test } from 'vitest'
import type { Minutes } from '../dossiers/index.ts'
import { seededRandom } from '../shared/index.ts'
import { learnMinutes } from './learnMinutes.ts'
import { expectedMinutes, type Task } from './model.ts'
import { scheduleTasks } from './scheduleTasks.ts'
import { drawMinutes, simulateMinutes } from './simulateMinutes.ts'

const flat = (minutes: number): Minutes => ({ best: minutes, likely: minutes, worst: minutes })
const task = (id: string, minutes: number, after: string[] = [], hands: 0 | 1 | 2 = 1): Task => ({
  id,
  minutes: flat(minutes),
  after,
  hands,
})

/** The shortest day, by trying every task at every whole minute. */
function shortestByTrying(tasks: readonly Task[], people: 1 | 2): number {
  let best = tasks.reduce((sum, item) => sum + item.minutes.likely, 0)
  const ends = new Map<string, number>()
  const spans: { start: number; end: number; hands: number }[] = []
  const visit = (left: readonly Task[], latest: number) => {
    if (latest >= best && left.length > 0) return
    if (left.length === 0) {
      best = Math.min(best, latest)
      return
    }
    for (const item of left) {
      if (item.after.some((id) => !ends.has(id))) continue
      const ready = Math.max(0, ...item.after.map((id) => ends.get(id) ?? 0))
      const hands = Math.min(item.hands, people)
      const starts = [ready, ...spans.map((span) => span.end).filter((end) => end > ready)].sort((a, b) => a - b)
      const start = starts.find((from) => {
        const to = from + item.minutes.likely
        const points = [from, ...spans.map((span) => span.start).filter((point) => point > from && point < to)]
        return points.every(
          (point) =>
            spans.filter((span) => span.start <= point && span.end > point).reduce((sum, span) => sum + span.hands, 0) +
              hands <=
            people,
        )
      })
      if (start === undefined) continue
      const end = start + item.minutes.likely
      ends.set(item.id, end)
      spans.push({ start, end, hands })
      visit(
        left.filter((other) => other !== item),
        Math.max(latest, end),
      )
      spans.pop()
      ends.delete(item.id)
    }
  }
  visit(tasks, 0)
  return best
}

function randomTasks(seed: number, count: number): Task[] {
  const random = seededRandom(seed)
  return Array.from({ length: count }, (_, i) =>
    task(
      `t${i}`,
      1 + Math.floor(random.uniform() * 9),
      Array.from({ length: i }, (_unused, j) => `t${j}`).filter(() => random.uniform() < 0.25),
      random.uniform() < 0.2 ? 0 : random.uniform() < 0.2 ? 2 : 1,
    ),
  )
}

describe('who does what when', () => {
  test.each(Array.from({ length: 60 }, (_, seed) => seed))('day of chance %i holds together', (seed) => {
    const tasks = randomTasks(seed + 1, 2 + (seed % 6))
    for (const people of [1, 2] as const) {
      const { slots, minutes, critical } = scheduleTasks(tasks, people)
      const of = new Map(slots.map((slot) => [slot.task, slot]))
      for (const item of tasks) {
        const slot = of.get(item.id)
        if (!slot) throw new Error('a task is missing')
        expect(slot.who).toHaveLength(Math.min(item.hands, people))
        for (const id of item.after) expect(of.get(id)?.end).toBeLessThanOrEqual(slot.start)
      }
      for (const one of slots)
        for (const other of slots)
          if (one !== other && one.who.some((person) => other.who.includes(person)))
            expect(one.end <= other.start || other.end <= one.start).toBe(true)
      const shortest = shortestByTrying(tasks, people)
      expect(minutes).toBeGreaterThanOrEqual(shortest)
      expect(minutes).toBeLessThanOrEqual((2 - 1 / people) * shortest + 9)
      const length = critical.reduce((sum, id) => sum + (tasks.find((item) => item.id === id)?.minutes.likely ?? 0), 0)
      expect(length).toBe(minutes)
    }
  })

  test('a wait runs beside the work of one person', () => {
    const { minutes, critical } = scheduleTasks(
      [task('off', 5), task('cool', 30, ['off'], 0), task('seat', 10, ['off']), task('pipe', 5, ['cool'])],
      1,
    )
    expect(minutes).toBe(40)
    expect(critical).toEqual(['off', 'cool', 'pipe'])
  })

  test('two people halve what does not wait for each other', () => {
    const tasks = [task('left', 10), task('right', 10)]
    expect(scheduleTasks(tasks, 1).minutes).toBe(20)
    expect(scheduleTasks(tasks, 2).minutes).toBe(10)
  })

  test('a ring and an unknown task are named', () => {
    expect(() => scheduleTasks([task('a', 1, ['b']), task('b', 1, ['a'])], 1)).toThrow(
      '"a" waits, in a ring, for itself',
    )
    expect(() => scheduleTasks([task('a', 1, ['x'])], 1)).toThrow('"a" waits for "x", which is no task')
  })
})

describe('how long', () => {
  const tank: Minutes = { best: 10, likely: 18, worst: 35 }

  test('times drawn lie within their points and have the expected mean', () => {
    const random = seededRandom(7)
    const drawn = Array.from({ length: 20_000 }, () => drawMinutes(tank, random))
    expect(Math.min(...drawn)).toBeGreaterThanOrEqual(10)
    expect(Math.max(...drawn)).toBeLessThanOrEqual(35)
    expect(drawn.reduce((a, b) => a + b) / drawn.length).toBeCloseTo(expectedMinutes(tank), 1)
  })

  test('the same seed gives the same day, P90 is above P50, fixed times have no spread', () => {
    const tasks: Task[] = [
      { id: 'a', minutes: tank, after: [], hands: 1 },
      { id: 'b', minutes: tank, after: ['a'], hands: 1 },
    ]
    const spread = simulateMinutes(tasks, 1)
    expect(simulateMinutes(tasks, 1)).toEqual(spread)
    expect(spread.p90).toBeGreaterThan(spread.p50)
    expect(simulateMinutes([task('a', 5), task('w', 20, [], 0)], 1)).toEqual({ p50: 20, p90: 20 })
    expect(simulateMinutes([], 2)).toEqual({ p50: 0, p90: 0 })
  })

  test('one person without waits: the quick sum equals the schedule', () => {
    const tasks = randomTasks(4, 6).map((item) => ({ ...item, hands: 1 as const }))
    const slow = simulateMinutes([...tasks, task('w', 0, [], 0)], 1)
    expect(simulateMinutes(tasks, 1).p50).toBeCloseTo(slow.p50, 9)
  })
})

describe('what finished jobs teach', () => {
  const prior: Minutes = { best: 10, likely: 18, worst: 35 }

  test('the worked example', () => {
    const learnt = learnMinutes(prior, [12, 14, 13])
    expect(learnt.n).toBe(3)
    expect(learnt.likely).toBeCloseTo(15.4, 0)
    expect(learnt.best).toBeLessThan(learnt.likely)
    expect(learnt.worst).toBeGreaterThan(learnt.likely)
  })

  test('nothing measured leaves the figures as they are', () => {
    expect(learnMinutes(prior, [])).toMatchObject({ ...prior, n: 0 })
    expect(learnMinutes(prior, [0, -3])).toMatchObject({ n: 0 })
  })

  test('many measurements win over the dossier and narrow the spread', () => {
    const few = learnMinutes(prior, [8, 9])
    const many = learnMinutes(
      prior,
      Array.from({ length: 60 }, (_, i) => 8 + (i % 3)),
    )
    expect(many.likely).toBeGreaterThan(8)
    expect(many.likely).toBeLessThan(9.5)
    expect(many.spreadFactor).toBeLessThan(few.spreadFactor)
  })

  test('one figure is enough', () => {
    const learnt = learnMinutes(flat(10), [12])
    expect(learnt.likely).toBeGreaterThan(10)
    expect(learnt.likely).toBeLessThan(12)
    expect(Number.isFinite(learnt.worst)).toBe(true)
  })
})
