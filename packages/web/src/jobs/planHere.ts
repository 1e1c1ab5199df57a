// Fetched once the first page stands, and at once where no thread can be started: the same, worked out on the screen's own.
export { learntTimes, wholeDay } from '@tidy-badger/core/jobs'
export { startPlanning } from '@tidy-badger/core/planning'
