import type { LaunchOptions } from '@playwright/test'
import { existsSync } from 'node:fs'

/** Debian builds Chromium without its windows too: the same pages, at less cost. */
const shell = '/usr/bin/chromium-headless-shell'

/** Debian's Chromium with nothing that looks for a network. */
export const launchOptions: LaunchOptions = {
  executablePath: existsSync(shell) ? shell : '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--disable-background-networking',
    '--no-first-run',
    '--disable-component-update',
    '--disable-sync',
  ],
}
