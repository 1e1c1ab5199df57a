import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

/** What takes longest is begun first, so that no thread is left with it when the other has nothing more to do. */
const long = ['app/stations', 'jobs/compiledPlans', 'backup/backup', 'platform/upgrade', 'jobs/jobs', 'proving/proving']
const isLong = (file: TestSpecification) => long.some((name) => file.moduleId.includes(`/${name}.test.`))

/** Tests of pages first, then all others: what a page's own packages look for as they load is a window. */
class PagesFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const byUse = await super.sort(files)
    const sorted = [...byUse.filter(isLong), ...byUse.filter((file) => !isLong(file))]
    const ofPages = (file: TestSpecification) => file.moduleId.endsWith('.tsx')
    return [...sorted.filter(ofPages), ...sorted.filter((file) => !ofPages(file))]
  }
}

export default defineConfig({
  oxc: { jsx: { runtime: 'automatic', importSource: '#figures' } },
  test: {
    include: ['packages/*/src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts'],
    globalSetup: ['packages/server/src/testStore.ts'],
    setupFiles: ['packages/web/src/testing/window.ts', 'packages/core/src/planning/inTests.ts'],
    // Only what hangs runs out of it: a machine that is busy with other things takes ten times as long as one that is not.
    testTimeout: 240_000,
    hookTimeout: 240_000,
    maxWorkers: 2,
    // What is short-lived is swept up less often: an eighth of the time.
    execArgv: ['--min-semi-space-size=64', '--max-semi-space-size=128'],
    sequence: { sequencer: PagesFirst },
    // Files share what they load; each opens a store, a folder or a page of its own.
    isolate: false,
  },
})
