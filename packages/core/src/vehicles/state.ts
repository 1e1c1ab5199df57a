import type { ConnectorId, Purpose } from '../dossiers/index.ts'
import type { Done } from '../journal/index.ts'
import type { Connection } from '../wiring/index.ts'

/** A cavity of a plug on which something was done for good. */
export interface Wound {
  connector: ConnectorId
  cavity: number
}

export const meterWords = ({ value, unit }: MeterReading) => `${value} ${unit}`

/** A wound that was made good. */
export type Mended = Done & Wound & { how: string }

/** A kit that was in the machine when the job was opened, by the job that fitted it. */
export interface CameFrom {
  /** Its name in this job; '' where it is the only one. */
  key: string
  /** The job that fitted it, and its name there. */
  job: string
  as: string
}

export const meterUnits = ['km', 'mi', 'h'] as const

/** What the machine's own meter showed at a visit: kilometres, miles or hours. */
export interface MeterReading {
  value: number
  unit: (typeof meterUnits)[number]
}

/** What a job began with, and what it made good. */
export interface VehicleState {
  /** Kits that were in the machine before this job. */
  cameFrom: CameFrom[]
  /** Kits of this job that came off another machine. */
  fromShelf: { job: string; as: string }[]
  /** What was joined when the job was opened. */
  began: Connection[]
  /** Punctures that are sealed, and cut wires that are whole again. */
  sealed: Mended[]
  joined: Mended[]
  /** The machine's meter at this visit, as last read. */
  meter: (Done & MeterReading) | null
  decided: { purpose?: Purpose }
}

export function freshVehicle(): VehicleState {
  return { cameFrom: [], fromShelf: [], began: [], sealed: [], joined: [], meter: null, decided: {} }
}

export const purposeOf = (state: { decided: { purpose?: Purpose } }): Purpose => state.decided.purpose ?? 'fit'

export const sameWound = (a: Wound, b: Wound): boolean => a.connector === b.connector && a.cavity === b.cavity
