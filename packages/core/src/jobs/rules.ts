import { defineRules, fix, neverLifted, note, stop } from '../findings/index.ts'

/** What may be wrong with what was measured. */
export const workRules = defineRules({
  'reading-stop': stop('A reading of a step is out of its range, and nothing may go on before it is right.'),
  'proof-failed': neverLifted('A proof of safety failed; it is never lifted.'),
  'reading-off': fix('A reading is out of the range it should be in.'),
  'reading-note': note('A reading of a step is out of its range, which is worth knowing.'),
})
export type WorkRule = keyof typeof workRules
