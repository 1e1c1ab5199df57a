import { seenFrom } from '@tidy-badger/core/access'
import { bodyView, viewName, viewRimM, whereWords } from '@tidy-badger/core/drawing'
import type { KnownList, Machine, ThingId } from '@tidy-badger/core/dossiers'
import { thingPoint } from '@tidy-badger/core/routing'
import { OnPhotos } from './OnPhotos.tsx'
import { MachinePicture } from './MachinePicture.tsx'

/** The whole machine, small, with the place of one thing on it, and photos it is pinned on; nothing where that is not written down. */
export function WhereOnMachine(props: { machine: Machine; thing: ThingId; name: string }) {
  const { machine, thing } = props
  return (
    <>
      <Drawn {...props} />
      <OnPhotos machine={machine} of={lists[thing.kind]} id={thing.id} />
    </>
  )
}

const lists = { connector: 'connectors', stud: 'studs', place: 'places' } as const satisfies Record<
  ThingId['kind'],
  KnownList
>

function Drawn({ machine, thing, name }: { machine: Machine; thing: ThingId; name: string }) {
  const { body } = machine
  const at = thingPoint(machine, thing)
  const view = seenFrom(machine, thing)
  if (!body || !at || !view) return null
  const { width, height, at: onPaper } = bodyView(body, view)
  const [x, y] = onPaper(at)
  // From inside the picture is as wide as the machine, and shown no larger.
  const unit = Math.max(width / 340, height / 190)
  const words = `${viewName(view)}: ${whereWords(body, at)}`
  return (
    <figure>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`${name} on the ${machine.model}. ${words}`}
        className="max-h-[190px] w-full"
      >
        <MachinePicture machine={machine} view={view} unit={unit} />
        <path
          d={`M${x} ${viewRimM / 2}V${y - 13 * unit}M${x} ${y + 13 * unit}V${height - viewRimM / 2}`}
          stroke="var(--data)"
          strokeWidth={1.6 * unit}
          strokeDasharray={`${4 * unit} ${3 * unit}`}
        />
        <circle cx={x} cy={y} r={12 * unit} fill="none" stroke="var(--ground)" strokeWidth={7 * unit} />
        <circle cx={x} cy={y} r={12 * unit} fill="none" stroke="var(--data)" strokeWidth={3.6 * unit} />
      </svg>
      <figcaption className="text-small text-quiet">{words}</figcaption>
    </figure>
  )
}
