import type { Kit, Machine, SignalRole } from '../dossiers/index.ts'

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

/** Channels of a kit that drive an injector each, by cylinder; each cylinder once. What the engine has no cylinder for is capped. */
export function fuelChannels({ ends }: Kit, { engine }: Pick<Machine, 'engine'>): number[] {
  const cylinders = ends.flatMap((end) =>
    end.type === 'inline-pair'
      ? end.lines.flatMap(({ wants }) =>
          wants.role === 'injector' && wants.signal === 'injector-drive' ? [wants.cylinder ?? 1] : [],
        )
      : [],
  )
  return [...new Set(cylinders)].filter((cylinder) => cylinder <= engine.cylinders).sort((a, b) => a - b)
}
