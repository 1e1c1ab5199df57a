import { membersOf } from '@tidy-badger/core/dossiers'
import { simulatePull } from '@tidy-badger/core/engine-sim'
import type { EntryBody, JobDossiers } from '@tidy-badger/core/jobs'
import { levelMap, usualLimits, type LevelCell, type LevelUse } from '@tidy-badger/core/levels'
import { workOutPull, type PullRow } from '@tidy-badger/core/proving'
import { seededRandom } from '@tidy-badger/core/shared'

/** Pulls and loaded runs of a demo job: all of them out of the model, by seed. */
export interface DemoProof {
  /** The level the pulls with the kit are driven on. */
  level: number
  seed: number
  /** A brake at the shaft instead of the road. */
  brake?: boolean
  road?: { massKg: number; dragAreaM2: number; gearRatio: number; axleRatio: number; tyreHeightM: number }
  ladders: { use: LevelUse; upTo: number; load: number; altitudeM: number }[]
}

const ambientC = 16
/** What the way to the wheels leaves of the engine's power. */
const toWheels = 0.86

/** What a level does at full load over the engine's speeds. */
function atFullLoad({ machine, kit }: JobDossiers, level: number): (rpm: number) => LevelCell {
  const member = membersOf(kit).find((one) => one.kit.levels)
  const top = machine.engine.output?.atRpm ?? machine.engine.limiterRpm
  const rpm = Array.from({ length: 40 }, (_item, i) => top * (0.4 + (0.7 * i) / 39))
  const map = member && levelMap(machine, member.kit, { level, rpm, load: [1], altitudeM: 600, ambientC })
  if (!map?.ok) throw new Error(`demo: no map of ${kit.id}`)
  return (at) => {
    const i = rpm.findIndex((one) => one >= at)
    const cell = map.value.at(i)?.[0]
    if (!cell) throw new Error('demo: no cell')
    return cell
  }
}

/** Five pulls, the first for warming. */
export function demoPulls(dossiers: JobDossiers, proof: DemoProof, when: 'before' | 'after'): EntryBody[] {
  const cell = atFullLoad(dossiers, when === 'before' ? 0 : proof.level)
  const top = dossiers.machine.engine.output?.atRpm ?? dossiers.machine.engine.limiterRpm
  const [fromRpm, toRpm] = [0.5 * top, 1.05 * top]
  return Array.from({ length: 5 }, (_item, i): EntryBody => {
    const seed = proof.seed + i + (when === 'before' ? 0 : 10)
    const random = seededRandom(seed)
    // Air, fuel and tyres are never quite the same twice.
    const drift = 1 + 0.0015 * random.normal()
    const powerKw = (rpm: number) => cell(rpm).powerKw * toWheels * drift
    const road = { ...proof.road, massKg: proof.road?.massKg ?? 3000, rolling: 0.014, rotatingMassFactor: 1.05 }
    const brakeRows = (): PullRow[] =>
      Array.from({ length: 60 }, (_row, k) => {
        const rpm = fromRpm + ((toRpm - fromRpm) * k) / 59
        return { t: k / 5, rpm, powerKw: powerKw(rpm) * (1 + 0.002 * random.normal()) }
      })
    const vehicle = { dragAreaM2: 1.5, gearRatio: 1.5, axleRatio: 3.73, tyreHeightM: 0.81, ...road }
    const made = workOutPull(
      proof.brake
        ? { rows: brakeRows(), aspiration: 'boosted', fuel: 'diesel' }
        : {
            rows: simulatePull({ ...vehicle, fromRpm, toRpm, powerKw }, seed, { density: 1.15 }),
            ...{ road: vehicle, aspiration: 'boosted', fuel: 'diesel' },
            air: { pressureKPa: 94.3, tempC: ambientC, humidityPct: 50 },
          },
    )
    if (!made.ok) throw new Error(`demo: ${made.problems[0]?.message}`)
    return {
      ...{ kind: 'pull-made', when, name: `${proof.brake ? 'brake' : 'pull'} ${i + 1}`, ...made.value },
      conditions: {
        ...{ warmUp: i === 0, intakeC: 24 + (i % 3), oilC: 94 + (i % 2), exhaustC: 190, outsideC: ambientC },
        ...(proof.brake
          ? {}
          : { gear: '3, with its trailer', massKg: vehicle.massKg, direction: i % 2 === 0 ? 'there' : 'back' }),
      },
    }
  })
}

/** Loaded runs from stock up, as the model has them. */
export function demoLadders(dossiers: JobDossiers, { ladders, seed }: DemoProof): EntryBody[] {
  const { machine, kit } = dossiers
  const member = membersOf(kit).find((one) => one.kit.levels)
  if (!member) return []
  const random = seededRandom(seed + 50)
  const top = machine.engine.output?.atRpm ?? machine.engine.limiterRpm
  const wanted = new Set(usualLimits(machine).map(({ quantity }) => quantity))
  return ladders.flatMap(({ use, upTo, load, altitudeM }) =>
    Array.from({ length: upTo + 1 }, (_item, level): EntryBody => {
      const map = levelMap(machine, member.kit, { level, rpm: [0.72 * top], load: [load], altitudeM, ambientC })
      const cell = map.ok ? map.value[0]?.[0] : undefined
      if (!cell) throw new Error('demo: no cell')
      const tenth = (value: number) => Math.round(10 * value) / 10
      const read = {
        exhaust: { value: Math.round(cell.egtC + 3 * random.normal()), seconds: 75, at: 'before the turbine' },
        coolant: { value: tenth(89 + 1.5 * level + random.normal()) },
        rail: { value: tenth(cell.railMPa + 0.3 * random.normal()) },
        boost: { value: tenth(cell.boostKPa + random.normal()) },
      }
      const readings = Object.fromEntries(Object.entries(read).filter(([quantity]) => wanted.has(quantity)))
      return { kind: 'level-run', level, use, altitudeM, readings }
    }),
  )
}
