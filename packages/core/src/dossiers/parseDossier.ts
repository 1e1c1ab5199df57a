import { failure, problemsOfZod, success, type Outcome } from '../shared/index.ts'
import { circuitContradictions, loomContradictions } from './circuitContradictions.ts'
import { composeVariant } from './composeVariant.ts'
import { knownContradictions, photoContradictions } from './howKnown.ts'
import { kitContradictions, machineContradictions } from './findContradictions.ts'
import type { Kit } from './kitModel.ts'
import { kitSchema } from './kitSchema.ts'
import type { Dossier } from './document.ts'
import type { Machine } from './model.ts'
import { machineSchema } from './schema.ts'

/**
 * Whether a document is new, or was accepted once: rules that came later do not take back what stands in jobs since.
 */
export type Accepted = 'now' | 'before'

/**
 * A machine document that fits its schema and contradicts itself in nothing, its variants included.
 * @param under path of the document within a request, for the problems
 */
export function parseMachine(document: unknown, under = '', accepted: Accepted = 'now'): Outcome<Machine> {
  const parsed = machineSchema.safeParse(document)
  if (!parsed.success) return failure(...problemsOfZod(parsed.error, under))
  const machine: Machine = parsed.data
  const contradictions = (one: Machine) => [
    ...machineContradictions(one),
    ...(accepted === 'now' ? circuitContradictions(one) : []),
  ]
  const problems = [
    ...knownContradictions(machine),
    ...photoContradictions(machine),
    ...contradictions(machine),
    ...machine.variants.flatMap((variant, i) => {
      const composed = composeVariant(machine, variant.id)
      if (!composed.ok) return composed.problems
      return contradictions({ ...composed.value, variants: [] }).map((problem) => ({
        ...problem,
        path: `variants.${i}`,
        message: `With variant "${variant.id}": ${problem.message}`,
      }))
    }),
  ]
  return problems.length > 0 ? failure(...problems.map(placed(under))) : success(machine)
}

export function parseKit(document: unknown, under = '', accepted: Accepted = 'now'): Outcome<Kit> {
  const parsed = kitSchema.safeParse(document)
  if (!parsed.success) return failure(...problemsOfZod(parsed.error, under))
  const problems = [
    ...knownContradictions(parsed.data),
    ...kitContradictions(parsed.data),
    ...(accepted === 'now' ? loomContradictions(parsed.data) : []),
  ]
  return problems.length > 0 ? failure(...problems.map(placed(under))) : success(parsed.data)
}

/** Either kind, by its `kind` field. */
export function parseDossier(document: unknown, under = '', accepted: Accepted = 'now'): Outcome<Dossier> {
  const kind = typeof document === 'object' && document !== null && 'kind' in document ? document.kind : undefined
  if (kind === 'machine') return parseMachine(document, under, accepted)
  if (kind === 'kit') return parseKit(document, under, accepted)
  const path = under === '' ? 'kind' : `${under}.kind`
  return failure({ code: 'unknown-kind', path, message: 'A dossier has a kind: "machine" or "kit".' })
}

function placed(under: string) {
  return <T extends { path: string }>(problem: T): T =>
    under === '' ? problem : { ...problem, path: `${under}.${problem.path}` }
}
