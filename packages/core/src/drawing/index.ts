export { machineScene, type DrawnMachine } from './machineScene.ts'
export { viewFor, whereWords } from './where.ts'
export { mostLabels, placeLabels, type LabelPlaced, type LabelWanted } from './placeLabels.ts'
export { tones, type Scene, type Shape, type Tone } from './scene.ts'
