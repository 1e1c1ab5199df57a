import { defineRules, fix, neverLifted } from '../findings/index.ts'

/** What may be wrong with what was set up. */
export const setupRules = defineRules({
  'cylinders-wrong': fix('The number of cylinders that is set is not the machine’s.'),
  'setting-wrong': fix('A setting is not what machine, kits and wiring make it.'),
  'capture-failed': fix('A throttle was captured and the capture failed.'),
  'level-not-agreed': fix('Another level is left set than was agreed with the owner.'),
  'pedal-failed': neverLifted('A pedal module does not keep the relation of the two tracks; it is never lifted.'),
  'tyre-wrong': fix('The speed that is shown is off by the height of the wheels.'),
})
export type SetupRule = keyof typeof setupRules
