// Runs every check and every test, goes on after a failure, and ends with one line that counts them all.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs'
import { freemem, tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { failuresFile } from './failureReporter.ts'

process.chdir(fileURLToPath(new URL('..', import.meta.url)))
const reports = '.cache/reports'
rmSync(reports, { recursive: true, force: true })
mkdirSync(reports, { recursive: true })

let passed = 0
let failed = 0

// Yards, stores and papers of tests are thousands of small files that live for seconds: where there is room they are kept in memory.
const memory = '/dev/shm'
const leastRoom = 4 * 1024 ** 3
const roomOf = ({ bavail, bsize }: { bavail: number; bsize: number }) => bavail * bsize
if (
  process.env.TMPDIR === undefined &&
  existsSync(memory) &&
  Math.min(roomOf(statfsSync(memory)), freemem() / 2) >= leastRoom
) {
  const own = mkdtempSync(join(memory, 'tidy-badger-tests-'))
  process.env.TMPDIR = own
  process.once('exit', () => rmSync(own, { recursive: true, force: true }))
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(1))
}

interface Run {
  args: readonly string[]
  env?: Record<string, string>
  /** Told as it goes, not whole when it is over. */
  aloud?: boolean
}

/** Runs something; what it says is told in one piece, so that two can run side by side. */
function run(name: string, command: string, { args, env = {}, aloud = false }: Run): Promise<boolean> {
  const started = Date.now()
  const said: Buffer[] = []
  if (aloud) console.log(`\n== ${name}`)
  const child = spawn(command, args, {
    stdio: aloud ? ['ignore', 'inherit', 'inherit'] : ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  })
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (piece: Buffer) => said.push(piece))
  return new Promise((done) => {
    child.on('close', (status) => {
      const end = `${status === 0 ? 'ok' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(0)} s`
      console.log(`${aloud ? '' : `\n== ${name}\n${Buffer.concat(said).toString()}`}== ${name}: ${end}`)
      done(status === 0)
    })
  })
}

/** The compiler and the linter are Go's: they end before sweeping would pay, a quarter of their time. Nearer to the limit they sweep. */
const unswept = { GOGC: 'off', GOMEMLIMIT: '3GiB' }

async function check(name: string): Promise<void> {
  if (await run(name, 'npm', { args: ['run', '--silent', name], env: unswept })) passed++
  else failed++
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
const yards = mkdtempSync(join(tmpdir(), 'tidy-badger-yards-'))

async function unitAndServer(): Promise<void> {
  const ok = await run('unit and server', 'npx', {
    args: [
      ...['vitest', 'run', '--reporter=dot', '--reporter=json', '--reporter=./scripts/failureReporter.ts'],
      `--outputFile.json=${reports}/unit.json`,
    ],
  })
  count(ok, () => {
    const report = JSON.parse(readFileSync(`${reports}/unit.json`, 'utf8'))
    return {
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numFailedTestSuites * Number(report.numFailedTests === 0),
    }
  })
}

async function endToEnd(): Promise<void> {
  const ok = await run('end to end', 'npx', {
    args: ['playwright', 'test', '-c', 'e2e/playwright.config.ts'],
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: `${process.cwd()}/${reports}/e2e.json`, TIDY_BADGER_YARDS: yards },
    aloud: true,
  })
  count(ok, () => {
    const { stats } = JSON.parse(readFileSync(`${reports}/e2e.json`, 'utf8'))
    return { passed: stats.expected, failed: stats.unexpected + stats.flaky }
  })
}

async function ofSources(): Promise<void> {
  // These two plant violations beside the sources, and see what stands there: nothing else reads sources meanwhile.
  await inTurn(['check:lint', 'check:deps'])
  await unitAndServer()
}

async function ofTheBuild(): Promise<void> {
  await run('yards to begin with', 'npx', { args: ['tsx', 'e2e/support/makeYards.ts', yards] })
  await endToEnd()
}

// Each waits now and then, for a server, for a page, for its last file: the other has the processors meanwhile.
await Promise.all([ofSources(), ofTheBuild()])
rmSync(yards, { recursive: true, force: true })

if (existsSync(failuresFile)) console.log(`\n${readFileSync(failuresFile, 'utf8')}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
