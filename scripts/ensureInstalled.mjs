// Installs what a fresh clone lacks: the packages of the lockfile, and, with --browser, Debian's Chromium. The tools that no start and no
// test needs come with --tools alone. With --if-none packages are left as they are where there are any: a prompt beside a running server
// must not pull them away from under it.
import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

process.chdir(fileURLToPath(new URL('..', import.meta.url)))
const asked = (flag) => process.argv.includes(flag)

/** Runs a command to its end. */
const run = (command) =>
  new Promise((done, failed) => {
    spawn(command, { stdio: 'inherit', shell: true })
      .once('error', failed)
      .once('close', (code) => (code === 0 ? done() : failed(new Error(`${command} ended with ${code}`))))
  })

const mark = 'node_modules/.tidy-badger-lock'
const lock = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex')
/** What there may be; the first is installed where there is none of them. */
const enough = asked('--tools') ? [`${lock} with tools`] : [lock, `${lock} with tools`]
const lacking = () => !existsSync(mark) || (!asked('--if-none') && !enough.includes(readFileSync(mark, 'utf8')))

async function packages() {
  if (!lacking()) return
  console.log('Installing packages…')
  const { workspaces } = JSON.parse(readFileSync('package.json', 'utf8'))
  const wanted = workspaces.filter((name) => name !== 'tools').map((name) => `--workspace=${name}`)
  const some = asked('--tools') ? '' : `--include-workspace-root ${wanted.join(' ')}`
  await run(`npm ci --no-audit --no-fund --loglevel=error ${some}`)
  mkdirSync('node_modules', { recursive: true })
  writeFileSync(mark, enough[0])
}

// The build without windows is the quicker one; where it cannot be had, the other does.
const browsers = ['chromium-headless-shell', 'chromium']
const there = (name) => existsSync(`/usr/bin/${name}`)

async function browser() {
  if (!asked('--browser') || there(browsers[0])) return
  console.log('Installing Chromium…')
  const installs = (name) =>
    run(`apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq ${name} > /dev/null`)
  try {
    await installs(browsers[0])
  } catch (error) {
    if (!there(browsers[1])) await installs(browsers[1])
    else console.log(`Going on with ${browsers[1]}: ${error.message}`)
  }
}

// One waits for the network while the other writes.
await Promise.all([packages(), browser()])
