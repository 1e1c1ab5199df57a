import {
  deviceRole,
  inSentence,
  machineIndex,
  studRole,
  type DeviceRole,
  type Kit,
  type Machine,
  type Net,
  type NetId,
  type SignalKind,
} from '../dossiers/index.ts'
import { caseWords, isStop, judgeFeed, relayCoilA, targetWords, type Match } from '../wiring/index.ts'
import { feedReasons, type FeedPractice } from './feedPractices.ts'
import { idleDrain } from './idleDrain.ts'
import { fuseWithinMm } from './chooseFuse.ts'
import { fuseOf } from './supplyLine.ts'
import { airAtEnd, netOfMatch, supplyOf } from './supplyOf.ts'
import { atLeast, atMost, type Verdict } from './verdict.ts'

export type FeedKind =
  | 'lamp tap'
  | 'switched circuit'
  | 'relay'
  | 'fused battery'
  | 'accessory socket'
  | 'starter stud'
  | 'from the injectors'
  | 'from the reference'
  | 'control unit'
  | 'from the socket'
  | 'nothing'

export interface FeedOption {
  id: string
  kind: FeedKind
  name: string
  /** Circuit it hangs on. */
  net?: NetId
  /** A place where that circuit is reached, in words. */
  where: string
  verdict: 'advised' | 'possible' | 'refused'
  /** Why refused, or why advised. */
  why: string
  checks: Verdict[]
  /** What it takes beyond the kit. */
  materials: string[]
  /** In this order; ground before feed, the fuse in last. */
  steps: string[]
  caution?: string
  /** The loom is made for this way. */
  own: boolean
}

/** A parked machine has to start again after so long, days. */
export const idleDaysWanted = 14
/** Usable part of a starter battery before it may not crank, %. */
export const usablePct = 50
/** Up to here a lamp circuit carries a module itself, A. */
const smallLoadA = 0.5
/** Area of the wire a relay feed is made with, mm². */
const relayWireMm2 = 1

const sockets: readonly DeviceRole[] = ['accessory socket', 'diagnostic socket']

const spareSource = "the machine's dossier: spare current of the circuit"
const houseSource = 'general practice of the trade'

/**
 * Every way to feed this kit on this machine, the advised one first, refused ones with their reason at the end. Brake lamps and
 * electronically driven outputs are always refused.
 */
