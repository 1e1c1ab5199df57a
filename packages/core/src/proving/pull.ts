import { roadSpeed } from '../setup/index.ts'
import { failure, success, type Outcome } from '../shared/index.ts'
import { airDensity, factorOf, gravity, plainDensity } from './air.ts'
import { heldGear } from './alignment.ts'
import { torqueOf, powerOf, type Pull, type PullAsked, type PullPoint, type PullRow, type Road } from './model.ts'
import { onePull } from './onePull.ts'
import { smoothCurve } from './smoothCurve.ts'
import { speedCurve } from './speedCurve.ts'

/** Of a road pull: lines, and seconds. */
const fewestRows = 8
const leastSeconds = 1.5
/** Of power that was given, by a bench or typed. */
const fewestGiven = 3
/** Points of a curve at the most. */
const mostPoints = 120
const usualRotating = 1.05

/**
 * A pull worked out: power and torque over engine speed, at the wheels unless power was given, corrected where that is asked for and applies.
 * From a road pull: (mass · turning · acceleration + drag + rolling + slope) · speed, with acceleration a smooth curve over speed, and its error.
 * @returns refused with the likely cause where it is no pull
 */
export function workOutPull(asked: PullAsked): Outcome<Pull> {
  const corrected = factorOf(asked)
  if (!corrected.ok) return corrected
  const problem = rowsProblem(asked.rows)
  if (problem) return problem
  const given = asked.rows.filter((row) => row.powerKw !== undefined || row.torqueNm !== undefined)
  if (given.length > 0 && given.length < fewestGiven && !asked.road)
    return noPull(`Only ${given.length} of ${asked.rows.length} lines have power or torque.`)
  const made: Outcome<Made> =
    given.length >= fewestGiven && (!asked.road || given.length >= asked.rows.length / 2)
      ? fromGiven(given)
      : asked.road
        ? fromRoad(asked.rows, asked.road, asked.air ? airDensity(asked.air) : null)
        : failure({
            ...{ code: 'missing', path: 'road' },
            message: 'Neither power nor torque is in it: a road pull wants mass, drag area and rolling.',
          })
  if (!made.ok) return made
  const { factor, warnings } = corrected.value
  const points = made.value.points.map((point) => ({
    ...point,
    powerKw: point.powerKw * factor,
    torqueNm: point.torqueNm * factor,
    sePowerKw: point.sePowerKw === null ? null : point.sePowerKw * factor,
  }))
  const power = points.reduce((best, point) => (least(point) > least(best) ? point : best))
  const torque = points.reduce((best, point) =>
    torqueOf(least(point), point.rpm) > torqueOf(least(best), best.rpm) ? point : best,
  )
  return success({
    points,
    peakPower: { kw: power.powerKw, rpm: power.rpm, speedKmh: power.speedKmh },
    peakTorque: { nm: torque.torqueNm, rpm: torque.rpm },
    factor,
    warnings: [...warnings, ...made.value.warnings, ...(stillRises(points) ? [beyond] : [])],
  })
}

/** What a point has nearly for sure: a peak is not where the noise is. */
const least = ({ powerKw, sePowerKw }: PullPoint) => powerKw - (sePowerKw ?? 0)

const beyond = 'Power still rose where the pull ended: its peak may lie beyond.'

/** Whether the last point may well be the highest. */
function stillRises(points: readonly PullPoint[]): boolean {
  const last = points.at(-1)
  return last !== undefined && points.every(({ powerKw }) => powerKw <= last.powerKw + (last.sePowerKw ?? 0))
}

const noPull = (message: string, path = 'rows'): Outcome<never> => failure({ code: 'no-pull', path, message })

/** What of the rows cannot be, with what was likely meant. */
function rowsProblem(rows: readonly PullRow[]): Outcome<never> | null {
  if (rows.length < fewestGiven)
    return noPull(
      `${rows.length} lines are no pull: some seconds at full throttle are wanted, or a curve from a bench.`,
    )
  const back = rows.findIndex(({ t }, i) => i > 0 && t < (rows[i - 1]?.t ?? 0))
  if (back > 0) return noPull(`Time runs backwards at line ${back + 1}.`, `rows.${back}.t`)
  const seconds = (rows.at(-1)?.t ?? 0) - (rows[0]?.t ?? 0)
  if (seconds / (rows.length - 1) > 20)
    return noPull(
      `Lines are ${Math.round(seconds / (rows.length - 1))} s apart: that is likely milliseconds typed as seconds.`,
    )
  const top = Math.max(...rows.map(({ rpm }) => rpm))
  if (top < 100) return noPull(`${top} 1/min is no engine at work: likely thousands, or turns per second.`)
  if (top > 25_000) return noPull(`${top} 1/min is no engine: likely degrees, or pulses.`)
  const speed = Math.max(0, ...rows.map(({ speedKmh = 0 }) => speedKmh))
  if (speed > 450) return noPull(`${speed} km/h is no road speed: likely metres a minute, or another column.`)
  return null
}

interface Made {
  points: PullPoint[]
  warnings: string[]
}

/** Ratio of power as typed to what torque and speed make, by what was likely typed instead of kW. */
const otherUnits = [
  [1.341, 'horsepower'],
  [1.3596, 'metric horsepower'],
  [1000, 'watts'],
] as const

