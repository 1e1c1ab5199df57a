import type { Accepted, Dossier } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { orRefuse, refusal } from '../platform/errors.ts'
import type { WorkPool } from '../platform/workPool.ts'
import { check, type CheckTask } from './worker.ts'

/** Characters of JSON, times the variants it is checked in, that are looked at in this thread; more go to a worker. */
const lightWork = 400_000
/** Wires of a machine, times the variants it is checked in, at most. */
export const mostWiresChecked = 500_000

/** How much work a document is: its JSON, once for every variant. */
function weightOf(document: unknown): number {
  return JSON.stringify(document).length * (1 + lengthOf(document, 'variants'))
}

function lengthOf(document: unknown, list: string): number {
  const found: unknown = typeof document === 'object' && document !== null ? Reflect.get(document, list) : null
  return Array.isArray(found) ? found.length : 0
}

/**
 * A document that fits its schema and contradicts itself in nothing; long checks run beside the server.
 * @throws Refusal with its problems, or that it is more than can be checked
 */
export async function checkDocument(
  pool: WorkPool,
  document: unknown,
  under = '',
  kind?: Dossier['kind'],
  accepted: Accepted = 'now',
): Promise<Dossier> {
  const wires = lengthOf(document, 'wires') * (1 + lengthOf(document, 'variants'))
  if (wires > mostWiresChecked)
    throw refusal(
      'malformed',
      'too-many-variants',
      `${lengthOf(document, 'wires')} wires in ${lengthOf(document, 'variants')} variants are more than can be checked: at most ${mostWiresChecked} wires over all variants. Split the machine in two.`,
      under === '' ? 'variants' : `${under}.variants`,
    )
  const task: CheckTask = { document, kind, under, accepted }
  const outcome: Outcome<Dossier> =
    weightOf(document) <= lightWork
      ? check(task)
      : await pool.run(new URL('./worker.ts', import.meta.url), 'check', task)
  return orRefuse(outcome, 'malformed')
}
