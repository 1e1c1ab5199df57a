import {
  wireAt,
  inSentence,
  isJoined,
  joinedId,
  machineIndex,
  memberOf,
  studRole,
  wireName,
  type ConnectorId,
  type InlinePair,
  type Kit,
  type KitEnd,
  type KitEndId,
  type KitId,
  type KitMember,
  type Machine,
  type MeterReading,
  type Net,
  type StudId,
  type NetId,
} from '../dossiers/index.ts'
import { joinedPlace } from './memberWiring.ts'
import type { ConnectionTarget, FindingPlace } from './model.ts'
import type { Match } from './proposeMatches.ts'
import { barredFromMeter, expectedReadings, restingV } from './readings.ts'

/** Find with power on, join with power off, prove with power on. */
export const meterPhases = ['find', 'join', 'prove'] as const
export type MeterPhase = (typeof meterPhases)[number]

/** Where a lead of the meter is held: the loom's side of a cavity, a stud, a lead of the kit, or bare metal. */
export type MeterPlace =
  | { connector: ConnectorId; cavity: number }
  | { stud: StudId }
  | { kitEnd: KitEndId; kit?: KitId }
  | { bare: 'metal' }

/** One measurement: where the leads go, how the meter stands, what it should read. */
export interface MeterCard {
  id: string
  kitEnd: KitEndId
  phase: MeterPhase
  /** The battery must be on, or off, for this card. */
  power: 'on' | 'off'
  state: MeterReading['state']
  about: FindingPlace
  net: string
  /** What to do, in one or two sentences. */
  says: string
  redLead: string
  blackLead: string
  red: MeterPlace
  black: MeterPlace
  range: string
  expect: MeterReading
  /** Never measured, and why; the card shows this instead. */
  barred?: string
}

/**
 * Every measurement that goes with an end, in working order.
 * @param match where the end belongs, or was put
 */
export function meterCards(machine: Machine, kit: Kit, end: KitEnd, match: Match | undefined): MeterCard[] {
  const target = match?.target
  if (!target) return []
  const of = isJoined(kit) ? memberOf(kit, end.id) : null
  const own = of?.member.kit.ends.find(({ id }) => id === of.id)
  if (of && own)
    return meterCards(machine, of.member.kit, own, { ...match, kitEnd: own.id }).map((card) =>
      joinedCard(of.member, card),
    )
  if (end.type === 'flying-lead') return leadCards(machine, end, target)
  if (end.type === 'inline-pair') return pairCards(machine, end, target)
  if (end.type === 'ring' && 'stud' in target) return ringCards(machine, kit, end, target.stud)
  return []
}

/** A card of one of several kits, in the names of the whole job. */
function joinedCard(member: KitMember, card: MeterCard): MeterCard {
  const { key, kit } = member
  const place = (at: MeterPlace): MeterPlace =>
    'kitEnd' in at ? { kitEnd: joinedId(key, at.kitEnd), kit: kit.id } : at
  return {
    ...card,
    id: joinedId(key, card.id),
    kitEnd: joinedId(key, card.kitEnd),
    about: joinedPlace(member, card.about),
    red: place(card.red),
    black: place(card.black),
  }
}

/** Cards that may be measured in the present state of the battery. */
export function cardsAllowed(cards: readonly MeterCard[], power: 'on' | 'off'): MeterCard[] {
  return cards.filter((card) => card.power === power && card.barred === undefined)
}

interface Spot {
  end: KitEnd
  net: Net
  connector: ConnectorId
  cavity: number
}

function spotOf(machine: Machine, end: KitEnd, target: ConnectionTarget): Spot | null {
  if (!('connector' in target) || !('cavity' in target)) return null
  const index = machineIndex(machine)
  const wire = wireAt(machine, target.connector, target.cavity)
  const net = wire && index.nets.get(wire.net)
  return net ? { end, net, connector: target.connector, cavity: target.cavity } : null
}