export function feedOptions(
  machine: Machine,
  kit: Kit,
  matches: readonly Match[],
  school: FeedPractice = 'relay on the lamp circuit',
): FeedOption[] {
  const supply = supplyOf(kit)
  const { continuousA, inrushA } = supply
  const options: FeedOption[] = []
  const planned = supply.feed && netOfMatch(machine, matches, supply.feed.id)
  const coilNet = supply.coil && netOfMatch(machine, matches, supply.coil.id)
  const batteryChecks = alwaysLiveChecks(machine, kit)
  if (
    supply.kind === 'injectors' ||
    supply.kind === 'reference' ||
    supply.kind === 'control unit' ||
    supply.kind === 'socket'
  ) {
    const { kind, signal, spare, ...words } = ownFeeds[supply.kind]
    const net = signal && pairedFeed(machine, matches, signal)
    options.push(
      withVerdict({
        id: supply.kind,
        kind,
        ...words,
        ...(net ? { net: net.id } : {}),
        verdict: 'possible',
        checks: net?.spareA === undefined ? [] : [atMost(spare, continuousA, net.spareA, 'A', spareSource)],
        materials: [],
        steps: ['Nothing to join: the plug brings it.'],
        own: true,
      }),
    )
  }
  if (supply.kind === 'none')
    options.push({
      id: 'none',
      kind: 'nothing',
      name: 'Nothing in this loom brings current',
      where: kit.model,
      verdict: 'refused',
      why: `The ${kit.module.name} takes ${continuousA} A, and neither a lead nor a pair of its loom carries a supply.`,
      checks: [],
      materials: [],
      steps: [],
      own: true,
    })
  const lead = { name: `The ${kit.module.name}` }
  for (const net of machine.nets.filter((item) => item.signal === 'supply-switched')) {
    const where = placeOfNet(machine, net, matches)
    if (!where) continue
    const base = { net: net.id, where, materials: [], own: false }
    const bad = judgeFeed(net, lead, continuousA)?.find(isStop)
    if (bad || net.highVoltage) {
      const why = bad ? caseWords(bad).reason : `${net.name} is far above battery voltage.`
      options.push(refused(`tap-${net.id}`, 'lamp tap', net.name, why, base))
      continue
    }
    const socket = (machineIndex(machine).placesOfNet.get(net.id) ?? []).some(({ connector }) => {
      const found = machineIndex(machine).connectors.get(connector)
      return found !== undefined && sockets.includes(deviceRole(found))
    })
    const spare = net.spareA
    const direct: FeedOption = {
      ...base,
      id: `tap-${net.id}`,
      kind: socket ? 'accessory socket' : net.role === 'lamp' ? 'lamp tap' : 'switched circuit',
      name: net.name,
      verdict: 'possible',
      why:
        spare === undefined
          ? 'What it can spare is not written down: read its fuse and what hangs on it first.'
          : inrushA > spare && continuousA <= spare
            ? `Cold the heater takes ${inrushA} A for half a minute, more than the ${spare} A to spare: a relay is quieter.`
            : '',
      checks:
        spare === undefined
          ? []
          : [atMost('Load against the spare of the circuit', continuousA, spare, 'A', spareSource)],
      steps: [
        'Four tests on the circuit first: live with the key, dead after, through cranking, steady.',
        'Ground first.',
        'Join the feed with the battery off, insulate, tug.',
      ],
      own: supply.kind === 'switched lead' && planned?.id === net.id,
    }
    options.push(withVerdict(direct))
    if (net.role === 'lamp' || coilNet?.id === net.id || planned?.id === net.id)
      options.push(
        withVerdict(relayOption(machine, kit, matches, net, where, coilNet?.id === net.id && supply.kind === 'relay')),
      )
  }
  options.push(
    withVerdict({
      id: 'battery',
      kind: 'fused battery',
      name: 'Battery through a fuse',
      where: batteryWords(machine),
      verdict: 'possible',
      why: '',
      checks: [...batteryChecks, ...fuseChecks(machine, kit, matches)],
      materials: supply.kind === 'battery ring' ? [] : ['fuse holder', 'ring for the post'],
      steps: [
        'Ground first.',
        `Ring on the post, fuse holder within ${fuseWithinMm} mm of it, fuse not in.`,
        'Fuse in last of all, after everything is joined and tugged.',
      ],
      own: supply.kind === 'battery ring',
    }),
  )
  for (const stud of machine.studs.filter((item) => studRole(machine, item) === 'starter'))
    options.push(
      withVerdict({
        id: `stud-${stud.id}`,
        kind: 'starter stud',
        name: `${stud.name}, through a fuse`,
        where: stud.place,
        verdict: 'possible',
        why: '',
        checks: [...batteryChecks, ...fuseChecks(machine, kit, matches)],
        materials: ['fuse holder', `ring for M${stud.threadMm}`],
        steps: [
          'Battery off before the boot is lifted: this stud is always live and cannot be fused before it.',
          `Ring under the nut, boot back over it, fuse holder within ${fuseWithinMm} mm.`,
          'Ground before feed, fuse in last.',
        ],
        caution: 'Always live. A spanner from here to the engine is a dead short of the battery.',
        own: false,
      }),
    )
  const order = options.filter((option) => option.verdict !== 'refused')
  const own = order.find((option) => option.own)
  const advised =
    (own && supply.kind !== 'switched lead' ? own : undefined) ??
    (school === 'relay on the lamp circuit' && continuousA > smallLoadA ? bySchool(order, planned?.id, school) : own) ??
    bySchool(order, planned?.id, school) ??
    order.find((option) => option.kind === 'fused battery') ??
    order.find((option) => option.verdict === 'possible')
  return options
    .map((option) =>
      option === advised
        ? {
            ...option,
            verdict: 'advised' as const,
            why: option.own ? ownWhy(option) : `${feedReasons[school]} ${option.why}`.trim(),
          }
        : option,
    )
    .sort((a, b) => weight(a) - weight(b))
}

