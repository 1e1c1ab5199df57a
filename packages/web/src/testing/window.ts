import { builtinEnvironments, type EnvironmentReturn } from 'vitest/runtime'
import { afterAll, expect, vi } from 'vitest'

/*
 * A window for tests of pages (`.tsx`), none for all others, in one and the same thread: a thread that is told to change its world is ended, and
 * its successor loads everything anew. Tests of pages come first, so a thread's window comes and goes once.
 */

declare global {
  /** The window of this thread's tests, where they have one. */
  var testWindow: EnvironmentReturn | undefined
}

const ofPages = expect.getState().testPath?.endsWith('.tsx') === true
if (ofPages) globalThis.testWindow ??= await builtinEnvironments['happy-dom'].setup(globalThis, {})
else if (globalThis.testWindow) {
  await globalThis.testWindow.teardown(globalThis)
  globalThis.testWindow = undefined
}

/*
 * What is still being read in when a file ends is refused, and is refused to every later file of its thread: a part would say for good that it
 * is not on this device. So what pages fetch afterwards comes to its end first, once in a thread.
 */
afterAll(async () => {
  if (ofPages) await (await import('../ui/afterwards.ts')).afterwards
  await vi.dynamicImportSettled()
})
