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
  viewsOf,
  viewName,
  viewWords,
  type BodyView,
  type Rect,
  type View,
} from './bodyView.ts'
export { lookAt, mostZoom, pushed, shownBy, wholeLook, zoomed, type Look, type Whole } from './look.ts'
export { nearestFirst, whereWords } from './where.ts'
export { mostLabels, placeLabels, type LabelWanted } from './placeLabels.ts'
export type { Shape } from './scene.ts'
export { edgeHairs, inkKinds, inks, machineSvg, sceneMarkup, type InkKind } from './sceneMarkup.ts'
export { partIdOf } from './changed.ts'
export { boxOf } from './path.ts'
export { heatNear, partsOf } from './partsOf.ts'
export { coverParts, partsOff } from './covers.ts'
export { drawingNotes } from './notes.ts'
export { bySight, isInSight, middleOf } from './sight.ts'
export { placeTags } from './placeTags.ts'
