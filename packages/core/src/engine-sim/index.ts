export { simulateRide, type Ride, type RideResult } from './simulateRide.ts'
export { quadEngine, type SimEngine } from './engine.ts'
export { rideCsv, type CsvDialect } from './rideCsv.ts'
export { simulatePull, type PulledRow, type PulledVehicle } from './simulatePull.ts'
