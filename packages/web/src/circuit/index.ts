export { ModuleSupplyTable } from './ModuleSupplyTable.tsx'
export { useMeterFigures } from './useMeterFigures.ts'
