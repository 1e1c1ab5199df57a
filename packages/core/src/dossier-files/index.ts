export { problemLine, type FolderFiles } from './folder.ts'
export { readFolder } from './readFolder.ts'
export { writeFolder } from './writeFolder.ts'
