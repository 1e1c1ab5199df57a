import {
  coverRow,
  emptyCoverRow,
  wayFroms,
  withCover,
  withoutCover,
  type CoverRow,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { machineDrafting } from '../draftStore.ts'
import type { TypedField } from './TypedCell.tsx'
import { TypedTable } from './TypedTable.tsx'

const fields: TypedField<CoverRow>[] = [
  { field: 'name', label: 'Cover', hint: 'Seat', wide: 'w-40' },
  { field: 'after', label: 'Comes off after', hint: 'seat, left panel', wide: 'w-36' },
  { field: 'off', label: 'Minutes', hint: '8 or 3/6/12', wide: 'w-28' },
  { field: 'fasteners', label: 'What holds it', hint: '4 screws M6x20 hex socket 5 9 N·m; 2 pegs', wide: 'w-72' },
  { field: 'saves', label: 'Save', hint: 'four washers', wide: 'w-36' },
  { field: 'behind', label: 'Behind it', hint: 'injector, coil', wide: 'w-48' },
  { field: 'from', label: 'From', hint: '', wide: '', options: wayFroms },
]

/** What comes off, one row a cover. */
export function CoverTable({ machine }: { machine: Machine }) {
  return (
    <TypedTable
      drafting={machineDrafting}
      title="What comes off"
      says="One figure is enough for a time. The same plug behind two covers needs both; from another side it is another way."
      one="cover"
      fields={fields}
      items={machine.covers ?? []}
      document={machine}
      rowOf={coverRow}
      empty={emptyCoverRow}
      keep={withCover}
      takeOut={withoutCover}
      known={{ of: 'covers' }}
    />
  )
}