function ownWhy(option: FeedOption): string {
  return `The loom is made for it. ${option.why}`.trim()
}

function weight(option: FeedOption): number {
  if (option.verdict === 'advised') return 0
  if (option.verdict === 'refused') return 3
  return option.own ? 1 : 2
}

/** What the school would do, on the circuit the sheet names if it can. */
function bySchool(
  options: readonly FeedOption[],
  wanted: string | undefined,
  school: FeedPractice,
): FeedOption | undefined {
  const best = (kind: FeedKind) =>
    options.find((option) => option.kind === kind && option.net === wanted) ??
    options.find((option) => option.kind === kind)
  return school === 'relay on the lamp circuit'
    ? (best('relay') ?? best('lamp tap'))
    : (best('lamp tap') ?? best('relay'))
}

function refused(
  id: string,
  kind: FeedKind,
  name: string,
  why: string,
  rest: Pick<FeedOption, 'net' | 'where' | 'materials' | 'own'>,
): FeedOption {
  return { id, kind, name, why, verdict: 'refused', checks: [], steps: [], ...rest }
}

/** A broken check refuses, and says which. */
function withVerdict(option: FeedOption): FeedOption {
  const broken = option.checks.find((check) => !check.ok)
  if (!broken) return option
  return {
    ...option,
    verdict: 'refused',
    why: `${broken.rule}: ${figure(broken.value)} ${broken.unit}, ${broken.sense} ${figure(broken.limit)} ${broken.unit}.`,
  }
}

const figure = (value: number) => String(Math.round(value * 100) / 100)

function relayOption(
  machine: Machine,
  kit: Kit,
  matches: readonly Match[],
  net: Net,
  where: string,
  own: boolean,
): FeedOption {
  const supply = supplyOf(kit)
  return {
    id: `relay-${net.id}`,
    kind: 'relay',
    name: `Relay, its coil on ${inSentence(net.name)}`,
    net: net.id,
    where,
    verdict: 'possible',
    why: '',
    checks: [
      ...(net.spareA === undefined
        ? []
        : [atMost('Coil against the spare of the circuit', relayCoilA, net.spareA, 'A', spareSource)]),
      ...fuseChecks(machine, kit, matches, own ? undefined : relayWireMm2),
    ],
    materials: own ? [] : ['relay with diode', 'relay socket', 'fuse holder', `${relayWireMm2} mm² wire`],
    steps: [
      'Ground first: load and coil.',
      'Coil lead on the switched circuit; the relay has its diode, or the coil kicks back into it.',
      `Battery ring, fuse holder within ${fuseWithinMm} mm of the post (${batteryWords(machine)}).`,
      'Fuse in last.',
    ],
    own: own && supply.kind === 'relay',
  }
}

/** The fuse by the wire and the warmth it has: the loom's own, or a wire that is added. */
function fuseChecks(machine: Machine, kit: Kit, matches: readonly Match[], addedMm2?: number): Verdict[] {
  const { feed, continuousA } = supplyOf(kit)
  const kitA = addedMm2 === undefined && feed && 'fuseA' in feed ? feed.fuseA : undefined
  const fuse = fuseOf(kitA, {
    continuousA,
    areaMm2: addedMm2 ?? feed?.areaMm2 ?? relayWireMm2,
    ambientC: airAtEnd(machine, matches, feed?.id),
    bundled: true,
  })
  return [
    atLeast(
      fuse.fuseA === null ? fuse.why : `Fuse of ${fuse.fuseA} A: wire and kit allow it`,
      fuse.fuseA ?? 0,
      continuousA,
      'A',
      'blade fuse of at least 1.35 × the load, below what the thinnest wire bears',
    ),
  ]
}

