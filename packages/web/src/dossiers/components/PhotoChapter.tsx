import {
  pinnedLists,
  withPhoto,
  withPhotoWords,
  withPin,
  withoutPhoto,
  withoutPin,
} from '@tidy-badger/core/dossier-writing'
import { thingName, type DossierPhoto, type Machine } from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { notice } from '../../ui/notices.ts'
import { changeMachine } from '../draftStore.ts'
import { keepDossierPhoto } from '../keepDossierPhoto.ts'
import { PhotoBoard } from './PhotoBoard.tsx'

const listNames: Record<(typeof pinnedLists)[number], string> = {
  connectors: 'Plugs',
  covers: 'Covers',
  places: 'Places',
  passages: 'Passages',
  studs: 'Studs',
  zones: 'Zones',
}

/** Photos of the machine; what is where is tapped on them, where a drawing is not worth the time, or beside it. */
export function PhotoChapter({ machine }: { machine: Machine }) {
  const [busy, setBusy] = useState(false)
  const add = async (files: readonly File[]) => {
    setBusy(true)
    for (const file of files)
      try {
        const photo = await keepDossierPhoto(file)
        changeMachine((before) => withPhoto(before, photo))
      } catch (error) {
        notice.bad(`${file.name}: ${error instanceof Error ? error.message : 'it could not be kept.'}`)
      }
    setBusy(false)
  }
  return (
    <div className="flex flex-col gap-6">
      <p className="text-quiet">
        Pick what it is, then tap where it is on the photo. On a job the photo stands beside the plug, the cover or the
        place.
      </p>
      <FileButton
        accept="image/*"
        label="Photos of the machine: pick or take pictures"
        multiple
        disabled={busy}
        className="self-start"
        onFiles={(files) => void add(files)}
      >
        {busy ? 'Making it smaller…' : 'Add photos'}
      </FileButton>
      {(machine.photos ?? []).map((photo) => (
        <Pinned key={photo.photo} machine={machine} photo={photo} />
      ))}
    </div>
  )
}

function Pinned({ machine, photo }: { machine: Machine; photo: DossierPhoto }) {
  const [picked, setPicked] = useState('')
  const [words, setWords] = useState(photo.says)
  const choices = pinnedLists.flatMap((of) => (machine[of] ?? []).map(({ id, name }) => ({ of, id, name })))
  const hand = choices.find(({ of, id }) => `${of} ${id}` === picked)
  return (
    <section aria-label={`Photo: ${photo.says}`} className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1 font-semibold">
          It shows
          <input
            value={words}
            maxLength={200}
            onChange={(event) => setWords(event.target.value)}
            onBlur={() => changeMachine((before) => withPhotoWords(before, photo.photo, words))}
          />
        </label>
        <label className="flex flex-col gap-1 font-semibold">
          Tapped next
          <select value={picked} onChange={(event) => setPicked(event.target.value)}>
            <option value="">pick what it is…</option>
            {pinnedLists.map((of) => (
              <optgroup key={of} label={listNames[of]}>
                {choices
                  .filter((choice) => choice.of === of)
                  .map(({ id, name }) => (
                    <option key={id} value={`${of} ${id}`}>
                      {name}
                    </option>
                  ))}
              </optgroup>
            ))}
          </select>
        </label>
        <Button look="quiet" onClick={() => changeMachine((before) => withoutPhoto(before, photo.photo))}>
          Take the photo out
        </Button>
      </div>
      <PhotoBoard
        hash={photo.photo}
        alt={photo.says}
        marks={photo.pins.map(({ of, id, x, y }, i) => ({
          ...{ key: `${of} ${id}`, x, y, label: i + 1 },
          ...{ name: `${i + 1}: ${thingName(machine, of, id)}`, strong: picked === `${of} ${id}` },
        }))}
        onTap={({ x, y }) =>
          hand
            ? changeMachine((before) => withPin(before, photo.photo, { of: hand.of, id: hand.id, x, y }))
            : notice.say('Pick what it is first, then tap where it is.')
        }
      />
      {photo.pins.length > 0 && (
        <ol className="flex flex-wrap gap-x-5 gap-y-1">
          {photo.pins.map((pin, i) => (
            <li key={`${pin.of} ${pin.id}`} className="flex items-center gap-2">
              <span className="figures">{i + 1}</span> {thingName(machine, pin.of, pin.id)}
              <Button
                look="quiet"
                aria-label={`Take the pin of ${thingName(machine, pin.of, pin.id)} off`}
                onClick={() => changeMachine((before) => withoutPin(before, photo.photo, pin))}
              >
                Off
              </Button>
            </li>
          ))}
        </ol>
      )}
    </section>
  )
}
