import {
  readWireColour,
  wireShort,
  type Kit,
  type KitEnd,
  type Machine,
  type MachineId,
  type PlaceId,
  type StudId,
} from '../dossiers/index.ts'
import { asId, failure, success, type Outcome, type Problem } from '../shared/index.ts'

/** What the kit's own sheet says of one end on one machine. */
export interface SheetRow {
  end: KitEnd
  /** A factory wire's colour, or a stud. */
  says: 'colour' | 'stud'
  text: string
}

/** Machines the sheet speaks of, with those it was made for first. */
export function sheetMachines(kit: Kit): MachineId[] {
  const spoken = kit.ends.flatMap((end) => ('sheet' in end ? end.sheet.map(({ machine }) => machine) : []))
  return [...new Set([...kit.fits, ...spoken, ...(kit.places ?? []).map(({ machine }) => machine)])]
}

/** The sheet of one machine: a row for every lead and ring. */
export function sheetRows(kit: Kit, machine: MachineId): SheetRow[] {
  return kit.ends.flatMap((end): SheetRow[] => {
    if (end.type === 'flying-lead') {
      const known = end.sheet.find((entry) => entry.machine === machine)
      return [{ end, says: 'colour', text: known ? wireShort(known.colour) : '' }]
    }
    if (end.type === 'ring')
      return [{ end, says: 'stud', text: end.sheet.find((entry) => entry.machine === machine)?.stud ?? '' }]
    return []
  })
}

/** The kit with what its sheet says of an end on a machine; empty: nothing. */
export function withSheetEntry(kit: Kit, machine: MachineId, end: KitEnd['id'], text: string): Outcome<Kit> {
  const problems: Problem[] = []
  const ends = kit.ends.map((one): KitEnd => {
    if (one.id !== end) return one
    if (one.type === 'flying-lead') {
      const others = one.sheet.filter((entry) => entry.machine !== machine)
      if (text.trim() === '') return { ...one, sheet: others }
      const read = readWireColour(text)
      if (read.kind === 'read') return { ...one, sheet: [...others, { machine, colour: read.colour }] }
      problems.push({ code: 'unreadable', path: 'text', message: read.message })
    }
    if (one.type === 'ring') {
      const others = one.sheet.filter((entry) => entry.machine !== machine)
      return { ...one, sheet: text === '' ? others : [...others, { machine, stud: asId<StudId>(text) }] }
    }
    return one
  })
  return problems.length > 0 ? failure(...problems) : success({ ...kit, ends })
}

/** The kit whose sheet puts the module at a place of a machine; null: nowhere. */
export function withSheetPlace(kit: Kit, machine: MachineId, place: PlaceId | null): Kit {
  const others = (kit.places ?? []).filter((entry) => entry.machine !== machine)
  const { places: _before, ...rest } = kit
  const now = place === null ? others : [...others, { machine, place }]
  return now.length > 0 ? { ...rest, places: now } : rest
}

/** The kit made for a machine, or not. */
export function withFit(kit: Kit, machine: MachineId, fits: boolean): Kit {
  const others = kit.fits.filter((id) => id !== machine)
  return { ...kit, fits: fits ? [...others, machine] : others }
}

/** What of a machine a sheet may name. */
export function sheetChoices(machine: Machine) {
  return {
    studs: machine.studs.map(({ id, name }) => ({ id, name })),
    places: (machine.places ?? [])
      .filter((place) => (place.use ?? 'module') === 'module')
      .map(({ id, name }) => ({ id, name })),
  }
}
