export { machineScene, type DrawnMachine } from './machineScene.ts'
export { tones, type Scene, type Shape, type Tone } from './scene.ts'