function leadCards(
  machine: Machine,
  end: Extract<KitEnd, { type: 'flying-lead' }>,
  target: ConnectionTarget,
): MeterCard[] {
  const spot = spotOf(machine, end, target)
  if (!spot) return []
  const readings = expectedReadings(machine, spot.net)
  const live = readings.filter((reading) => reading.state !== 'battery off')
  const dead = readings.filter((reading) => reading.state === 'battery off')
  const nothing: MeterReading = { state: 'battery off', unit: 'V', low: 0, high: 0.1 }
  return [
    ...live.filter((reading) => reading.state !== 'idling').map((reading) => card(machine, spot, 'find', reading)),
    card(machine, spot, 'join', nothing),
    ...dead.map((reading) => card(machine, spot, 'join', reading)),
    ...live.map((reading) => card(machine, spot, 'prove', reading)),
  ]
}

function pairCards(machine: Machine, end: InlinePair, target: ConnectionTarget): MeterCard[] {
  if (!('connector' in target)) return []
  return end.lines.flatMap((line): MeterCard[] => {
    if (line.does === 'pass') return []
    const spot = spotOf(machine, end, { connector: target.connector, cavity: line.cavity })
    if (!spot) return []
    const readings = expectedReadings(machine, spot.net)
    if (barredFromMeter(spot.net))
      return line.does === 'interrupt'
        ? [card(machine, spot, 'prove', { state: 'idling', unit: 'V', low: 0, high: 0 })]
        : []
    return readings
      .filter((reading) => reading.state !== 'key off')
      .map((reading) => card(machine, spot, reading.state === 'battery off' ? 'join' : 'prove', reading))
  })
}

function ringCards(machine: Machine, kit: Kit, end: Extract<KitEnd, { type: 'ring' }>, studId: StudId): MeterCard[] {
  const index = machineIndex(machine)
  const stud = index.studs.get(studId)
  const net = stud && index.nets.get(stud.net)
  if (!stud || !net) return []
  const feed = net.signal.startsWith('supply')
  const negative = batteryNegative(machine)
  const make = (phase: MeterPhase, expect: MeterReading, says: string): MeterCard => ({
    id: cardId(end.id, phase, studId, expect),
    kitEnd: end.id,
    phase,
    power: expect.state === 'battery off' ? 'off' : 'on',
    state: expect.state,
    about: { kitEnd: end.id, stud: studId },
    net: net.name,
    says,
    redLead: feed ? stud.name : `the eye of ${inSentence(end.name)}`,
    blackLead: expect.state === 'battery off' ? bareMetal.words : inSentence(negative.words),
    red: feed ? { stud: studId } : { kitEnd: end.id },
    black: expect.state === 'battery off' ? bareMetal.place : negative.place,
    range: rangeOf(expect),
    expect,
  })
  // A battery's own post is never without volts: the check belongs where the lead is cut off from it.
  const post = studRole(machine, stud).startsWith('battery')
  const off = post
    ? []
    : [
        make(
          'join',
          { state: 'battery off', unit: 'V', low: 0, high: 0.1 },
          `Nothing may be live at ${inSentence(stud.name)} before the nut comes off.`,
        ),
      ]
  const [low, high] = restingV(machine)
  if (feed)
    return [
      ...off,
      make(
        'prove',
        { state: 'key off', unit: 'V', low, high },
        `Fuse in: the feed of ${kit.module.name} reads battery voltage.`,
      ),
    ]
  return [
    ...off,
    make(
      'prove',
      { state: 'idling', unit: 'V', low: 0, high: 0.1 },
      'Engine idling, lamps on: the drop between the eye and the battery shows how good the ground is.',
    ),
  ]
}

const phaseWords: Record<MeterPhase, string> = {
  find: 'Back-probe it from the wire side, the plug stays on.',
  join: 'Make sure that nothing is live before anything is cut or pierced.',
  prove: 'Back-probe it once more, now that it is joined.',
}

const stateWords: Record<MeterReading['state'], string> = {
  'battery off': 'Battery off.',
  'key off': 'Key off, battery on.',
  'key on': 'Key on, engine standing, throttle let go.',
  'key on, fully open': 'Key on, engine standing, throttle fully open.',
  cranking: 'While the starter turns the engine.',
  idling: 'Engine idling.',
}

