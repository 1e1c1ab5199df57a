import type { Kit, SignalRole } from '../dossiers/index.ts'

/** What is compared to prove a kit's connection, with how near the two have to be. */
export interface ProofValue {
  quantity: string
  unit: string
  tolerance: number
  /** What makes it move. */
  move: string
}

const rev = 'raise the engine speed and let go'

const byRole: readonly [role: SignalRole, value: ProofValue][] = [
  ['rail-pressure', { quantity: 'Rail pressure', unit: 'MPa', tolerance: 2, move: rev }],
  ['boost-pressure', { quantity: 'Boost pressure', unit: 'kPa', tolerance: 2, move: rev }],
  ['manifold-pressure', { quantity: 'Manifold pressure', unit: 'kPa', tolerance: 2, move: rev }],
  ['airflow', { quantity: 'Short-term trim', unit: '%', tolerance: 1, move: 'shift the airflow by 5 % and back' }],
  ['pedal-position', { quantity: 'Pedal', unit: '%', tolerance: 3, move: 'press it a little and let go' }],
  ['wideband', { quantity: 'Mixture', unit: 'AFR', tolerance: 0.5, move: 'rev once and let go' }],
]

/** The value by which a kit's hand on the engine is proved: that of the first signal it changes, or cuts; else engine speed. */
export function proofOf({ ends }: Kit): ProofValue {
  const changed = new Set<SignalRole>(
    ends.flatMap((end) =>
      end.type === 'inline-pair'
        ? end.lines.flatMap(({ does, wants }) => (does === 'interrupt' ? [wants.role] : []))
        : end.type === 'flying-lead' && end.cut
          ? [end.wants.role]
          : end.type === 'plug' && end.far === 'sensor'
            ? ['wideband' as const]
            : [],
    ),
  )
  return (
    byRole.find(([role]) => changed.has(role))?.[1] ?? {
      ...{ quantity: 'Engine speed', unit: '1/min', tolerance: 60, move: rev },
    }
  )
}
