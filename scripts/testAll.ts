// Runs every check and every test, goes on after a failure, and ends with one line that counts them all.
import { spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

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

function check(name: string): void {
  if (run(name, 'npm', ['run', '--silent', name])) passed++
  else failed++
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

for (const name of ['check:format', 'check:lint', 'check:types', 'check:deps', 'check:rules', 'build']) check(name)

const unit = run('unit and server', 'npx', [
  'vitest',
  'run',
  '--reporter=dot',
  '--reporter=json',
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

console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
