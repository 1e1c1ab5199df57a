export { keepPhoto } from './keepPhoto.ts'
export { Photo } from './components/Photo.tsx'
