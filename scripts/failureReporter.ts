import { appendFileSync } from 'node:fs'
import type { Reporter, SerializedError, TestModule } from 'vitest/node'

/** Where what failed is written down, a line each, for the end of the whole run. */
export const failuresFile = '.cache/reports/failures.txt'

/** Writes down what failed by name, and errors that belong to no test: counts alone do not say which. */
export default class FailureReporter implements Reporter {
  onTestRunEnd(modules: readonly TestModule[], errors: readonly SerializedError[]): void {
    const lines = modules.flatMap((module) => [
      ...module.errors().map((error) => `${module.relativeModuleId}: ${error.message}`),
      ...[...module.children.allTests('failed')].map(
        (test) => `${module.relativeModuleId} › ${test.fullName}: ${test.result().errors?.[0]?.message ?? ''}`,
      ),
    ])
    const loose = errors.map((error) => `outside any test: ${error.stack ?? error.message}`)
    appendFileSync(failuresFile, [...lines, ...loose].map((line) => `${line}\n`).join(''))
  }
}
