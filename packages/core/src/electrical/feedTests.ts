import { inSentence, type Machine, type NetId } from '../dossiers/index.ts'

export const feedTests = ['live', 'dead', 'cranking', 'steady'] as const
export type FeedTest = (typeof feedTests)[number]

/** One of the four tests a switched feed has to pass before anything is joined to it. */
export interface FeedCard {
  /** `feed.<net>.<test>` */
  id: string
  test: FeedTest
  net: NetId
  title: string
  do: string
  state: string
  unit: 'V' | 'V AC'
  low: number
  high: number
  why: string
  /** What it is when it fails, and what to do. */
  fails: string
}

/** The four tests of a circuit as cards, black lead on battery negative. */
export function feedCards(machine: Machine, net: { id: NetId; name: string }): FeedCard[] {
  const wait = machine.power?.sleepMinutes
  const card = (test: FeedTest, rest: Omit<FeedCard, 'id' | 'test' | 'net'>): FeedCard => ({
    id: `feed.${net.id}.${test}`,
    test,
    net: net.id,
    ...rest,
  })
  return [
    card('live', {
      title: 'Live with the key',
      do: `Back-probe ${inSentence(net.name)}, black lead on battery negative, key on.`,
      state: 'key on, engine stopped',
      unit: 'V',
      low: 11.8,
      high: 14.8,
      why: 'The module has to wake with the machine.',
      fails: 'Not a feed with the key on. Choose another circuit.',
    }),
    card('dead', {
      title: 'Dead after',
      do: `Key off, wait ${wait === undefined ? 'until the control units sleep' : wait < 1 ? 'half a minute' : `${wait} min`}, read again.`,
      state: 'key off, asleep',
      unit: 'V',
      low: -0.05,
      high: 0.5,
      why: 'What stays live flattens the battery.',
      fails: 'Still live: this circuit would keep the module awake. Take another, or a relay on one that dies.',
    }),
    card('cranking', {
      title: 'Holds while cranking',
      do: 'Read the lowest figure while the starter turns.',
      state: 'cranking',
      unit: 'V',
      low: 8.5,
      high: 13,
      why: 'A feed that is switched off for the starter lets the module start anew with every start.',
      fails: 'Drops out while cranking. Take a circuit that stays on, as the injector feed does.',
    }),
    card('steady', {
      title: 'Steady, not pulsed',
      do: 'Alternating volts, engine idling, lamps on.',
      state: 'idling',
      unit: 'V AC',
      low: 0,
      high: 0.3,
      why: 'A dimmed or watched output pulses: the module browns out, the output reports a fault.',
      fails: 'It pulses: electronically driven. No tap and no relay coil here.',
    }),
  ]
}

export interface FeedVerdict {
  good: boolean
  says: string
}

/** Whether a reading passes its test. */
export function judgeFeed(card: FeedCard, value: number): FeedVerdict {
  if (!Number.isFinite(value)) return { good: false, says: `Type what the meter shows, in ${card.unit}.` }
  const good = value >= card.low && value <= card.high
  return { good, says: good ? `${value} ${card.unit}: passes.` : `${value} ${card.unit}: ${card.fails}` }
}

/** A card by its id; null where it is none of these. */
export function feedCardOf(machine: Machine, id: string): FeedCard | null {
  const [kind, netId] = id.split('.')
  const net = kind === 'feed' ? machine.nets.find((item) => item.id === netId) : undefined
  return net ? (feedCards(machine, net).find((card) => card.id === id) ?? null) : null
}
