import type { z } from 'zod'

/** The zod shape that describes exactly `T`: a missing, extra, wrong or wrongly required field fails to compile. */
export type ShapeOf<T> = { [K in keyof T]-?: z.core.$ZodType<T[K]> }
