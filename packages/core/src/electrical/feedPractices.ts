/** How a shop takes switched power. */
export const feedPractices = ['relay on the lamp circuit', 'lamp circuit directly'] as const
export type FeedPractice = (typeof feedPractices)[number]

export const feedReasons: Record<FeedPractice, string> = {
  'relay on the lamp circuit':
    'The lamp wire only pulls the coil; the load comes from the battery through its own fuse.',
  'lamp circuit directly': 'Small loads only: one joint less, but the lamp wire carries it.',
}
