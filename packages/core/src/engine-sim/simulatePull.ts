import { seededRandom } from '../shared/index.ts'

/** A vehicle in one gear, with the power its wheels get at each engine speed. */
export interface PulledVehicle {
  massKg: number
  dragAreaM2: number
  rolling: number
  gearRatio: number
  axleRatio: number
  tyreHeightM: number
  rotatingMassFactor: number
  fromRpm: number
  toRpm: number
  powerKw: (rpm: number) => number
}

export interface PulledRow {
  t: number
  rpm: number
  speedKmh: number
}

const gravity = 9.80665
const dt = 0.001
/** Longer than any pull, s. */
const longest = 60

/** A pull on the road by Newton's law: rows with speed noise of 0.1 km/h and engine speed noise of 0.5 %, as a logger has them. */
export function simulatePull(
  vehicle: PulledVehicle,
  seed: number,
  { slope = 0, density = 1.225, hz = 10 }: { slope?: number; density?: number; hz?: number } = {},
): PulledRow[] {
  const random = seededRandom(seed)
  const normal = () => Math.sqrt(-2 * Math.log(random.between(1e-12, 1))) * Math.cos(2 * Math.PI * random.uniform())
  const { massKg, dragAreaM2, rolling, gearRatio, axleRatio, tyreHeightM, rotatingMassFactor } = vehicle
  const perMs = ((gearRatio * axleRatio) / (Math.PI * tyreHeightM)) * 60
  let v = vehicle.fromRpm / perMs
  const rows: PulledRow[] = []
  const every = Math.round(1 / hz / dt)
  for (let k = 0; v * perMs < vehicle.toRpm && k < longest / dt; k++) {
    const rpm = v * perMs
    if (k % every === 0)
      rows.push({
        t: Math.round((k * dt) / 1e-3) * 1e-3,
        rpm: rpm * (1 + 0.005 * normal()),
        speedKmh: v * 3.6 + 0.1 * normal(),
      })
    const power = vehicle.powerKw(rpm) * 1000
    const steep = Math.sqrt(1 + slope * slope)
    const against = 0.5 * density * dragAreaM2 * v * v + massKg * gravity * ((rolling + slope) / steep)
    v += ((power / v - against) / (massKg * rotatingMassFactor)) * dt
  }
  return rows
}
