import type { ConnectorId, Kit, KitEndId, MeterState, NetId, StudId, SpliceId } from '../dossiers/index.ts'
import type { Connection } from '../wiring/index.ts'

/** A kit with what joins it to the machine, as planned or as built. */
export interface FittedKit {
  kit: Kit
  connections: readonly Connection[]
  /** Leads of it that live from the relay of another kit. */
  fedBy?: readonly { kitEnd: KitEndId; kit: Kit['id'] }[]
}

/** Where a probe is held. A cavity has two halves: the loom's terminal, seen from the wire side, and that of the device. */
export type ProbePlace =
  | { connector: ConnectorId; cavity: number; half?: 'loom' | 'device' }
  | { stud: StudId }
  | { splice: SpliceId }
  /** Engine, frame: what everything is measured against. */
  | { bare: 'metal' }
  /** `kit` where several have an end of that name. */
  | { kitEnd: KitEndId; kit?: Kit['id'] }
  /** A module's own pins, at its plug. */
  | { module: Kit['id']; pin: 'supply' | 'ground' }

/** Where current is asked for: through a lead into its kit, into a module with what it drives, out of the battery into everything. */
export type CurrentPlace = { kitEnd: KitEndId; kit?: Kit['id'] } | { module: Kit['id'] } | { battery: 'all' }

/** Something that is not as it should be. */
export type CircuitFault =
  /** A wire with so much more resistance; null: broken. */
  | { kind: 'wire'; wire: string; ohms: number | null }
  /** A contact with so much more resistance; null: open. */
  | { kind: 'contact'; connector: ConnectorId; cavity: number; ohms: number | null }
  /** A supply that is live whatever the key says, or dead: a relay that sticks, a fuse that is blown. */
  | { kind: 'supply'; net: NetId; live: boolean }
  /** Two places that touch. */
  | { kind: 'touch'; from: ProbePlace; to: ProbePlace; ohms: number }

export interface CircuitOptions {
  state: MeterState
  faults?: readonly CircuitFault[]
}

/** What a meter shows; with the battery off it is an ohmmeter. Floating: no way from probe to probe, so nothing that could be shown. */
export type CircuitReading =
  | { kind: 'volts'; volts: number; floating: false }
  | { kind: 'ohms'; ohms: number; floating: false }
  | { kind: 'floating'; floating: true }
