export { cutJoined, opened, punctureSealed, vehicleEntries } from './entries.ts'
export { vehicleForms } from './forms.ts'
export { stockBars, stockRules, type StockRule } from './rules.ts'
export {
  freshVehicle,
  meterUnits,
  meterWords,
  purposeOf,
  sameWound,
  type Mended,
  type MeterReading,
  type VehicleState,
  type Wound,
} from './state.ts'
export { stockFindings } from './stockFindings.ts'
export {
  beginsWith,
  vehicleOf,
  type Beginning,
  type FittedKitOf,
  type OpenThing,
  type VehicleConnection,
  type VehicleJob,
  type VehicleNow,
} from './vehicleOf.ts'
export { stockWords, type StockFacts } from './words.ts'
export { mendingWords, woundOf, woundsOf, type WoundMade } from './wounds.ts'
