import { defineRules } from '../findings/index.ts'

/** What may be wrong with the way of the loom and the place of the module. */
export const routeRules = defineRules({
  'lead-never': { severity: 'stop', liftable: true, means: 'A lead that must not be lengthened does not reach.' },
  'short-at-lock': { severity: 'stop', liftable: true, means: 'A branch is short at a stop of the steering.' },
  'route-barred': { severity: 'stop', liftable: true, means: 'The loom lies where nothing may lie.' },
  'lead-short': { severity: 'fix', liftable: true, means: 'A branch is short.' },
  'route-hot': { severity: 'fix', liftable: true, means: 'A branch lies too near to something hot.' },
  'route-hazard': {
    severity: 'fix',
    liftable: true,
    means: 'A branch lies where it would chafe, be pinched or be wetted.',
  },
  'route-gap': { severity: 'fix', liftable: true, means: 'The passages a branch lies in do not follow each other.' },
  'bundle-over': { severity: 'fix', liftable: true, means: 'The bundle in a passage is thicker than there is room.' },
  'loom-untied': { severity: 'fix', liftable: true, means: 'A passage in which the loom lies has no tie.' },
  'module-elsewhere': {
    severity: 'fix',
    liftable: true,
    means: 'The module is at another place than it is to go to since that was decided.',
  },
  'place-unfit': {
    severity: 'fix',
    liftable: true,
    means: 'The place of the module does not suit it, or the loom cannot be laid from there.',
  },
  'route-differs': { severity: 'note', liftable: true, means: 'A branch lies another way than planned.' },
})
export type RouteRule = keyof typeof routeRules
