import { jobMeter } from '@tidy-badger/core/jobs'
import { expose } from 'comlink'

const api = { figures: (...asked: Parameters<typeof jobMeter>) => jobMeter(...asked).figures }
export type MeterApi = typeof api

expose(api)
