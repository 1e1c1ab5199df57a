// A worker thread does not inherit the loader that reads TypeScript: it is registered here, then the work is loaded.
import { register } from 'tsx/esm/api'

register()
await import('./fitWorker.ts')
