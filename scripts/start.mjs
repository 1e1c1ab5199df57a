// Starts the server; with --demo, with the demo yard.
import './ensureBuilt.mjs'

if (process.argv.includes('--demo')) {
  console.log('Starting Tidy Badger with the demo yard. The first start simulates its rides and takes some seconds.')
  process.env.TIDY_BADGER_DEMO = '1'
  process.env.LOG_LEVEL ??= 'warn'
}
await import('../packages/server/dist/main.js')
