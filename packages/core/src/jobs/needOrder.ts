/** What a list of jobs knows of one. */
export interface Listable {
  /** RFC 3339. */
  createdAt: string
  finished: boolean
  stop: string | null
  /** Names of what the kit lacks. */
  missing: readonly string[]
}

const need = (job: Listable): number => (job.finished ? 3 : job.stop ? 0 : job.missing.length > 0 ? 1 : 2)

/** Jobs by when they were opened, the newest first. */
export function newestFirst(a: Pick<Listable, 'createdAt'>, b: Pick<Listable, 'createdAt'>): number {
  return Date.parse(b.createdAt) - Date.parse(a.createdAt)
}

/** Jobs in the order a hand is needed: stopped, waiting for parts, at work, handed back; the newest of each first. */
export function byNeed(a: Listable, b: Listable): number {
  return need(a) - need(b) || newestFirst(a, b)
}
