import { parentPort } from 'node:worker_threads'
import { readLogBytes, suggestTrims, type LogReading, type TrimProblem } from '@tidy-badger/core/fuel-trim/compute'

export interface FitTask {
  csv: string
  reading: LogReading
  problem: TrimProblem
  stoichAfr: number
}

parentPort?.on('message', (task: FitTask) => {
  const log = readLogBytes(new TextEncoder().encode(task.csv), task.reading, task.stoichAfr)
  parentPort?.postMessage(log.ok ? { ok: true, value: suggestTrims(log.value.log, task.problem) } : log)
})
