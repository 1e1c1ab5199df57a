import { defineConfig } from 'vitest/config'

export default defineConfig({
  oxc: { jsx: { runtime: 'automatic', importSource: '#figures' } },
  test: {
    include: ['packages/*/src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts'],
    globalSetup: ['packages/server/src/testStore.ts'],
    setupFiles: ['packages/core/src/planning/inTests.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    maxWorkers: 2,
    // Files share what they load; each opens a store, a folder or a page of its own.
    isolate: false,
  },
})
