import { isDiesel } from '../dossiers/index.ts'

/** Monitors of an engine's own tests, with the drive that sets each. General practice; the maker's data come first. */
export const monitorDrives = {
  misfire: { name: 'Misfire', minutes: 5, drive: 'five minutes at idle and light throttle, warm' },
  'fuel system': { name: 'Fuel system', minutes: 10, drive: 'ten minutes warm, closed loop' },
  components: { name: 'Components', minutes: 5, drive: 'key on, start, five minutes' },
  catalyst: { name: 'Catalyst', minutes: 15, drive: 'fifteen minutes at a steady 70 to 90 km/h' },
  'oxygen sensor': { name: 'Oxygen sensor', minutes: 10, drive: 'ten minutes at 50 to 70 km/h, with overrun' },
  'oxygen sensor heater': {
    name: 'Oxygen sensor heater',
    minutes: 3,
    drive: 'a cold start and three minutes of idle',
  },
  evaporation: {
    name: 'Tank breathing',
    minutes: 20,
    drive: 'a cold start after eight hours, tank between a quarter and three quarters, twenty minutes',
  },
  'exhaust recirculation': {
    name: 'Exhaust recirculation',
    minutes: 10,
    drive: 'ten minutes at 60 to 80 km/h with overrun',
  },
  boost: { name: 'Boost', minutes: 5, drive: 'three full pulls in a middle gear, warm' },
  'particulate filter': {
    name: 'Particulate filter',
    minutes: 30,
    drive: 'half an hour at 80 km/h, no regeneration running',
  },
  'nitrogen catalyst': {
    name: 'Nitrogen catalyst',
    minutes: 30,
    drive: 'half an hour of load, additive in its tank',
  },
} as const
export type MonitorId = keyof typeof monitorDrives
export const monitorIds: readonly MonitorId[] = [
  ...(['misfire', 'fuel system', 'components', 'catalyst', 'oxygen sensor', 'oxygen sensor heater'] as const),
  ...(['evaporation', 'exhaust recirculation', 'boost', 'particulate filter', 'nitrogen catalyst'] as const),
]

/** What an engine of this kind tests. */
export function monitorsOf({ engine }: { engine: { fuel: string } }): MonitorId[] {
  const diesel = isDiesel(engine)
  return monitorIds.filter((id) =>
    diesel
      ? !['catalyst', 'oxygen sensor', 'oxygen sensor heater', 'evaporation'].includes(id)
      : !['boost', 'particulate filter', 'nitrogen catalyst'].includes(id),
  )
}

export interface Readiness {
  done: MonitorId[]
  open: { id: MonitorId; name: string; drive: string; minutes: number }[]
  /** Monitors that run together are driven together: the longest counts. */
  minutes: number
  /** An emission test makes sense today. */
  test: 'yes' | 'not yet' | 'no'
  says: string
}

/** How many may be open at an emission test; local law decides. */
export const openAtTest = 1

/**
 * What is done, what is open and the drive that sets it, and whether an emission test makes sense today.
 * @param codes stored now: with one no test makes sense
 */
export function readinessOf(monitors: readonly { id: MonitorId; done: boolean }[], codes: number): Readiness {
  const done = monitors.filter((one) => one.done).map(({ id }) => id)
  const open = monitors.flatMap((one) => (one.done ? [] : [{ id: one.id, ...monitorDrives[one.id] }]))
  const minutes = open.reduce((most, one) => Math.max(most, one.minutes), 0)
  const test = monitors.length === 0 || codes > 0 ? 'no' : open.length > openAtTest ? 'not yet' : 'yes'
  return {
    ...{
      done,
      open: open.map(({ id, name, drive, minutes: of }) => ({ id, name, drive, minutes: of })),
      minutes,
      test,
    },
    says:
      codes > 0
        ? `${codes} ${codes === 1 ? 'code is' : 'codes are'} stored: no test until they are mended.`
        : monitors.length === 0
          ? 'No monitor was read.'
          : test === 'yes'
            ? open.length === 0
              ? 'All are done: a test makes sense.'
              : `${open.map(({ name }) => name).join(', ')} is open: most tests take one; ask before.`
            : `${open.length} are open: drive first, about ${minutes} min.`,
  }
}
