import {
  emptyPassageRow,
  emptyPlaceRow,
  passageRow,
  placeRow,
  placeUses,
  withPassage,
  withPlace,
  withoutPassage,
  type Machine,
  type PassageRow,
  type PlaceRow,
} from '@tidy-badger/core/dossiers'
import { machineDrafting } from '../draftStore.ts'
import type { TypedField } from './TypedCell.tsx'
import { TypedTable } from './TypedTable.tsx'

const passageFields: TypedField<PassageRow>[] = [
  { field: 'from', label: 'From', hint: 'seat', wide: 'w-36' },
  { field: 'to', label: 'To', hint: 'throttle body', wide: 'w-36' },
  { field: 'name', label: 'Passage', hint: 'along the left spar', wide: 'w-52' },
  { field: 'lengthMm', label: 'Length, mm', hint: '320', wide: 'w-24' },
  { field: 'hazards', label: 'What it meets', hint: 'hot 380 40 exhaust; pinch seat; wet', wide: 'w-72' },
  { field: 'freeMm2', label: 'Free, mm²', hint: '180', wide: 'w-20' },
  { field: 'bulkhead', label: 'Wall', hint: 'grommet 10/20/40', wide: 'w-40' },
  { field: 'under', label: 'Under', hint: 'seat, tank', wide: 'w-36' },
  { field: 'steering', label: 'Steering', hint: '', wide: '', options: ['', 'left', 'right', 'front'] },
]

/** Where a loom can lie, one row a passage. */
export function PassageTable({ machine }: { machine: Machine }) {
  return (
    <TypedTable
      drafting={machineDrafting}
      title="Passages"
      says="Measured along the way. Left empty, a length is taken from the points and shown as an estimate. What it meets: hot (°C, mm away, what), moving (mm, what), pinch, sharp, wet, shakes, barred. Under: covers that are off to lay something there; left empty, those that every way to its ends takes off."
      one="passage"
      fields={passageFields}
      items={machine.passages ?? []}
      document={machine}
      rowOf={passageRow}
      empty={emptyPassageRow}
      keep={withPassage}
      takeOut={withoutPassage}
      known={{ of: 'passages' }}
    />
  )
}

const placeFields: TypedField<PlaceRow>[] = [
  { field: 'name', label: 'Place', hint: 'Under the rack', wide: 'w-40' },
  { field: 'place', label: 'Where a hand finds it', hint: 'flat plate beside the tow plate', wide: 'w-56' },
  { field: 'zone', label: 'Zone', hint: 'machine', wide: 'w-32' },
  { field: 'use', label: 'For', hint: '', wide: '', options: placeUses },
  { field: 'room', label: 'Room, mm', hint: '130 90 35', wide: 'w-28' },
  { field: 'warm', label: 'Warmest, °C', hint: '60', wide: 'w-20' },
  { field: 'vibration', label: 'Shakes', hint: '', wide: '', options: ['', 'low', 'some', 'high'] },
  { field: 'wet', label: 'Wet', hint: '', wide: '' },
  { field: 'hidden', label: 'Hidden', hint: '', wide: '' },
  { field: 'lampSeen', label: 'Lamp seen', hint: '', wide: '' },
  { field: 'dash', label: 'In view', hint: '', wide: '' },
]

/** Where a module, a dial, a sensor or a switch can sit. */
export function PlaceTable({ machine }: { machine: Machine }) {
  return (
    <TypedTable
      drafting={machineDrafting}
      title="Mount places"
      says="What is not known stays empty and speaks against nothing."
      one="place"
      fields={placeFields}
      items={machine.places ?? []}
      document={machine}
      rowOf={placeRow}
      empty={emptyPlaceRow}
      keep={withPlace}
      known={{ of: 'places' }}
      takeOut={(before, id) => ({
        ...before,
        places: (before.places ?? []).filter((place) => place.id !== id),
        spots: before.spots?.map((spot) => ({
          ...spot,
          serves: spot.serves.filter((item) => !('place' in item && item.place === id)),
        })),
        ways: before.ways?.filter((way) => !('place' in way.to && way.to.place === id)),
      })}
    />
  )
}
