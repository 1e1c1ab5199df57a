import { withTapped } from '@tidy-badger/core/dossier-writing'
import type { Connector, FaceSide, Machine, Tap } from '@tidy-badger/core/dossiers'
import { useEffect, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { keepMade, machineDrafting } from '../draftStore.ts'
import { PhotoBoard, type Spot } from './PhotoBoard.tsx'

const sides: readonly FaceSide[] = ['wire side', 'mating side']
/** Any size will do: places are compared with one another only. */
const shortSidePx = 1000

/** The face of a plug from a photo of it: every cavity is tapped in the order of its number. The photo is not kept. */
export function TapPlug({ machine, connector }: { machine: Machine; connector: Connector }) {
  const [photo, setPhoto] = useState<{ url: string; aspect: number } | null>(null)
  const [spots, setSpots] = useState<readonly Spot[]>([])
  const [side, setSide] = useState<FaceSide>('wire side')
  const [wrong, setWrong] = useState<string | null>(null)
  useEffect(() => () => void (photo && URL.revokeObjectURL(photo.url)), [photo])
  const show = async ([file]: readonly File[]) => {
    if (!file) return
    const picture = await createImageBitmap(file).catch(() => null)
    if (!picture) return setWrong('This file is no picture that the browser can read. Take it as JPEG or PNG.')
    setWrong(null)
    setSpots([])
    setPhoto({ url: URL.createObjectURL(file), aspect: picture.width / picture.height })
    picture.close()
  }
  const keep = () => {
    const taps = spots.map(({ x, y }, i): Tap => ({
      number: i + 1,
      x: x * shortSidePx * (photo?.aspect ?? 1),
      y: y * shortSidePx,
    }))
    const made = keepMade(machineDrafting, machine, (now) => withTapped(now, connector.id, taps, side))
    setWrong(made.ok ? null : (made.problems[0]?.message ?? null))
    if (made.ok) setPhoto(null)
  }
  return (
    <>
      <FileButton
        accept="image/*"
        label={`Face of ${connector.name} from a photo`}
        onFiles={(files) => void show(files)}
      >
        Face from a photo
      </FileButton>
      {wrong && !photo && (
        <p role="alert" className="font-semibold text-stop">
          {wrong}
        </p>
      )}
      <Sheet
        open={photo !== null}
        onClose={() => setPhoto(null)}
        title={`${connector.name}: tap its cavities`}
        hint={`In the order of their numbers. Next: cavity ${spots.length + 1}.`}
        wide
      >
        {photo && (
          <div className="flex flex-col gap-3">
            <label className="flex flex-col gap-1 font-semibold">
              Taken from its
              <select
                className="max-w-60"
                value={side}
                onChange={(event) => setSide(sides.find((item) => item === event.target.value) ?? side)}
              >
                {sides.map((item) => (
                  <option key={item}>{item}</option>
                ))}
              </select>
            </label>
            <PhotoBoard
              src={photo.url}
              alt={`Face of ${connector.name}`}
              marks={spots.map((spot, i) => ({ ...spot, key: String(i), label: i + 1, name: `cavity ${i + 1}` }))}
              onTap={(spot) => setSpots((before) => [...before, spot])}
            />
            {wrong && (
              <p role="alert" className="font-semibold text-stop">
                {wrong}
              </p>
            )}
            <div className="flex flex-wrap gap-2">
              <Button look="main" disabled={spots.length === 0} onClick={keep}>
                That is its face: {spots.length} {spots.length === 1 ? 'cavity' : 'cavities'}
              </Button>
              <Button disabled={spots.length === 0} onClick={() => setSpots((before) => before.slice(0, -1))}>
                Take the last one back
              </Button>
            </div>
          </div>
        )}
      </Sheet>
    </>
  )
}
