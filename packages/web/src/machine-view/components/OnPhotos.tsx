import { photosOf, thingName, type KnownList, type Machine } from '@tidy-badger/core/dossiers'
import { Photo } from '../../photos/index.ts'

/** Photos of the machine on which a thing is pinned, with a ring where it is. */
export function OnPhotos({ machine, of, id }: { machine: Machine; of: KnownList; id: string }) {
  const name = thingName(machine, of, id)
  return photosOf(machine, of, id).map(({ photo, pin }) => (
    <figure key={photo.photo} className="relative">
      <span className="relative inline-block max-w-full">
        <Photo
          hash={photo.photo}
          alt={`${name}: ${photo.says}`}
          className="max-h-64 max-w-full rounded-lg !object-contain"
        />
        <span
          aria-hidden
          style={{ left: `${pin.x * 100}%`, top: `${pin.y * 100}%` }}
          className="absolute size-9 -translate-x-1/2 -translate-y-1/2 rounded-full border-4 border-lamp shadow-[0_0_0_3px_#15181a]"
        />
      </span>
      <figcaption className="text-small text-quiet">{photo.says}</figcaption>
    </figure>
  ))
}
