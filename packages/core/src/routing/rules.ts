import { defineRules, fix, note, stop } from '../findings/index.ts'

/** What may be wrong with the way of the loom and the place of the module. */
export const routeRules = defineRules({
  'lead-never': stop('A lead that must not be lengthened does not reach.'),
  'short-at-lock': stop('A branch is short at a stop of the steering.'),
  'route-barred': stop('The loom lies where nothing may lie.'),
  'lead-short': fix('A branch is short.'),
  'route-hot': fix('A branch lies too near to something hot.'),
  'route-hazard': fix('A branch lies where it would chafe, be pinched or be wetted.'),
  'route-gap': fix('The passages a branch lies in do not follow each other.'),
  'bundle-over': fix('The bundle in a passage is thicker than there is room.'),
  'loom-untied': fix('A passage in which the loom lies has no tie.'),
  'module-elsewhere': fix('The module is at another place than it is to go to since that was decided.'),
  'place-unfit': fix('The place of the module does not suit it, or the loom cannot be laid from there.'),
  'route-differs': note('A branch lies another way than planned.'),
})
export type RouteRule = keyof typeof routeRules
