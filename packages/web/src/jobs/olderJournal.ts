export { upcastEntry, upcastStamped } from '@tidy-badger/core/jobs'
