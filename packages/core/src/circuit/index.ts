export { answerReading } from './answerReading.ts'
export { buildCircuit, type Circuit } from './buildCircuit.ts'
export type { CircuitFault, CircuitOptions, CircuitReading, FittedKit, ProbePlace } from './model.ts'
export { readingAnswerSchema, readingAskedSchema, type ReadingAnswer, type ReadingAsked } from './schema.ts'