/** Power, or torque, as a bench gave it. */
function fromGiven(rows: readonly PullRow[]): Outcome<Made> {
  const turning = rows.filter(({ rpm }) => rpm > 0)
  const ratios = turning.flatMap(({ rpm, powerKw, torqueNm }) =>
    powerKw !== undefined && torqueNm !== undefined && torqueNm > 0 ? [powerKw / powerOf(torqueNm, rpm)] : [],
  )
  const ratio = median(ratios)
  if (ratio !== null && Math.abs(ratio - 1) > 0.03) {
    const [, unit] = otherUnits.find(([times]) => Math.abs(ratio / times - 1) < 0.012) ?? []
    return failure({
      ...{ code: 'units-mixed', path: 'rows' },
      message: `Power and torque do not go together: power is ${ratio.toFixed(2)} times what torque and speed make.${unit ? ` That is ${unit} typed as kW.` : ''}`,
    })
  }
  const risen = onePull(turning, { fewest: fewestGiven, seconds: 0 })
  if (!risen.ok) return risen
  const points = risen.value.rows
    .map(({ rpm, speedKmh, powerKw, torqueNm }): PullPoint => {
      const kw = powerKw ?? powerOf(torqueNm ?? 0, rpm)
      return { rpm, speedKmh: speedKmh ?? null, powerKw: kw, torqueNm: torqueNm ?? torqueOf(kw, rpm), sePowerKw: null }
    })
    .sort((a, b) => a.rpm - b.rpm)
  const step = Math.ceil(points.length / mostPoints)
  return success({ points: points.filter((_point, i) => i % step === 0), warnings: risen.value.warnings })
}

function median(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? null
}

/** Speed from engine speed through gear, axle and tyre, km/h for each 1/min; null where one is not said. */
function kmhPerRpm({ gearRatio, axleRatio, tyreHeightM }: Road): number | null {
  if (gearRatio === undefined || axleRatio === undefined || tyreHeightM === undefined) return null
  const speed = roadSpeed({ rpm: 1, gearRatio, axleRatio, tyreHeightM })
  return speed.ok ? speed.value.speedKmh : null
}

function fromRoad(rows: readonly PullRow[], road: Road, density: number | null): Outcome<Made> {
  const byGear = kmhPerRpm(road)
  const timed = rows.flatMap((row) => {
    const kmh = row.speedKmh ?? (byGear === null ? undefined : row.rpm * byGear)
    return kmh === undefined ? [] : [{ ...row, kmh }]
  })
  if (timed.length < fewestRows)
    return failure({
      ...{ code: 'missing', path: 'rows' },
      message: 'A road pull wants the road speed, or gear, axle and tyre height to work it out.',
    })
  const own = median(timed.flatMap(({ speedKmh, rpm }) => (speedKmh === undefined || rpm <= 0 ? [] : [speedKmh / rpm])))
  if (own !== null && byGear !== null) {
    const off = own / byGear
    if (Math.abs(off - 1) > 0.08)
      return failure({
        ...{ code: 'units-mixed', path: 'rows' },
        message: `Speed and engine speed do not go with gear, axle and tyre: ${off.toFixed(2)} times.${Math.abs(off * 1.609 - 1) < 0.05 ? ' That is mph typed as km/h.' : Math.abs(off / 1.609 - 1) < 0.05 ? ' That is km/h where mph were meant.' : ' Another gear, or a slipping clutch or converter?'}`,
      })
  }
  const risen = onePull(timed, { fewest: fewestRows, seconds: leastSeconds })
  if (!risen.ok) return risen
  const { rows: used, ratio, warnings } = risen.value
  if (density === null) warnings.push(`The air is not written down: ${plainDensity} kg/m³ taken.`)
  const ts = used.map(({ t }) => t)
  const vs = used.map(({ kmh }) => kmh / 3.6)
  const byTime = smoothCurve(ts, vs)
  const turns =
    ratio === null
      ? smoothCurve(
          ts,
          used.map(({ rpm }) => rpm),
        )
      : null
  const mass = road.massKg * (road.rotatingMassFactor ?? usualRotating)
  const slope = road.slope ?? 0
  const steep = Math.sqrt(1 + slope * slope)
  const standing = road.massKg * gravity * ((road.rolling + slope) / steep)
  const drag = 0.5 * (density ?? plainDensity) * road.dragAreaM2
  const count = Math.min(mostPoints, Math.max(40, used.length))
  const even = (from: number, to: number) =>
    Array.from({ length: count }, (_item, i) => from + ((to - from) * i) / (count - 1))
  const point = (t: number, v: number, a: number, se: (force: number) => number): PullPoint => {
    const rpm = turns ? turns.at(t).value : v * 3.6 * (ratio ?? 1)
    const force = mass * a + drag * v * v + standing
    const powerKw = (force * v) / 1000
    return { rpm, speedKmh: v * 3.6, powerKw, torqueNm: torqueOf(powerKw, rpm), sePowerKw: se(force) / 1000 }
  }
  const bySpeed = speedCurve(ts, vs, byTime)
  const points = bySpeed
    ? even(bySpeed.from, bySpeed.to).map((v) => {
        const { t, acceleration, se } = bySpeed.at(v)
        return point(t, v, acceleration, () => mass * v * se)
      })
    : even(ts[0] ?? 0, ts.at(-1) ?? 0).map((t) => {
        const { value: v, slope } = byTime.at(t)
        return point(t, v, slope, (force) => Math.sqrt(byTime.variance(t, force + 2 * drag * v * v, mass * v)))
      })
  // Of a belt the road speed is what rises.
  const order = heldGear({ points }) === 'belt' ? 'speedKmh' : 'rpm'
  return success({ points: points.sort((a, b) => (a[order] ?? 0) - (b[order] ?? 0)), warnings })
}
