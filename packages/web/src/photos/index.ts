export { keepPhoto } from './keepPhoto.ts'
export { Photo } from './components/Photo.tsx'
export { shrinkPhoto } from './shrinkPhoto.ts'
