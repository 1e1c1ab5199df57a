import { defineRules, fix, neverLifted } from '../findings/index.ts'

/** What may be wrong with a sensor in the exhaust. */
export const sensorRules = defineRules({
  'boss-place': fix('The boss of a sensor is where it reads wrongly, or dies.'),
  'pipe-off': neverLifted('The exhaust is off, or open where a boss is to go, and the engine must not run.'),
})
export type SensorRule = keyof typeof sensorRules
