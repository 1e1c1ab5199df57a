import type { MountPlace, PlaceId } from '@tidy-badger/core/dossiers'
import { idIn } from '@tidy-badger/core/shared'

/** At which of its places something sits. */
export function PlaceChoice({
  what,
  places,
  now,
  onChoose,
}: {
  what: string
  places: readonly MountPlace[]
  now: string | undefined
  onChoose: (place: PlaceId | undefined) => void
}) {
  return (
    <label className="flex flex-col">
      <span className="font-head font-bold">Where the {what} goes</span>
      <select value={now} onChange={(event) => onChoose(idIn(places, event.target.value))}>
        {places.map((item) => (
          <option key={item.id} value={item.id}>
            {item.name}: {item.place}
          </option>
        ))}
      </select>
    </label>
  )
}
