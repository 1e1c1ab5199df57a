export { machineScene, type DrawnMachine } from './machineScene.ts'
export { viewFor, whereWords } from './where.ts'
export { tones, type Scene, type Shape, type Tone } from './scene.ts'
