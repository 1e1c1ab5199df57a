// Runs every check and every test, goes on after a failure, and ends with one line that counts them all.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { failuresFile } from './failureReporter.ts'

process.chdir(fileURLToPath(new URL('..', import.meta.url)))
const reports = '.cache/reports'
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports, { recursive: true })

let passed = 0
let failed = 0

function run(name: string, command: string, args: string[], env: Record<string, string> = {}): boolean {
  console.log(`\n== ${name}`)
  const started = Date.now()
  const { status } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
  console.log(`== ${name}: ${status === 0 ? 'ok' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(0)} s`)
  return status === 0
}

/** One check, told whole when it is over, so that two can run side by side. */
function check(name: string): Promise<void> {
  const started = Date.now()
  const said: Buffer[] = []
  const child = spawn('npm', ['run', '--silent', name], { stdio: ['ignore', 'pipe', 'pipe'] })
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece: Buffer) => said.push(piece))
  return new Promise((done) => {
    child.on('close', (status) => {
      if (status === 0) passed++
      else failed++
      const end = `${status === 0 ? 'ok' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(0)} s`
      console.log(`\n== ${name}\n${Buffer.concat(said).toString()}== ${name}: ${end}`)
      done()
    })
  })
}

async function inTurn(names: readonly string[]): Promise<void> {
  for (const name of names) await check(name)
}

/** Adds the counts of a report; a run without one, or one that failed without a failed test, is a failure of its own. */
function count(ok: boolean, read: () => { passed: number; failed: number }): void {
  try {
    const counts = read()
    passed += counts.passed
    failed += counts.failed
    if (counts.passed + counts.failed === 0 || (!ok && counts.failed === 0)) failed++
  } catch (error) {
    console.error(error)
    failed++
  }
}

await Promise.all([
  inTurn(['check:types']),
  inTurn(['check:format', 'check:rules', 'check:dossiers', 'build', 'check:bundle']),
])
// These two plant violations beside the sources, and see what stands there.
await inTurn(['check:lint', 'check:deps'])

const unit = run('unit and server', 'npx', [
  'vitest',
  'run',
  '--reporter=dot',
  '--reporter=json',
  '--reporter=./scripts/failureReporter.ts',
  `--outputFile.json=${reports}/unit.json`,
])
count(unit, () => {
  const report = JSON.parse(readFileSync(`${reports}/unit.json`, 'utf8'))
  return {
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numFailedTestSuites * Number(report.numFailedTests === 0),
  }
})

const browser = run('end to end', 'npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: `${process.cwd()}/${reports}/e2e.json`,
})
count(browser, () => {
  const { stats } = JSON.parse(readFileSync(`${reports}/e2e.json`, 'utf8'))
  return { passed: stats.expected, failed: stats.unexpected + stats.flaky }
})

if (existsSync(failuresFile)) console.log(`\n${readFileSync(failuresFile, 'utf8')}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
