import { defineRules, fix, stop } from '../findings/index.ts'

/** What may be wrong with feed and ground. */
export const supplyRules = defineRules({
  'feed-test': stop('A feed fell too far under load when it was measured.'),
  'fuse-over-wire': stop('The fuse of a feed is larger than its wire can carry.'),
  'fuse-under-load': fix('The fuse of a feed is smaller than its load wants.'),
  'shared-feed': fix('Several kits together are more than the relay, fuse or wire they share carries.'),
  'ground-drop': fix('A ground drops too much under load.'),
  'feed-drop': fix('The supply or the ground of the kit drops too much by the figures.'),
})
export type SupplyRule = keyof typeof supplyRules
