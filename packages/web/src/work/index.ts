export { WorkDock } from './components/WorkDock.tsx'
export { WorkList } from './components/WorkList.tsx'
export { selectWork, showWorkPicture, useWorkSelection, workPictures, type WorkPicture } from './store.ts'
export { PlaceChoice } from './components/PlaceChoice.tsx'
