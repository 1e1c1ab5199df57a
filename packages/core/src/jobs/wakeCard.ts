import {
  inSentence,
  isDiesel,
  memberOf,
  membersOf,
  ownMembers,
  type Kit,
  type KitEnd,
  type KitEndId,
  type KitLamp,
  type KitMember,
  type LampMoment,
  type Machine,
  type SettingId,
  type Station,
  joinedId,
} from '../dossiers/index.ts'
import { changesPedal, isController, joinedNets } from '../setup/index.ts'
import { changesSignal, dropShare, hasAuthority, proofOf } from '../wake/index.ts'
import { expectedReadings } from '../wiring/index.ts'
import type { JobDossiers, JobState } from './state.ts'
import { momentOf, type WakeMoment } from './wakeMoment.ts'
import { isStart, type WorkItem } from './workItems.ts'

/** Where a fail leads: what is looked at, and where. */
export interface WakeLead {
  says: string
  station: Station
  end?: KitEndId
  setting?: SettingId
}

/** What a fitter has before them while one thing is done with the key on. */
export interface WakeCard {
  /** The engine runs for it, the key is on, or neither. */
  moment: WakeMoment
  /** Key off at once if. */
  offIf: string[]
  /** Signs of lamps that are right now, by kit. */
  lamps: { kit: string; lamp: KitLamp }[]
  /** What should be seen beside. */
  see: string[]
  /** What looks like a fault and is none. */
  noFault: string[]
  leads: WakeLead[]
}

/**
 * The card of one thing to do at set-up or wake: from the machine's class, its kits and their wiring.
 * Source of what stops a first start: general practice of the trade.
 */
export function wakeCard(dossiers: JobDossiers, state: JobState, item: WorkItem): WakeCard {
  const { machine, kit } = dossiers
  const step = item.kind === 'step' ? item.step : null
  const moment = momentOf(item)
  const member = (step && memberOf(kit, step.id)?.member) ?? null
  const about = member ? [member] : ownMembers(kit)
  const aim = aimOf(item)
  return {
    moment,
    offIf: moment === 'off' ? [] : stopsOf(machine, kit, moment),
    lamps:
      moment === 'off'
        ? []
        : about.flatMap(({ kit: own }) =>
            (own.lamps ?? []).flatMap((lamp) =>
              lamp.rightAt?.includes(moment) ? [{ kit: own.module.name, lamp }] : [],
            ),
          ),
    see: about.flatMap((own) => seenOf(dossiers, state, own, aim, moment)),
    noFault: moment === 'off' ? [] : noFaults(machine, about, aim),
    leads: about.flatMap((own) => leadsOf(own, aim)),
  }
}

/** What an item at these stations is about. */
type Aim = 'start' | 'connection' | 'mute' | 'level' | 'pedal' | 'selector' | 'throttle' | 'leak' | 'reading' | 'other'

function aimOf(item: WorkItem): Aim {
  if (item.kind === 'own') {
    if (item.asks === 'authority') return 'connection'
    return item.asks === 'throttle' || item.asks === 'leak' || item.asks === 'level' ? item.asks : 'other'
  }
  if (item.kind !== 'step') return 'other'
  const { proof, reading } = item.step
  if (proof !== undefined) return proof
  if (reading) return 'reading'
  return isStart(item.step) ? 'start' : 'other'
}

function stopsOf({ engine, class: kind }: Machine, kit: Kit, moment: LampMoment): string[] {
  const diesel = isDiesel(engine)
  const both = ['smoke, or a smell of fuel or hot plastic', 'a wire or plug that grows warm']
  if (moment === 'key on') return [...both, diesel ? 'a drop at the rail or its pipes' : 'a wet joint at the rail']
  return [
    ...both,
    diesel ? 'a drop at the rail: nobody near it' : 'fuel anywhere outside the lines',
    'the speed rises by itself',
    ...(membersOf(kit).some((member) => changesPedal(member.kit))
      ? ['it does not fall back with the pedal let go']
      : []),
    ...(engine.strokes === 2 ? [] : ['the oil lamp stays lit for more than three seconds']),
    ...(diesel ? ['hard knocking, white or black smoke that does not clear'] : ['hard knocking']),
    ...(/field|harvester/i.test(kind) ? ['anybody walks up; header or threshing moves'] : []),
    ...(/snow/i.test(kind) ? ['the track moves on its stand'] : []),
  ]
}

