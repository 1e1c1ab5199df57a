import {
  asHeading,
  coverRow,
  missingFrom,
  passageRow,
  placeRow,
  type Body,
  type Machine,
  type PointAt,
} from '@tidy-badger/core/dossiers'
import {
  aroundPoints,
  bodyView,
  isFlat,
  isInSight,
  middleOf,
  viewFor,
  viewOfCover,
  viewWords,
  type Rect,
  type View,
} from '@tidy-badger/core/drawing'
import { passagePoints, thingPoint } from '@tidy-badger/core/routing'
import { useState, type ReactNode } from 'react'
import { MachineCanvas } from '../../machine-view/index.ts'
import { Picture, Views } from '../../ui/Views.tsx'
import { Drawing, Figures } from './MachineFigures.tsx'
import { StationSteps } from './StationSteps.tsx'

const chapters = ['plugs', 'covers', 'places', 'passages', 'steps', 'figures', 'drawing'] as const
type Chapter = (typeof chapters)[number]

const chapterNames: Record<Chapter, string> = {
  plugs: 'Plugs',
  covers: 'Covers',
  places: 'Places',
  passages: 'Passages',
  steps: 'Steps',
  figures: 'Figures',
  drawing: 'Drawing',
}

/** A thing of a chapter with what is known of it, and where it is. */
interface Line {
  id: string
  name: string
  says: readonly string[]
  /** Its corners, or the one point it is at. */
  points: readonly PointAt[]
  view?: View
}

/** Everything a machine's dossier says, chapter by chapter; what is picked is shown on the machine. */
export function MachineContents({ machine, plugs }: { machine: Machine; plugs: ReactNode }) {
  const [chapter, setChapter] = useState<Chapter>('plugs')
  const missing = missingFrom(machine)
  return (
    <div className="mt-5">
      {missing.length > 0 && (
        <section aria-label="What is not written down" className="mb-5">
          <h2 className="mb-1 text-title font-bold">Not written down</h2>
          <ul className="flex flex-col gap-1.5">
            {missing.map(({ what, costs }) => (
              <li key={what} className="border-l-[5px] border-line pl-3">
                {costs}
              </li>
            ))}
          </ul>
        </section>
      )}
      <Views
        heading={<h2 className="text-title font-bold">What is written down</h2>}
        names={chapters.map((name) => [name, chapterNames[name]] as const)}
        shown={chapter}
        onShow={setChapter}
      >
        <Picture name="plugs">{plugs}</Picture>
        <Picture name="covers">
          <Chapter
            machine={machine}
            lines={coverLines(machine)}
            none="What comes off is not written down: no minutes are known."
          />
        </Picture>
        <Picture name="places">
          <Chapter machine={machine} lines={placeLines(machine)} none="No place for a module is written down." />
        </Picture>
        <Picture name="passages">
          <Chapter
            machine={machine}
            lines={passageLines(machine)}
            none="Where a loom can lie is not written down: no lengths are known."
          />
        </Picture>
        <Picture name="steps">
          <StationSteps steps={machine.steps} />
        </Picture>
        <Picture name="figures">
          <Figures machine={machine} />
        </Picture>
        <Picture name="drawing">
          <Drawing machine={machine} />
        </Picture>
      </Views>
    </div>
  )
}

const said = (...pairs: readonly (readonly [string, string])[]) =>
  pairs.flatMap(([what, text]) => (text === '' || text === '-' ? [] : [what === '' ? text : `${what}: ${text}`]))

function coverLines(machine: Machine): Line[] {
  return (machine.covers ?? []).map((cover) => {
    const row = coverRow(machine, cover)
    const { box } = cover
    return {
      id: cover.id,
      name: cover.name,
      says: said(
        ['', row.fasteners],
        ['Minutes, best/likely/worst', row.off],
        ['After', row.after],
        ['Behind it', row.behind],
        ['Save', row.saves],
        ['', cover.how ?? ''],
        ['Take care', cover.caution ?? ''],
      ),
      points: box ? cornersOf(box) : [],
      ...(machine.body ? { view: viewOfCover(machine.body, cover, row.from) } : {}),
    }
  })
}

/** Two corners that say where a box begins and ends. */
function cornersOf({
  x,
  y,
  z,
  length,
  width,
  height,
}: PointAt & { length: number; width: number; height: number }): PointAt[] {
  return [-0.5, 0.5].map((half) => ({ x: x + half * length, y: y + half * width, z: z + half * height }))
}

