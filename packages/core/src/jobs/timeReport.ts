import { replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import { stations, type Station } from '../dossiers/index.ts'
import { expectedMinutes } from '../scheduling/index.ts'
import { jobTasks, type LearntTimes } from './jobTasks.ts'
import { measuredMinutes } from './measuredMinutes.ts'
import type { JournalEntry } from './model.ts'

export interface TimeRow {
  station: Station
  /** Expected hands-on minutes of its tasks. */
  plannedMin: number
  /** Minutes the journal shows, over all people. */
  takenMin: number
  /** Tasks of which the journal shows a time. */
  measured: number
  tasks: number
}

export interface TimeReport {
  rows: TimeRow[]
  people: { by: string; minutes: number }[]
  plannedMin: number
  takenMin: number
  /** Tasks that took longest against the plan, longest first. */
  slow: { name: string; plannedMin: number; takenMin: number }[]
}

/** Where the time of a job went, against what was planned. Waits count in neither. */
export function timeReport(
  dossiers: JobDossiers,
  entries: readonly JournalEntry[],
  learnt: LearntTimes = new Map(),
): TimeReport {
  const tasks = jobTasks(dossiers, replay(dossiers, entries), learnt).filter((task) => task.hands > 0)
  const measured = measuredMinutes(entries, dossiers)
  const takenOf = (key: string) =>
    measured.filter((item) => item.key === key).reduce((sum, item) => sum + item.minutes, 0)
  const rows = stations.flatMap((station): TimeRow[] => {
    const here = tasks.filter((task) => task.station === station)
    const ids = new Set(here.map((task) => task.id))
    const known = measured.filter(
      (item) => ids.has(item.key) || (item.station === station && !tasks.some((task) => task.id === item.key)),
    )
    if (here.length === 0 && known.length === 0) return []
    return [
      {
        station,
        plannedMin: here.reduce((sum, task) => sum + expectedMinutes(task.minutes), 0),
        takenMin: known.reduce((sum, item) => sum + item.minutes, 0),
        measured: known.length,
        tasks: here.length,
      },
    ]
  })
  const names = [...new Set(measured.map((item) => item.by))]
  return {
    rows,
    people: names.map((by) => ({
      by: by === '' ? 'nobody named' : by,
      minutes: measured.filter((item) => item.by === by).reduce((sum, item) => sum + item.minutes, 0),
    })),
    plannedMin: rows.reduce((sum, row) => sum + row.plannedMin, 0),
    takenMin: rows.reduce((sum, row) => sum + row.takenMin, 0),
    slow: tasks
      .map((task) => ({ name: task.words, plannedMin: expectedMinutes(task.minutes), takenMin: takenOf(task.id) }))
      .filter((item) => item.takenMin > item.plannedMin * 1.25)
      .sort((a, b) => b.takenMin - b.plannedMin - (a.takenMin - a.plannedMin))
      .slice(0, 5),
  }
}
