export { answerTo, figureFor, type Asked, type FigureAnswer } from './answerTo.ts'
export { inUnit, isUnit } from './inUnit.ts'
export { readFigures, type FigureRow } from './readFigures.ts'
