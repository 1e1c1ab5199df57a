export { photoEntries } from './entries.ts'
export { freshPhotos, type PhotoPlace, type PhotoShows, type PhotoState } from './state.ts'
export { photoForms } from './forms.ts'
