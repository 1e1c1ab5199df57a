import {
  drawnPartFields,
  machineListBegins,
  machineListFields,
  textsOf,
  withDrawnPart,
  withMachineRow,
  withoutDrawnPart,
  withoutOne,
  type MachineList,
} from '@tidy-badger/core/dossier-writing'
import type { Machine } from '@tidy-badger/core/dossiers'
import { machineDrafting } from '../draftStore.ts'
import { FieldTable } from './FieldTable.tsx'

/** A list of the machine, one row a thing. */
export function MachineTable({
  machine,
  list,
  title,
  says,
  one,
  picked,
  onPick,
}: {
  machine: Machine
  list: MachineList
  title: string
  says: string
  one: string
  picked?: string | null
  onPick?: (id: string) => void
}) {
  const fields = machineListFields(list)
  const items: readonly { id: string; name?: string; text?: string }[] = machine[list]
  const indexOf = (now: Machine, id: string) => now[list].findIndex((item) => item.id === id)
  return (
    <FieldTable
      drafting={machineDrafting}
      title={title}
      says={says}
      one={one}
      fields={fields}
      items={items.map((item) => ({
        id: item.id,
        name: item.name ?? item.text ?? item.id,
        texts: textsOf(item, fields),
      }))}
      document={machine}
      empty={textsOf(machineListBegins[list], fields)}
      keep={(now, id, texts) => withMachineRow(now, list, id === null ? null : indexOf(now, id), texts)}
      takeOut={(now, id) => {
        const less = withoutOne('machine', now, list, indexOf(now, id))
        return less.ok ? less.value : now
      }}
      known={{ of: list }}
      {...(picked === undefined ? {} : { picked })}
      {...(onPick ? { onPick } : {})}
    />
  )
}

/** Parts of the drawing that are otherwise than the class has them. */
export function DrawnPartTable({ machine }: { machine: Machine }) {
  const fields = drawnPartFields(machine)
  return (
    <FieldTable
      drafting={machineDrafting}
      title="Parts put elsewhere"
      says="The drawing is that of its class. A part that sits elsewhere, is larger, or is not there, is said here and moves at once."
      one="part"
      fields={fields}
      items={(machine.body?.parts ?? []).map((part, i) => ({
        id: String(i),
        name: part.id,
        texts: textsOf(part, fields),
      }))}
      document={machine}
      empty={{ id: '' }}
      keep={(now, id, texts) => withDrawnPart(now, id === null ? null : Number(id), texts)}
      takeOut={(now, id) => withoutDrawnPart(now, Number(id))}
    />
  )
}
