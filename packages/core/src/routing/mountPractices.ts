/** Where a shop likes its modules. */
export const mountPractices = ['reachable without tools', 'hidden from view', 'dash for tuning, stowed after'] as const
export type MountPractice = (typeof mountPractices)[number]

export const mountReasons: Record<MountPractice, string> = {
  'reachable without tools': 'The next one can look at the lamp and unplug it in a minute.',
  'hidden from view': 'What is not seen is not taken, and nothing pulls at it.',
  'dash for tuning, stowed after': 'Levels and lamp in view while the table is still being made.',
}
