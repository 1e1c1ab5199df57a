/** One thing that is wrong: a stable code, the dotted path of the value, a sentence a fitter can act on. */
export interface Problem {
  code: string
  path: string
  message: string
  /** CSV only: 1-based line of the file. */
  line?: number
  /** CSV only: 1-based field within the line. */
  column?: number
}

/** An outcome the caller is expected to handle; broken contracts throw instead. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

export function success<T>(value: T): Outcome<T> {
  return { ok: true, value }
}

export function failure<T>(...problems: Problem[]): Outcome<T> {
  return { ok: false, problems }
}
