import type { Kit, KitEnd, KitSetting } from '../dossiers/index.ts'

/** Whether a kit stands in the place of the control unit and drives the engine itself. */
export function isController(kit: Kit): boolean {
  return kit.ends.some(
    (end) =>
      end.type === 'inline-pair' &&
      !end.deviceHalf &&
      end.lines.some(({ does, wants }) => does === 'interrupt' && wants.signal.endsWith('drive')),
  )
}

/** Whether it changes what the control unit hears of the pedal. */
export function changesPedal(kit: Kit): boolean {
  const pedal = (end: KitEnd) =>
    end.type === 'inline-pair' &&
    end.lines.some(({ does, wants }) => does === 'interrupt' && wants.role === 'pedal-position')
  return kit.ends.some(pedal)
}

/** Sensitivities at which a pedal module has to be proved. */
export function pedalLevels(kit: Kit): string[] {
  return kit.settings.find(({ role }) => role === 'pedal curve')?.choices ?? ['stock']
}

/** Settings that are the captured ends of a throttle. */
export function isThrottle({ role }: Pick<KitSetting, 'role'>): boolean {
  return role === 'throttle shut' || role === 'throttle open'
}

/** A level as the unit's setting calls it: 0 is what it ships on. Null where it has no such level. */
export function levelChoice({ choices = [] }: Pick<KitSetting, 'choices'>, level: number | string): string | null {
  const named =
    typeof level === 'number'
      ? level === 0
        ? 'stock'
        : (choices.find((choice) => choice === String(level)) ?? choices[level])
      : level
  return choices.find((choice) => choice === named) ?? (named === '0' ? 'stock' : null)
}
