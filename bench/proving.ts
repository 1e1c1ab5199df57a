// Measures what pulls and ladders promise: accuracy of simulated road pulls, error rates of "shown", coasting down, pulls found in rides.
import { levelMap } from '@tidy-badger/core/levels'
import { comparePulls, findPulls, workOutCoastDown, workOutPull, type Pull } from '@tidy-badger/core/proving'
import { anyVehicle, drive, truePower } from '../packages/core/src/proving/pullCase.ts'
import { coast, rideWithPulls } from '../packages/core/src/proving/roadDriveCase.ts'
import { fittings } from '../packages/core/src/wiring/shippedCase.ts'

const part = (sorted: readonly number[], at: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(at * sorted.length))] ?? 0
const pct = (value: number) => `${(100 * value).toFixed(2)} %`

function pulled(seed: number, times = 1): Pull | null {
  const vehicle = anyVehicle(seed)
  const rows = drive(vehicle, seed * 7 + Math.round(times * 100), { times })
  if ((rows.at(-1)?.t ?? 0) < 5) return null
  const made = workOutPull({
    ...{ rows, road: { ...vehicle.road, slope: 0 }, aspiration: 'boosted', fuel: 'diesel' },
  })
  return made.ok ? made.value : null
}

const [rms, peaks, within]: [number[], number[], number[]] = [[], [], []]
let [inside, points] = [0, 0]
for (let seed = 1; rms.length < 240; seed++) {
  const pull = pulled(seed)
  if (!pull) continue
  const vehicle = anyVehicle(seed)
  const off = pull.points.map(({ rpm, powerKw, sePowerKw }) => {
    const known = truePower(vehicle, rpm)
    points++
    if (Math.abs(powerKw - known) <= 1.96 * (sePowerKw ?? 0)) inside++
    return (powerKw - known) / known
  })
  rms.push(Math.sqrt(off.reduce((sum, one) => sum + one * one, 0) / off.length))
  const known = pull.points.map(({ rpm }) => truePower(vehicle, rpm))
  const top = known.indexOf(Math.max(...known))
  const miss = Math.abs(pull.peakPower.kw / (known[top] ?? 1) - 1)
  peaks.push(miss)
  if (top < 0.9 * known.length) within.push(miss)
}
rms.sort((a, b) => a - b)
peaks.sort((a, b) => a - b)
within.sort((a, b) => a - b)
const told = (sorted: readonly number[]) =>
  `${sorted.length} peaks: half within ${pct(part(sorted, 0.5))}, nine in ten ${pct(part(sorted, 0.9))}, all ${pct(sorted.at(-1) ?? 0)}; within 1.5 %: ${sorted.filter((one) => one <= 0.015).length}`
console.log(`${rms.length} simulated pulls of 5 s and more`)
console.log(
  `  power RMS: half within ${pct(part(rms, 0.5))}, nineteen in twenty ${pct(part(rms, 0.95))}, all ${pct(rms.at(-1) ?? 0)}`,
)
console.log(`  ${told(peaks)}`)
console.log(`  of them where power had begun to fall before the end, ${told(within)}`)
console.log(`  95 % bands cover ${pct(inside / points)}`)

let [drags, rolls]: [number[], number[]] = [[], []]
for (let seed = 0; seed < 200; seed++) {
  const of = { massKg: 400 + 15 * seed, dragAreaM2: 0.5 + 0.006 * seed, rolling: 0.01 + 0.0001 * seed }
  const slope = 0.004 * Math.sin(seed)
  const made = workOutCoastDown({
    runs: [slope, -slope].map((one, i) => ({ rows: coast(of, 2 * seed + i, { slope: one }) })),
    massKg: of.massKg,
  })
  if (!made.ok) continue
  drags.push(Math.abs(made.value.dragAreaM2 / of.dragAreaM2 - 1))
  rolls.push(Math.abs(made.value.rolling / of.rolling - 1))
}
drags = drags.sort((a, b) => a - b)
rolls = rolls.sort((a, b) => a - b)
console.log(
  `${drags.length} vehicles coasted down there and back: drag within ${pct(drags.at(-1) ?? 0)}, rolling within ${pct(rolls.at(-1) ?? 0)}`,
)

const found = Array.from({ length: 100 }, (_item, seed) => {
  const { rows, pulls } = rideWithPulls(anyVehicle(seed + 1), seed)
  const made = findPulls(rows)
  return made.ok && made.value.length === pulls.length ? 1 : 0
}).reduce((sum: number, one) => sum + one, 0)
console.log(`pulls found: all of a ride in ${found} of 100 rides`)

const three = (seed: number, times: number) => [0, 1, 2].flatMap((i) => pulled(seed, times + i * 1e-3) ?? [])
let [falsely, truly, groups] = [0, 0, 0]
for (let seed = 1; groups < 60; seed++) {
  const [before, same, more] = [three(seed, 1), three(seed, 1.01), three(seed, 1.08)]
  if (before.length < 3 || same.length < 3 || more.length < 3) continue
  groups++
  const [none, gain] = [comparePulls(before, three(seed, 1.0005)), comparePulls(before, more)]
  if (none.ok && none.value.shown) falsely++
  if (gain.ok && gain.value.shown) truly++
}
console.log(`${groups} groups of three road pulls: of no gain ${falsely} shown, of 8 % ${truly}`)

let [cells, worst] = [0, 0]
const begun = performance.now()
for (const { machine, kit } of fittings)
  for (const { level } of kit.levels ?? []) {
    const made = levelMap(machine, kit, {
      level,
      rpm: [1200, 1800, 2400, 3000],
      load: [0.25, 0.5, 1],
      altitudeM: 0,
      ambientC: 20,
    })
    if (!made.ok) continue
    for (const { powerKw, torqueNm, rpm } of made.value.flatMap((column, i) =>
      column.map((cell) => ({ ...cell, rpm: [1200, 1800, 2400, 3000][i] ?? 0 })),
    )) {
      cells++
      worst = Math.max(worst, Math.abs(powerKw - (torqueNm * 2 * Math.PI * rpm) / 60_000))
    }
  }
console.log(
  `level maps: ${cells} cells in ${(performance.now() - begun).toFixed(0)} ms, power off torque times speed by at most ${worst.toFixed(3)} kW`,
)
