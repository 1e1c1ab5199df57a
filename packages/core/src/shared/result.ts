/** One thing that is wrong: a stable code, the dotted path of the value, a sentence a fitter can act on. */
export interface Problem {
  code: string
  path: string
  message: string
  /** Where something was read from a file: 1-based line of it. */
  line?: number
  /** 1-based field of a CSV line, or sign of any other. */
  column?: number
  /** The file, where there are several. */
  file?: string
}

/** An outcome the caller is expected to handle; broken contracts throw instead. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

export function success<T>(value: T): Outcome<T> {
  return { ok: true, value }
}

export function failure<T>(...problems: Problem[]): Outcome<T> {
  return { ok: false, problems }
}
