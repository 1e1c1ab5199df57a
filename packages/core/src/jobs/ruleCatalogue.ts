import { supplyRules } from '../electrical/index.ts'
import type { Rule } from '../findings/index.ts'
import { levelRules } from '../levels/index.ts'
import { provingRules } from '../proving/index.ts'
import { routeRules } from '../routing/index.ts'
import { sensorRules } from '../sensors/index.ts'
import { setupRules } from '../setup/index.ts'
import { stockRules } from '../vehicles/index.ts'
import { wakeRules } from '../wake/index.ts'
import { wiringRules } from '../wiring/index.ts'
import { workRules } from './rules.ts'

/** Rules of all rooms, by the room that judges by them. */
export const rulesByRoom = {
  wiring: wiringRules,
  routing: routeRules,
  electrical: supplyRules,
  sensors: sensorRules,
  setup: setupRules,
  wake: wakeRules,
  levels: levelRules,
  proving: provingRules,
  vehicles: stockRules,
  jobs: workRules,
} as const satisfies Record<string, Readonly<Record<string, Rule>>>

export const ruleCatalogue = {
  ...wiringRules,
  ...routeRules,
  ...supplyRules,
  ...sensorRules,
  ...setupRules,
  ...wakeRules,
  ...levelRules,
  ...provingRules,
  ...stockRules,
  ...workRules,
}
export type RuleId = keyof typeof ruleCatalogue
