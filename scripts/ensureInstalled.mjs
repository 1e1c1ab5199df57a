// Installs what a fresh clone lacks: the packages of the lockfile, and, with --browser, Debian's Chromium. With --if-none packages are
// left as they are where there are any: a prompt beside a running server must not pull them away from under it.
import { execSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

process.chdir(fileURLToPath(new URL('..', import.meta.url)))
const run = (command) => execSync(command, { stdio: 'inherit' })

const mark = 'node_modules/.tidy-badger-lock'
const wanted = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex')
const lacking = () =>
  !existsSync(mark) || (!process.argv.includes('--if-none') && readFileSync(mark, 'utf8') !== wanted)
if (lacking()) {
  console.log('Installing packages…')
  run('npm ci --no-audit --no-fund --loglevel=error')
  mkdirSync('node_modules', { recursive: true })
  writeFileSync(mark, wanted)
}

// The build without windows is the quicker one; where it cannot be had, the other does.
const browsers = ['chromium-headless-shell', 'chromium']
const there = (name) => existsSync(`/usr/bin/${name}`)
if (process.argv.includes('--browser') && !there(browsers[0])) {
  console.log('Installing Chromium…')
  const installs = (name) =>
    run(`apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq ${name} > /dev/null`)
  try {
    installs(browsers[0])
  } catch (error) {
    if (!there(browsers[1])) installs(browsers[1])
    else console.log(`Going on with ${browsers[1]}: ${error.message}`)
  }
}
