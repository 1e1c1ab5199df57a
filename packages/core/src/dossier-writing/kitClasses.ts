export const kitClasses = [
  'pulse piggyback',
  'airflow piggyback',
  'inline sensor module',
  'pedal box',
  'plug-in controller',
  'wideband gauge',
  'level switch',
  'something else',
] as const
export type KitClass = (typeof kitClasses)[number]

/** What is asked of a kit before it is begun; what its class does not have is not looked at. */
export interface KitAsked {
  cylinders: number
  /** Rows of injectors. */
  rows: 1 | 2
  coils: boolean
  wideband: boolean
  /** Sensors an inline module changes or reads, in words: `rail pressure`, `crank`. */
  sensors: readonly string[]
  /** Cavities of the plug a plug-in controller takes over. */
  cavities: number
}

export const plainKit: KitAsked = { cylinders: 1, rows: 1, coils: true, wideband: false, sensors: [], cavities: 34 }

/** Which of the questions a class needs an answer to. */
export const askedOf: Record<KitClass, readonly (keyof KitAsked)[]> = {
  'pulse piggyback': ['cylinders', 'rows', 'coils', 'wideband'],
  'airflow piggyback': [],
  'inline sensor module': ['sensors'],
  'pedal box': [],
  'plug-in controller': ['cavities'],
  'wideband gauge': [],
  'level switch': [],
  'something else': [],
}
