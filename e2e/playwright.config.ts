import { defineConfig } from '@playwright/test'
import { launchOptions } from './support/browser.ts'

export default defineConfig({
  testDir: '.',
  outputDir: '../.cache/e2e',
  timeout: 400_000,
  expect: { timeout: 60_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  retries: 0,
  reporter: [['list'], ['json']],
  globalSetup: './support/demoYard.ts',
  use: {
    // Kept for offline use by a journey that says so: otherwise every page would fetch the whole app behind its first view.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    // What moves is drawn without a graphics card here, frame by frame, while the next test waits.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions,
    actionTimeout: 60_000,
  },
})