function seenOf(
  { machine, kit }: JobDossiers,
  state: JobState,
  member: KitMember,
  aim: Aim,
  moment: WakeMoment,
): string[] {
  if (aim === 'connection' && hasAuthority(member.kit)) {
    const { quantity, unit, tolerance, move } = proofOf(member.kit)
    return [
      `${quantity} of the ${member.kit.module.name} and of an independent reading within ${tolerance} ${unit}, and both move when you ${move}`,
    ]
  }
  if (aim === 'mute')
    return [
      `with each channel off the engine stumbles and loses at least ${100 * dropShare} % of its speed, then recovers`,
    ]
  if (aim === 'level') return ['at stock no difference between module and socket, at the level the declared step']
  if (aim === 'start' && moment === 'running')
    return [
      `an idle that settles by itself within seconds`,
      ...(machine.engine.strokes === 2 ? [] : ['no oil lamp, no fault lamp']),
    ]
  if (aim !== 'throttle') return []
  const joined = joinedNets({ machine, kit }, member, state)
  return machine.nets
    .filter((net) => net.role === 'throttle-position' && (joined.length === 0 || joined.includes(net)))
    .flatMap((net) =>
      expectedReadings(machine, net)
        .filter(({ state: at, unit }) => unit === 'V' && at.startsWith('key on'))
        .map(({ state: at, low, high }) => `${net.name}, ${at}: ${low} to ${high} V`),
    )
}

function noFaults({ engine }: Machine, members: readonly KitMember[], aim: Aim): string[] {
  const reads = members.some(({ kit }) => kit.ends.some((end) => end.type === 'plug' && end.far === 'sensor'))
  return [
    ...(reads
      ? [
          'the sensor heats for up to a minute: until then its figure means nothing',
          'rich for minutes while the engine warms',
        ]
      : []),
    ...(aim === 'mute' ? ['an injector code of this test: it is this job’s own, and is cleared afterwards'] : []),
    ...(aim === 'start' && isDiesel(engine) ? ['a short white puff while it is cold'] : []),
    ...(aim === 'start' && members.some(({ kit }) => isController(kit))
      ? ['a first start that takes longer: the fuel line was empty']
      : []),
  ]
}

/** Where a fail is looked for first: the ends that carry it, the setting that decides it. */
function leadsOf({ key, kit: own }: KitMember, aim: Aim): WakeLead[] {
  const end = (one: KitEnd): WakeLead => ({
    says: `${one.tag} ${inSentence(one.name)}`,
    station: 'hook-up',
    end: joinedId<KitEndId>(key, one.id),
  })
  const ends = (of: (one: KitEnd) => boolean) => own.ends.filter(of).map(end)
  const settings = (...roles: readonly string[]) =>
    own.settings.flatMap((one): WakeLead[] =>
      roles.includes(one.role ?? '')
        ? [{ says: inSentence(one.name), station: 'set-up', setting: joinedId<SettingId>(key, one.id) }]
        : [],
    )
  const role = (one: KitEnd, ...wanted: readonly string[]) =>
    one.type === 'inline-pair'
      ? one.lines.some(({ does, wants }) => does !== 'pass' && wanted.includes(wants.role))
      : (one.type === 'flying-lead' || one.type === 'ring') && wanted.includes(one.wants.role)
  switch (aim) {
    case 'start':
      return [...ends((one) => role(one, 'crank', 'injector', 'coil', 'supply', 'ground')), ...settings('cylinders')]
    case 'connection':
    case 'level':
      return ends((one) => changesSignal(one) || (one.type === 'plug' && one.far === 'sensor'))
    case 'mute':
      return ends((one) => role(one, 'injector'))
    case 'pedal':
      return [...ends((one) => role(one, 'pedal-position')), ...settings('pedal curve')]
    case 'selector':
      return [...ends((one) => role(one, 'bus')), ...settings('positions')]
    case 'throttle':
      return [...ends((one) => role(one, 'throttle-position')), ...settings('throttle shut', 'throttle open')]
    case 'leak':
    case 'reading':
    case 'other':
      return []
  }
}