function card(
  machine: Machine,
  { end, net, connector, cavity }: Spot,
  phase: MeterPhase,
  expect: MeterReading,
): MeterCard {
  const index = machineIndex(machine)
  const wire = wireAt(machine, connector, cavity)
  const plug = index.connectors.get(connector)
  const barred = barredFromMeter(net)
  const power = expect.state === 'battery off' ? 'off' : 'on'
  const black = blackLeadFor(machine, net, connector, cavity, expect)
  return {
    id: cardId(end.id, phase, `${connector}-${cavity}`, expect),
    kitEnd: end.id,
    phase,
    power,
    state: expect.state,
    about: { kitEnd: end.id, connector, cavity },
    net: net.name,
    says: `${stateWords[expect.state]} ${expect.unit === 'ohm' ? 'Measure across the bus, both control units plugged in.' : phaseWords[phase]}`,
    redLead: `${plug?.name ?? connector}, cavity ${cavity}${wire ? `, ${wireName(wire.colour)}` : ''}`,
    blackLead: black.words,
    red: { connector, cavity },
    black: black.place,
    range: rangeOf(expect),
    expect,
    ...(barred ? { barred } : {}),
  }
}

function cardId(kitEnd: KitEndId, phase: MeterPhase, place: string, expect: MeterReading): string {
  return [kitEnd, phase, place, expect.state, expect.unit]
    .join('.')
    .replaceAll(/[^a-z0-9.-]+/gi, '-')
    .toLowerCase()
    .slice(0, 100)
}

interface Held {
  place: MeterPlace
  words: string
}

/** The post itself, or the stud that stands for it. */
function batteryNegative(machine: Machine): Held {
  const { nets } = machineIndex(machine)
  const grounds = machine.studs.filter((item) => nets.get(item.net)?.signal === 'power-ground')
  const post = grounds.find((stud) => machine.batteries?.includes(stud.id)) ?? grounds.at(0)
  return post ? { place: { stud: post.id }, words: post.name } : { place: { bare: 'metal' }, words: 'battery negative' }
}

/** With the battery off its negative lead hangs free: a dead-check is made against the machine itself. */
const bareMetal: Held = { place: { bare: 'metal' }, words: 'bare metal of engine or frame' }

/** The black lead goes where the signal is measured against: bare metal for a dead-check, the other bus wire for its ohms, the sensor ground of the plug (of the same track), or the battery. */
function blackLeadFor(machine: Machine, net: Net, connector: ConnectorId, cavity: number, expect: MeterReading): Held {
  const index = machineIndex(machine)
  const others = (index.wiresOf.get(connector) ?? []).filter((item) => item.cavity !== cavity)
  /** The return of a pick-up carries its signal: no ground to measure against where there is a plain one. */
  const returns = (net: NetId) => (index.nets.get(net)?.role === 'ground' ? 0 : 1)
  const nearest = (signal: Net['signal']) =>
    others
      .filter(({ wire }) => index.nets.get(wire.net)?.signal === signal)
      .sort(
        (a, b) =>
          returns(a.wire.net) - returns(b.wire.net) || Math.abs(a.cavity - cavity) - Math.abs(b.cavity - cavity),
      )[0]
  const held = (reference: (typeof others)[number] | undefined): Held | null =>
    reference
      ? {
          place: { connector, cavity: reference.cavity },
          words: `cavity ${reference.cavity} of the same plug, ${wireName(reference.wire.colour)}`,
        }
      : null
  if (expect.unit === 'ohm')
    return (
      held(nearest(net.signal === 'bus-high' ? 'bus-low' : 'bus-high')) ?? {
        place: bareMetal.place,
        words: 'the other bus wire',
      }
    )
  if (expect.state === 'battery off') return bareMetal
  const sensor = net.signal === 'analogue-0-5' || net.signal === 'reference-5v'
  return (sensor ? held(nearest('sensor-ground')) : null) ?? { ...batteryNegative(machine), words: 'battery negative' }
}

function rangeOf(expect: MeterReading): string {
  switch (expect.unit) {
    case 'ohm':
      return '200 Ω'
    case 'V AC':
      return '20 V AC'
    case 'Hz':
      return 'Hz'
    case 'V':
      // What should be dead may be live: never the small range for that.
      return expect.high <= 0.2 && expect.state !== 'battery off' ? '2 V DC' : '20 V DC'
  }
}
