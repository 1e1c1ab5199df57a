import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

/** Tests of pages first, then all others: a thread that changes its world, from a window to none, loads everything anew. */
class PagesFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files)
    const ofPages = (file: TestSpecification) => file.moduleId.endsWith('.tsx')
    return [...sorted.filter(ofPages), ...sorted.filter((file) => !ofPages(file))]
  }
}

export default defineConfig({
  oxc: { jsx: { runtime: 'automatic', importSource: '#figures' } },
  test: {
    include: ['packages/*/src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts'],
    globalSetup: ['packages/server/src/testStore.ts'],
    setupFiles: ['packages/core/src/planning/inTests.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    maxWorkers: 2,
    sequence: { sequencer: PagesFirst },
    // Files share what they load; each opens a store, a folder or a page of its own.
    isolate: false,
  },
})
