export { photo, photoEntries, photoPacked } from './entries.ts'
export { freshPhotos, photoShows, type PhotoPlace, type PhotoShows, type PhotoState, type TakenPhoto } from './state.ts'