/** What an always live feed does to a parked battery. */
function alwaysLiveChecks(machine: Machine, kit: Kit): Verdict[] {
  const days = idleDays(machine, kit).direct
  return days === null ? [] : [atLeast('Parked on an always live feed', days, idleDaysWanted, 'days', houseSource)]
}

/** Days a parked machine lasts with the module on an always live feed, and behind a relay; null where it is not known. */
export function idleDays(machine: Machine, kit: Pick<Kit, 'module'>): { direct: number | null; relay: number | null } {
  return { direct: parkedDays(machine, kit.module.idleMa), relay: parkedDays(machine, 0) }
}

/** Days a parked machine lasts with so much drawn by what is fitted, mA; null where its own draw is not known, or nothing is drawn. */
export function parkedDays({ power }: Pick<Machine, 'power'>, fittedMa: number): number | null {
  if (!power) return null
  const result = idleDrain({ capacityAh: power.batteryAh, usablePct, moduleMa: fittedMa, machineMa: power.idleMa })
  return result.ok ? result.value.days : null
}

function batteryWords(machine: Machine): string {
  const stud = machine.studs.find((item) => studRole(machine, item) === 'battery positive')
  return stud ? `${inSentence(stud.name)}, ${stud.place}` : 'battery positive'
}

/** The plug a circuit is best joined at: the planned one, else its smallest. */
function placeOfNet(machine: Machine, net: Net, matches: readonly Match[]): string | null {
  const { placesOfNet, connectors } = machineIndex(machine)
  const places = placesOfNet.get(net.id) ?? []
  const planned = places.find((place) =>
    matches.some(
      ({ target }) =>
        target && 'cavity' in target && target.connector === place.connector && target.cavity === place.cavity,
    ),
  )
  const [small] = [...places].sort(
    (a, b) => (connectors.get(a.connector)?.cavities.length ?? 0) - (connectors.get(b.connector)?.cavities.length ?? 0),
  )
  const place = planned ?? small
  return place ? targetWords(machine, { connector: place.connector, cavity: place.cavity }) : null
}

/** Ways that need no joint of their own, and the circuit in the kit's own plugs each hangs on. */
const ownFeeds: Record<
  'injectors' | 'reference' | 'control unit' | 'socket',
  Pick<FeedOption, 'kind' | 'name' | 'where' | 'why'> & { signal?: SignalKind; spare: string }
> = {
  injectors: {
    kind: 'from the injectors',
    name: "From the injectors' own feed",
    where: 'in the injector pairs',
    why: 'The pairs carry the supply along; it dies with the key and is fused by the machine.',
    signal: 'supply-switched',
    spare: 'Load against the spare of the injector feed',
  },
  reference: {
    kind: 'from the reference',
    name: 'From the 5 V of the plug it sits in',
    where: 'in the pair itself',
    why: 'The pair carries the reference along; it dies with the key, and the control unit watches it.',
    signal: 'reference-5v',
    spare: 'Load against the spare of the reference',
  },
  socket: {
    kind: 'from the socket',
    name: 'From the socket it is put into',
    where: 'in its plug',
    why: 'The socket is always live and fused by the machine: what it draws asleep counts for the parked days.',
    signal: 'supply-always',
    spare: 'Load against the spare of the socket',
  },
  'control unit': {
    kind: 'control unit',
    name: "From the control unit's own plug",
    where: 'in the header',
    why: 'It sits on the wires of the control unit it replaces.',
    spare: '',
  },
}

/** The circuit of that kind that comes along in a plug the kit goes between. */
function pairedFeed(machine: Machine, matches: readonly Match[], signal: SignalKind): Net | undefined {
  const { wiresOf } = machineIndex(machine)
  const paired = matches.flatMap(({ target }) =>
    target && 'connector' in target && !('cavity' in target) ? [target.connector] : [],
  )
  return machine.nets.find(
    (net) =>
      net.signal === signal &&
      paired.some((connector) => (wiresOf.get(connector) ?? []).some(({ wire }) => wire.net === net.id)),
  )
}
