import { defineRules } from '../findings/index.ts'

/** What may be wrong with feed and ground. */
export const supplyRules = defineRules({
  'feed-test': { severity: 'stop', liftable: true, means: 'A feed fell too far under load when it was measured.' },
  'fuse-over-wire': {
    severity: 'stop',
    liftable: true,
    means: 'The fuse of a feed is larger than its wire can carry.',
  },
  'ground-drop': { severity: 'fix', liftable: true, means: 'A ground drops too much under load.' },
  'feed-drop': {
    severity: 'fix',
    liftable: true,
    means: 'The supply or the ground of the kit drops too much by the figures.',
  },
})
export type SupplyRule = keyof typeof supplyRules
