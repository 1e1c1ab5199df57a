import { simulatePull } from '../engine-sim/index.ts'
import { seededRandom } from '../shared/index.ts'
import { powerOf, type PullRow, type Road } from './model.ts'

/** A vehicle whose power is known, for tests and benches. */
export interface TrueVehicle {
  road: Required<Omit<Road, 'slope'>>
  /** Engine speeds of the pull, 1/min. */
  from: number
  to: number
  /** Peak torque at the wheels, N·m at the engine's speed, and where it is. */
  torqueNm: number
  at: number
  /** How it falls off towards the ends. */
  bow: number
  wave: number
}

export function trueTorque({ torqueNm, at, bow, from, to, wave }: TrueVehicle, rpm: number): number {
  const x = (rpm - at) / (to - from)
  return torqueNm * (1 - bow * x * x + wave * Math.sin((2 * Math.PI * (rpm - from)) / (to - from)))
}

export const truePower = (vehicle: TrueVehicle, rpm: number): number => powerOf(trueTorque(vehicle, rpm), rpm)

/** A vehicle by seed: from a light truck to a fast four. */
export function anyVehicle(seed: number): TrueVehicle {
  const random = seededRandom(seed)
  const from = random.between(1400, 2600)
  const to = from * random.between(1.9, 2.6)
  return {
    road: {
      massKg: random.between(1100, 3200),
      dragAreaM2: random.between(0.6, 1.4),
      rolling: random.between(0.01, 0.016),
      gearRatio: random.between(1, 1.6),
      axleRatio: random.between(3.2, 4.1),
      tyreHeightM: random.between(0.62, 0.82),
      rotatingMassFactor: 1.05,
    },
    ...{ from, to, torqueNm: random.between(260, 700), at: from + (to - from) * random.between(0.2, 0.6) },
    bow: random.between(0.2, 0.9),
    wave: random.between(-0.04, 0.04),
  }
}

/** The same vehicle pulled once: rows at 10 Hz, speed with 0.1 km/h and engine speed with 0.5 % of noise. @param times of its power */
export function drive(
  vehicle: TrueVehicle,
  seed: number,
  { times = 1, ...more }: { slope?: number; density?: number; times?: number; hz?: number } = {},
): PullRow[] {
  const { road, from, to } = vehicle
  return simulatePull(
    { ...road, fromRpm: from, toRpm: to, powerKw: (rpm) => truePower(vehicle, rpm) * times },
    seed,
    more,
  )
}
