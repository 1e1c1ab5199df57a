export type { DrawnMachine } from './drawnFrom.ts'
export { machineScene } from './machineScene.ts'
export {
  aroundAll,
  aroundPoints,
  bodyView,
  isFlat,
  viewFor,
  viewFrom,
  viewOfCover,
  viewRimM,
  views,
  viewWords,
  type BodyView,
  type Rect,
  type View,
} from './bodyView.ts'
export { lookAt, mostZoom, pushed, shownBy, wholeLook, zoomed, type Look, type Whole } from './look.ts'
export { whereWords } from './where.ts'
export { mostLabels, placeLabels, type LabelPlaced, type LabelWanted } from './placeLabels.ts'
export { tones, type Scene, type Shape, type Tone } from './scene.ts'
export { edgeHairs, inkKinds, inks, machineSvg, sceneMarkup, type InkKind, type Inks } from './sceneMarkup.ts'
export { partIdOf } from './changed.ts'
export { boxOf, heatNear, partsOf, type DrawnPart, type HeatNear } from './partsOf.ts'
export { coverParts, partsOff } from './covers.ts'
export { drawingNotes, drawnWithinM, type DrawingNote } from './notes.ts'
export { bySight, type Stretch as SightStretch } from './sight.ts'
export { placeTags, type TagPlaced, type TagWanted } from './placeTags.ts'
