/** Jobs that were thrown away can be brought back for so long, ms. */
export const deletedJobsLiveMs = 30 * 24 * 3_600_000
/** Entries a job may have. */
export const mostEntries = 50_000
/** Entries sent back with a conflict; the rest is counted. */
export const mostSince = 200
