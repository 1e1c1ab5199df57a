import type { LaunchOptions } from '@playwright/test'

/** Debian's Chromium with nothing that looks for a network. */
export const launchOptions: LaunchOptions = {
  executablePath: '/usr/bin/chromium',
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
