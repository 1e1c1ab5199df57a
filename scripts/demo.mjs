// Starts the server with the demo yard, in this process's place.
import { spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'

console.log('Starting Tidy Badger with the demo yard. The first start simulates its rides and takes some seconds.')
const child = spawn(process.execPath, ['--import', 'tsx', 'src/main.ts'], {
  cwd: fileURLToPath(new URL('../packages/server', import.meta.url)),
  env: { LOG_LEVEL: 'warn', ...process.env, TIDY_BADGER_DEMO: '1' },
  stdio: 'inherit',
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
child.on('exit', (code) => process.exit(code ?? 0))
