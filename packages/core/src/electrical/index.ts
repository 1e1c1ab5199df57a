export { ampacityA, bladeFusesA, chooseFuse, fuseOverLoad, type FuseAsked, type FuseChoice } from './chooseFuse.ts'
export { idleDrain, type IdleDrainAsked } from './idleDrain.ts'
export { awgAreaMm2, awgDiameterMm, runResistanceOhm, wireRun, type WireRun, type WireRunAsked } from './wireRun.ts'
