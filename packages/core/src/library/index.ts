export { fitOf, type Fit } from './fitOf.ts'
export { plugsLike, rowsOfFace, type PlugInHand, type PlugLike } from './plugsLike.ts'
export { searchLibrary, type LibraryFind, type LibraryHit } from './searchLibrary.ts'
export { usualParts, usualSteps, type Usual } from './usual.ts'
