import type { Kit } from '../dossiers/index.ts'
import type { Problem } from '../shared/index.ts'

/** What is said where a kit has not the level that is asked for. */
export function noSuchLevel({ model, levels }: Kit, level: number): Problem {
  return {
    code: 'no-such-level',
    path: 'level',
    message: levels
      ? `The ${model} has stock and ${levels.length} levels: ${level} is none of them.`
      : `The ${model} has no levels.`,
  }
}
