import type { Kit, Machine } from '../dossiers/index.ts'
import { seededRandom } from '../shared/index.ts'
import type { AuthorityAsked, TwoValues } from './judgeAuthority.ts'
import { fuelChannels } from './fuelChannels.ts'
import type { RunState } from './gateShut.ts'
import { stepOf } from './levelStep.ts'
import { proofOf } from './proofOf.ts'

/** How the stand-in plays: as it should be, or one of five wrong ways. */
export const standInWays = ['right', 'bypassed', 'crossed', 'sensor', 'dead', 'asleep'] as const
export type StandInWay = (typeof standInWays)[number]

/** One line of what module, wideband and diagnostic socket say at a moment. */
export interface StandInLine {
  /** s */
  t: number
  /** 1/min */
  rpm: number
  /** The module's own value of what proves it; null while it is dead. */
  module: number | null
  /** The same by the diagnostic socket. */
  socket: number
  /** Mixture by the wideband, AFR; null while its heater is cold. */
  afr: number | null
}

/** A script of module, wideband and diagnostic socket of one kit on one machine. */
export interface StandIn {
  way: StandInWay
  quantity: string
  unit: string
  lines: StandInLine[]
  /** What its lamp shows: times of on, off, on …, ms. */
  lamp: { colour: string; edgesMs: number[]; observedMs: number } | null
  /** Its channels muted one by one. */
  mute: Extract<AuthorityAsked, { kind: 'mute' }> | null
  /** The first loaded run, stock and its first level. */
  level: { stock: TwoValues; level: TwoValues; run: RunState } | null
}

/** Idle and revved, by what is compared. */
const spans: Record<string, readonly [idle: number, raised: number]> = {
  'Rail pressure': [36, 92],
  'Boost pressure': [101, 138],
  'Manifold pressure': [36, 84],
  'Short-term trim': [0, 5],
  Pedal: [0, 26],
  Mixture: [14.6, 17.4],
  'Engine speed': [980, 2450],
}
const idleRpm = 960
const seconds = 12
const stepS = 0.25
/** From when to when it is revved, s. */
const revved = [4, 7] as const
/** Until the wideband is hot, s. */
const heatS = 3

/**
 * Plays a kit on a machine for a few seconds: idle, revved, idle. The same seed plays the same.
 * @param way as it should be, or a wrong way: past the module, two channels crossed, a sensor off, no supply, gate shut and never revved
 */
export function standIn(machine: Machine, kit: Kit, { way, seed }: { way: StandInWay; seed: number }): StandIn {
  const random = seededRandom(seed)
  const { quantity, unit, tolerance } = proofOf(kit)
  const [idle, raised] = spans[quantity] ?? [0, 10]
  const noise = () => random.between(-0.15, 0.15) * tolerance
  const offset = way === 'sensor' ? 2.5 * tolerance : 0
  const lines = Array.from({ length: seconds / stepS }, (_item, i): StandInLine => {
    const t = i * stepS
    const isRevved = way !== 'asleep' && t >= revved[0] && t < revved[1]
    const truth = isRevved ? raised : idle
    return {
      t,
      rpm: Math.round((isRevved ? 2.5 : 1) * idleRpm + random.between(-12, 12)),
      module: way === 'dead' ? null : round((way === 'bypassed' ? idle : truth) + offset + noise()),
      socket: round(truth + noise()),
      afr: t < heatS ? null : round(14.6 + (isRevved ? 2.6 : 0) + random.between(-0.2, 0.2)),
    }
  })
  return {
    ...{ way, quantity, unit, lines },
    lamp: lampOf(kit, way),
    mute: muteOf(machine, kit, way, random.between),
    level: levelOf(kit, way, noise),
  }
}

const round = (value: number) => Math.round(value * 100) / 100

/** Both values at idle and revved, as the proof of connection takes them; none while the module is dead. */
export function standInProof({ lines }: Pick<StandIn, 'lines'>): TwoValues[] {
  const at = (t: number): TwoValues => {
    const line = lines.find((one) => one.t >= t) ?? lines[0]
    return { module: line.module ?? 0, independent: line.socket }
  }
  return [at(revved[0] - 1), at(revved[0] + 1)]
}

/** The sign that is right with the engine running; of a dead one none. */
function lampOf({ lamps = [] }: Kit, way: StandInWay): StandIn['lamp'] {
  const right = lamps.find(({ rightAt }) => rightAt?.includes('running'))
  if (!right) return null
  const observedMs = 12_000
  const { colour, state, rhythmMs } = right
  if (way === 'dead' || state === 'dark') return { colour, edgesMs: [], observedMs }
  if (state === 'steady') return { colour, edgesMs: [0], observedMs }
  const edgesMs = [0]
  for (let i = 0; (edgesMs.at(-1) ?? 0) + rhythmMs[i % rhythmMs.length] < observedMs; i++)
    edgesMs.push((edgesMs.at(-1) ?? 0) + rhythmMs[i % rhythmMs.length])
  return { colour, edgesMs, observedMs }
}

function muteOf(
  machine: Machine,
  kit: Kit,
  way: StandInWay,
  between: (low: number, high: number) => number,
): StandIn['mute'] {
  const channels = fuelChannels(kit, machine)
  if (channels.length === 0) return null
  const drop = Math.min(0.6, 0.5 / machine.engine.cylinders + 0.06)
  const answering = way !== 'bypassed' && way !== 'dead'
  const other = (channel: number) =>
    way === 'crossed' && channels.length > 1
      ? (channels[(channels.indexOf(channel) ^ 1) % channels.length] ?? channel)
      : channel
  return {
    kind: 'mute',
    rpmBefore: idleRpm,
    channels: channels.map((channel) => ({
      channel,
      rpmMuted: Math.round(idleRpm * (answering ? 1 - drop : 1) + between(-6, 6)),
      cylinderThatDropped: answering ? other(channel) : null,
    })),
  }
}

function levelOf(kit: Kit, way: StandInWay, noise: () => number): StandIn['level'] {
  const level = kit.levels?.findLast((one) => stepOf(one, kit) !== null)
  const step = level && stepOf(level, kit)
  if (!level || !step) return null
  const offset = way === 'sensor' ? 2 * step.tolerance : 0
  const stock = 3 * step.declared + 60
  const added = way === 'bypassed' || way === 'dead' || way === 'asleep' ? 0 : step.declared
  return {
    stock: { module: round(stock + offset + noise()), independent: round(stock + noise()) },
    level: { module: round(stock + offset + added + noise()), independent: round(stock + noise()) },
    run: {
      coolantC: way === 'asleep' ? level.gate.coolantC - 20 : level.gate.coolantC + 15,
      rpm: level.gate.rpm + 400,
      load: Math.min(1, level.gate.load + 0.3),
    },
  }
}
