import { defineRules } from '../findings/index.ts'

/** What may be wrong with what was measured. */
export const workRules = defineRules({
  'reading-stop': {
    severity: 'stop',
    liftable: true,
    means: 'A reading of a step is out of its range, and nothing may go on before it is right.',
  },
  'proof-failed': { severity: 'stop', liftable: false, means: 'A proof of safety failed; it is never lifted.' },
  'reading-off': { severity: 'fix', liftable: true, means: 'A reading is out of the range it should be in.' },
  'reading-note': {
    severity: 'note',
    liftable: true,
    means: 'A reading of a step is out of its range, which is worth knowing.',
  },
})
export type WorkRule = keyof typeof workRules
