import { expect, test } from 'vitest'
import { byNeed, type Listable } from './needOrder.ts'

const at = (hour: number): string => new Date(Date.UTC(2026, 4, 1, hour)).toISOString()
const job = (hour: number, more: Partial<Listable> = {}): Listable => ({
  ...{ createdAt: at(hour), finished: false, stop: null, missing: [] },
  ...more,
})

test('a stop comes before what waits for parts, that before what runs, and what is handed back is last', () => {
  const stopped = job(1, { stop: 'The pair is open.', missing: ['Tap'] })
  const stoppedLater = job(2, { stop: 'Live.' })
  const waits = job(9, { missing: ['Tap'] })
  const works = job(11)
  const back = job(12, { finished: true, stop: 'Was open.', missing: ['Tap'] })
  const wanted = [stoppedLater, stopped, waits, works, back]
  for (let turn = 0; turn < wanted.length; turn++)
    expect([...wanted.slice(turn), ...wanted.slice(0, turn)].toSorted(byNeed)).toEqual(wanted)
})