function placeLines(machine: Machine): Line[] {
  return (machine.places ?? []).map((place) => {
    const row = placeRow(machine, place)
    const at = thingPoint(machine, { kind: 'place', id: place.id })
    const yes = [
      row.wet && 'wet',
      row.hidden && 'out of sight',
      row.lampSeen && 'its lamp is seen',
      row.dash && 'in view while driving',
    ]
    return {
      id: place.id,
      name: place.name,
      says: said(
        ['', asHeading(place.place)],
        ['For', row.use],
        ['Room, mm', row.room],
        ['As warm as, °C', row.warm],
        ['Shakes', row.vibration],
        ['', yes.filter((word) => word !== false).join(', ')],
      ),
      points: at ? [at] : [],
    }
  })
}

function passageLines(machine: Machine): Line[] {
  return (machine.passages ?? []).map((passage) => {
    const row = passageRow(machine, passage)
    return {
      id: passage.id,
      name: asHeading(passage.name),
      says: said(
        ['', `${row.from} to ${row.to}`],
        ['Length, mm', row.lengthMm],
        ['Meets', row.hazards],
        ['Free, mm²', row.freeMm2],
        ['Wall', row.bulkhead],
        ['Under', row.under],
      ),
      points: passagePoints(machine, passage.id),
    }
  })
}

/** A list and the machine beside it; either picks. */
function Chapter({ machine, lines, none }: { machine: Machine; lines: readonly Line[]; none: string }) {
  const [picked, setPicked] = useState(lines[0]?.id)
  const line = lines.find(({ id }) => id === picked)
  if (lines.length === 0) return <p className="text-quiet">{none}</p>
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <ul className="flex flex-col gap-1">
        {lines.map((item) => (
          <li key={item.id}>
            <button
              type="button"
              aria-pressed={item === line}
              onClick={() => setPicked(item.id)}
              className={`w-full rounded-lg border-2 px-3 py-2 text-left font-text ${item === line ? 'border-lamp bg-paper' : 'border-line-soft'}`}
            >
              <span className="block text-lead font-bold">{item.name}</span>
              {item.says.map((text) => (
                <span key={text} className="block text-quiet">
                  {text}
                </span>
              ))}
            </button>
          </li>
        ))}
      </ul>
      {machine.body && (
        <div className="lg:sticky lg:top-4 lg:self-start">
          <OnMachine machine={machine} body={machine.body} lines={lines} line={line} onPick={setPicked} />
        </div>
      )}
    </div>
  )
}

function OnMachine({
  machine,
  body,
  lines,
  line,
  onPick,
}: {
  machine: Machine
  body: Body
  lines: readonly Line[]
  line: Line | undefined
  onPick: (id: string) => void
}) {
  const main = line?.view ?? viewFor(body)
  return [main, isFlat(main) ? ('side' as const) : ('top' as const)].map((view) => {
    const whole = bodyView(body, view)
    return (
      <figure key={view} className="mb-2">
        <MachineCanvas
          machine={machine}
          body={body}
          view={view}
          label={`${machine.model} ${viewWords(view).toLowerCase()}`}
          head={<figcaption className="text-small text-quiet">{viewWords(view)}</figcaption>}
          work={line ? aroundPoints(line.points, whole) : null}
          maxHeight={250}
        >
          {({ at, unit }) =>
            lines
              .filter((item) => item === line || isInSight(middleOf(item.points), body, view))
              .sort((a, b) => Number(a === line) - Number(b === line))
              .map((item) => (
                <Mark
                  key={item.id}
                  at={item.points.map(at)}
                  around={item.view === undefined ? null : aroundPoints(item.points, whole)}
                  unit={unit}
                  picked={item === line}
                  onPick={() => onPick(item.id)}
                />
              ))
          }
        </MachineCanvas>
      </figure>
    )
  })
}

/** One thing on the machine: a box, a line along its points, or a dot. */
function Mark({
  at,
  around,
  unit,
  picked,
  onPick,
}: {
  at: readonly (readonly [number, number])[]
  around: Rect | null
  unit: number
  picked: boolean
  onPick: () => void
}) {
  const stroke = picked ? 'var(--lamp)' : 'var(--data)'
  const [first] = at
  if (!first) return null
  const common = { stroke, onClick: onPick, style: { cursor: 'pointer' } } as const
  if (around)
    return (
      <rect
        {...around}
        rx={4 * unit}
        {...common}
        fill={stroke}
        fillOpacity={picked ? 0.28 : 0.08}
        strokeWidth={(picked ? 3 : 1.4) * unit}
      />
    )
  if (at.length === 1)
    return (
      <circle
        cx={first[0]}
        cy={first[1]}
        r={(picked ? 9 : 6) * unit}
        {...common}
        fill={stroke}
        stroke="var(--ground)"
        strokeWidth={2 * unit}
      />
    )
  return (
    <polyline
      points={at.map(([x, y]) => `${x},${y}`).join(' ')}
      {...common}
      fill="none"
      strokeWidth={(picked ? 6 : 2.4) * unit}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  )
}
