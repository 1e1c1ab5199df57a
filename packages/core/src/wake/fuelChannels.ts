import type { Kit, Machine } from '../dossiers/index.ts'

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
