import { defineRules, fix, neverLifted, stop } from '../findings/index.ts'

/** What may be wrong once it is woken. */
export const wakeRules = defineRules({
  'proved-bypassed': neverLifted('A module was proved to be bypassed: it reads nothing, or nothing answers it.'),
  'proved-crossed': stop('A channel answers on another cylinder than its own.'),
  'proved-sensor': fix('A module and an independent value differ by a fixed amount: a sensor or its scale.'),
  'not-proved': fix('Nobody has proved yet that a module has a hand on the engine.'),
  'start-failed': stop('The last start failed.'),
  'code-new': fix('A trouble code is there that was not before.'),
  'not-fit': fix('Something of the machine is to be mended before a claim, a level or a trim makes sense.'),
})
export type WakeRule = keyof typeof wakeRules
