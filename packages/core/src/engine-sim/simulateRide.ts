import { tableAt, targetAt, type Matrix, type TrimAxes } from '../fuel-trim/index.ts'
import { seededRandom, type SeededRandom } from '../shared/index.ts'
import type { SimEngine } from './engine.ts'

export interface Ride {
  seed: number
  minutes: number
  rateHz: number
  /** Table in force on the ride, %; none: all zero. */
  trim?: { axes: TrimAxes; trimPct: Matrix }
  /** Relative noise of the AFR reading (0.01 is 1 %). */
  noise?: number
  startCoolantC?: number
  /** Share of the time spent at larger throttle openings, 0 to 1. */
  spirit?: number
}

export interface RideResult {
  timeS: Float64Array
  rpm: Float64Array
  throttlePct: Float64Array
  afr: Float64Array
  coolantC: Float64Array
  speedKmh: Float64Array
}

/** A rider on a trail eases off above this speed, m/s. */
const ease = { above: 21 }
const airDensity = 1.15
const gravity = 9.81

/** Rides the machine through a throttle script drawn from the seed. Runs at the log's own rate, at least 100 steps a second. */
export function simulateRide(engine: SimEngine, ride: Ride): RideResult {
  const random = seededRandom(ride.seed)
  const inner = Math.max(1, Math.ceil(100 / ride.rateHz))
  const dt = 1 / (ride.rateHz * inner)
  const rows = Math.round(ride.minutes * 60 * ride.rateHz)
  const script = throttleScript(random, ride.spirit ?? 0.4)
  const hill = hillScript(random)
  const delaySteps = Math.max(0, Math.round(engine.transportS / dt))
  const inPipe = new Float64Array(delaySteps + 1).fill(14.5)
  const result: RideResult = {
    timeS: new Float64Array(rows),
    rpm: new Float64Array(rows),
    throttlePct: new Float64Array(rows),
    afr: new Float64Array(rows),
    coolantC: new Float64Array(rows),
    speedKmh: new Float64Array(rows),
  }
  let speed = 0
  let throttle = 0
  let rpm = engine.idleRpm
  let coolant = ride.startCoolantC ?? 18
  let slope = 0
  let film = 0
  let sensed = 14.5
  let step = 0
  for (let row = 0; row < rows; row++) {
    for (let i = 0; i < inner; i++, step++) {
      const easing = speed > ease.above ? Math.max(0.25, 1 - (speed - ease.above) / 6) : 1
      const move = Math.max(-180 * dt, Math.min(180 * dt, script(step * dt) * easing - throttle))
      throttle += move
      slope += (hill(step * dt) - slope) * Math.min(1, dt / 3)
      const wantedRpm = clutchRpm(engine, throttle, speed)
      rpm += (wantedRpm - rpm) * Math.min(1, dt / 0.35)
      const power = shaftPower(engine, rpm, throttle)
      const drag = 0.5 * airDensity * engine.dragAreaM2 * speed * speed
      const push = speed > 0.5 ? power / speed : power / 0.5
      const pull = Math.min(push, engine.massKg * 4)
      const brake = throttle <= 1 ? 2.5 : 0
      speed += ((pull - drag) / engine.massKg - gravity * (engine.rolling + slope) - brake) * dt
      speed = Math.max(0, Math.min(29, speed))
      coolant += ((86 - coolant) / (coolant < 80 ? 260 : 400) + 0.05 * (power / engine.peakPowerW)) * dt
      coolant = Math.min(coolant, 93)
      film += (throttle - film) * Math.min(1, dt / engine.filmS)
      inPipe[step % (delaySteps + 1)] = mixture(engine, ride, rpm, throttle, coolant, throttle - film)
      const arriving = inPipe[(step + 1) % (delaySteps + 1)]
      sensed += (arriving - sensed) * (1 - Math.exp(-dt / Math.max(engine.sensorLagS, 1e-6)))
    }
    result.timeS[row] = row / ride.rateHz
    result.rpm[row] = rpm + 6 * random.normal()
    result.throttlePct[row] = Math.max(0, Math.min(100, throttle + 0.1 * random.normal()))
    result.afr[row] = Math.min(22, sensed * (1 + (ride.noise ?? 0.01) * random.normal()))
    result.coolantC[row] = coolant + 0.1 * random.normal()
    result.speedKmh[row] = speed * 3.6
  }
  return result
}

/** Holds, slow sweeps, quick openings and closed-throttle runs, one after the other. */
function throttleScript(random: SeededRandom, spirit: number): (timeS: number) => number {
  let from = 0
  let to = 0
  let start = 0
  let end = 15
  let ramp = 1
  return (timeS) => {
    while (timeS >= end) {
      start = end
      from = to
      const kind = random.uniform()
      if (kind < 0.1) to = 0
      else if (random.uniform() < spirit) to = random.between(30, 100)
      else to = random.between(4, 45)
      const length = kind < 0.1 ? random.between(2, 5) : random.between(2.5, 12)
      ramp = kind < 0.55 ? random.between(0.6, 3) : kind < 0.75 ? random.between(0.15, 0.5) : length * 0.9
      end = start + length
    }
    const share = Math.min(1, (timeS - start) / ramp)
    return from + (to - from) * share
  }
}

/** Slope of the trail as a share, a new one every ten to forty seconds, more climb than descent. */
function hillScript(random: SeededRandom): (timeS: number) => number {
  let slope = 0
  let end = 20
  return (timeS) => {
    while (timeS >= end) {
      slope = random.between(-0.05, 0.2)
      end += random.between(10, 40)
    }
    return slope
  }
}

/** The CVT holds a speed that rises with throttle and, once geared right up, with road speed. */
function clutchRpm(engine: SimEngine, throttle: number, speed: number): number {
  const wanted = engine.idleRpm + (0.93 * engine.limiterRpm - engine.idleRpm) * (throttle / 100) ** 0.6
  const slowest = (speed / engine.metresPerTurn[1]) * 60
  const fastest = Math.max(engine.idleRpm, (speed / engine.metresPerTurn[0]) * 60 + 2600)
  const overrun = throttle <= 1 ? slowest * 1.15 : slowest
  return Math.min(engine.limiterRpm, Math.max(overrun, Math.min(wanted, fastest), engine.idleRpm))
}

function shaftPower(engine: SimEngine, rpm: number, throttle: number): number {
  const breathing = Math.sin((Math.PI / 2) * Math.min(1, rpm / (0.9 * engine.limiterRpm)))
  const opening = 1 - Math.exp(-throttle / 28)
  return engine.peakPowerW * breathing * Math.max(0, opening - 0.03)
}

/** AFR leaving the cylinder: target, off by required against given trim, by warm-up, by wall film, and cut on overrun. */
function mixture(engine: SimEngine, ride: Ride, rpm: number, throttle: number, coolant: number, opening: number) {
  if (throttle <= 1 && rpm > 1.5 * engine.idleRpm) return 22
  const trim = ride.trim ? tableAt(ride.trim.axes.rpm, ride.trim.axes.load, ride.trim.trimPct, rpm, throttle) : 0
  const cold = engine.coldEnrichment * Math.max(0, (engine.warmC - coolant) / (engine.warmC - 20)) ** 1.3
  const wall = (-engine.filmShare * opening) / 100
  const fuel = ((1 + trim / 100) / (1 + engine.requiredTrimPct(rpm, throttle) / 100)) * (1 + cold) * (1 + wall)
  return Math.max(8, Math.min(22, targetAt(engine.target, rpm, throttle) / fuel))
}
