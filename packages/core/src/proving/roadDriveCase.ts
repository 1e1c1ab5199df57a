import { seededRandom } from '../shared/index.ts'
import type { CoastRun } from './coastDown.ts'
import type { PullRow, Road } from './model.ts'
import { drive, type TrueVehicle } from './pullCase.ts'

const gravity = 9.80665

/** Coasting down from a speed, at 10 Hz with 0.1 km/h of noise. */
export function coast(
  { massKg, dragAreaM2, rolling }: Pick<Road, 'massKg' | 'dragAreaM2' | 'rolling'>,
  seed: number,
  { fromKmh = 110, toKmh = 30, slope = 0, density = 1.225, rotating = 1.03 } = {},
): CoastRun['rows'] {
  const random = seededRandom(seed)
  const rows: { t: number; speedKmh: number }[] = []
  const dt = 0.001
  let v = fromKmh / 3.6
  for (let k = 0; v * 3.6 > toKmh && k < 300 / dt; k++) {
    if (k % 100 === 0) rows.push({ t: k / 1000, speedKmh: v * 3.6 + 0.1 * random.normal() })
    const steep = Math.sqrt(1 + slope * slope)
    v -=
      ((0.5 * density * dragAreaM2 * v * v + massKg * gravity * ((rolling + slope) / steep)) / (massKg * rotating)) * dt
  }
  return rows
}

/** A vehicle with a belt: its engine is held at one speed at full throttle, after a short rise. */
export function driveOnBelt(seed: number, { times = 1, kw = 40, rpm = 6500, massKg = 450 } = {}): PullRow[] {
  const random = seededRandom(seed)
  const rows: PullRow[] = []
  const dt = 0.001
  let v = 4
  for (let k = 0; v < 27 && k < 60 / dt; k++) {
    const turning = rpm * (0.8 + 0.2 * Math.min(1, k * dt))
    if (k % 100 === 0)
      rows.push({
        t: k / 1000,
        rpm: turning * (1 + 0.005 * random.normal()),
        speedKmh: v * 3.6 + 0.1 * random.normal(),
      })
    // The belt takes a little more of it the faster it turns.
    const power = kw * 1000 * times * (turning / rpm) * (1 - 0.004 * v)
    v += ((power / v - 0.5 * 1.225 * 0.8 * v * v - massKg * gravity * 0.02) / (massKg * 1.05)) * dt
  }
  return rows
}

/** A ride: cruising, two pulls at full throttle in one gear, one through two gears, and nothing else. */
export function rideWithPulls(
  vehicle: TrueVehicle,
  seed: number,
): { rows: PullRow[]; pulls: { from: number; to: number }[] } {
  const random = seededRandom(seed)
  const rows: PullRow[] = []
  const pulls: { from: number; to: number }[] = []
  let t = 0
  const cruise = (seconds: number) => {
    for (let k = 0; k < seconds * 10; k++, t += 0.1)
      rows.push({
        ...{ t, rpm: vehicle.from * (1 + 0.004 * random.normal()), throttlePct: 20 + 8 * random.normal() },
        speedKmh: vehicle.from / perKmh + 0.1 * random.normal(),
      })
  }
  const { gearRatio, axleRatio, tyreHeightM } = vehicle.road
  const perKmh = (gearRatio * axleRatio * 1000) / 60 / (Math.PI * tyreHeightM)
  const pull = (s: number) => {
    const driven = drive(vehicle, s)
    const begins = t
    for (const row of driven) rows.push({ ...row, t: begins + row.t, throttlePct: 97 + random.normal() })
    t = begins + (driven.at(-1)?.t ?? 0) + 0.1
    pulls.push({ from: begins, to: t })
  }
  cruise(20)
  pull(seed + 1)
  cruise(12)
  pull(seed + 2)
  cruise(15)
  return { rows, pulls }
}
