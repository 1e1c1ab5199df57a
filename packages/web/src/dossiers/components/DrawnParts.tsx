import { movedPart, partBoxes, partUnder, type PartBox, type PartMove } from '@tidy-badger/core/dossier-writing'
import { bodyView } from '@tidy-badger/core/drawing'
import type { Body, DrawnPartId, Machine } from '@tidy-badger/core/dossiers'
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, ImageUp, Minus, Plus } from 'lucide-react'
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { MachinePicture } from '../../machine-view/index.ts'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { changeMachine, useDraft } from '../draftStore.ts'
import { useBackground } from '../useBackground.ts'

type Flat = 'side' | 'top'
const views: readonly Flat[] = ['side', 'top']
const stepM = 0.01
const bigStepM = 0.1
const sizeStep = 1.1

/** A step on the paper as a move of the part: to the rear, and up or to the right of the machine. */
const moveBy = (view: Flat, along: number, other: number): PartMove =>
  view === 'side' ? { dx: along, dz: other } : { dx: along, dy: other }

/** The machine as it is drawn, from its left and from above: a part is picked by a tap or by name, dragged, or moved with keys and buttons. */
export function DrawnParts({ machine, body }: { machine: Machine; body: Body }) {
  const [view, setView] = useState<Flat>('side')
  const [picked, setPicked] = useState<DrawnPartId | null>(null)
  const boxes = partBoxes(machine, view)
  const part = boxes.find(({ id }) => id === picked)
  const picture = useBackground(useDraft((state) => state.id) ?? '', view)
  const move = (by: PartMove) => picked !== null && changeMachine((now) => movedPart(now, picked, by))
  return (
    <section aria-label="Parts of the drawing" className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <div role="group" aria-label="View" className="flex gap-1">
          {views.map((item) => (
            <Button
              key={item}
              aria-pressed={view === item}
              look={view === item ? 'main' : 'plain'}
              onClick={() => setView(item)}
            >
              {item === 'side' ? 'From the left' : 'From above'}
            </Button>
          ))}
        </div>
        <label className="flex flex-col gap-1 font-semibold">
          Part in hand
          <select
            value={part?.id ?? ''}
            onChange={(event) => setPicked(boxes.find(({ id }) => id === event.target.value)?.id ?? null)}
          >
            <option value="">tap one, or pick it here</option>
            {[...boxes]
              .sort((a, b) => (a.id < b.id ? -1 : 1))
              .map(({ id }) => (
                <option key={id} value={id}>
                  {id}
                </option>
              ))}
          </select>
        </label>
        <FileButton
          accept="image/*"
          label="A photo of the machine behind its drawing"
          onFiles={(files) => void picture.take(files[0])}
        >
          <ImageUp aria-hidden size={20} /> Photo behind it
        </FileButton>
        {picture.url && (
          <Button look="quiet" onClick={() => void picture.drop()}>
            Drawing alone
          </Button>
        )}
      </div>
      <Board
        {...{ machine, body, view, boxes }}
        picked={part ?? null}
        photo={picture.url}
        onPick={setPicked}
        onMove={move}
      />
      {part && (
        <div role="group" aria-label={`Move ${part.id}`} className="flex flex-wrap items-center gap-2">
          <Step name="to the front" onStep={() => move({ dx: -stepM })}>
            <ArrowLeft aria-hidden />
          </Step>
          <Step name="to the rear" onStep={() => move({ dx: stepM })}>
            <ArrowRight aria-hidden />
          </Step>
          <Step name={view === 'side' ? 'up' : 'to the right'} onStep={() => move(moveBy(view, 0, stepM))}>
            <ArrowUp aria-hidden />
          </Step>
          <Step name={view === 'side' ? 'down' : 'to the left'} onStep={() => move(moveBy(view, 0, -stepM))}>
            <ArrowDown aria-hidden />
          </Step>
          <Step name="larger" onStep={() => move({ times: sizeStep })}>
            <Plus aria-hidden />
          </Step>
          <Step name="smaller" onStep={() => move({ times: 1 / sizeStep })}>
            <Minus aria-hidden />
          </Step>
          <span className="text-quiet">10 mm a press; arrow keys on the picture do the same, with Shift 100 mm.</span>
        </div>
      )}
    </section>
  )
}

function Step({ name, onStep, children }: { name: string; onStep: () => void; children: React.ReactNode }) {
  return (
    <Button aria-label={name} onClick={onStep} className="!px-3">
      {children}
    </Button>
  )
}

function Board({
  machine,
  body,
  view,
  boxes,
  picked,
  photo,
  onPick,
  onMove,
}: {
  machine: Machine
  body: Body
  view: Flat
  boxes: readonly PartBox[]
  picked: PartBox | null
  photo: string | null
  onPick: (id: DrawnPartId | null) => void
  onMove: (by: PartMove) => void
}) {
  const frame = useRef<SVGSVGElement>(null)
  const drag = useRef<[number, number] | null>(null)
  const { width, height, along, across } = bodyView(body, view)
  const unit = width / 720
  /** Where on the machine the pointer is, along it and up or to the right, m. */
  const under = (event: PointerEvent): [number, number] | null => {
    const matrix = frame.current?.getScreenCTM()
    if (!matrix) return null
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    return [x - along(0), across(0) - y]
  }
  const keys = (event: KeyboardEvent) => {
    const step = event.shiftKey ? bigStepM : stepM
    const moves: Record<string, PartMove> = {
      ArrowLeft: { dx: -step },
      ArrowRight: { dx: step },
      ArrowUp: moveBy(view, 0, step),
      ArrowDown: moveBy(view, 0, -step),
      '+': { times: sizeStep },
      '-': { times: 1 / sizeStep },
    }
    const by = moves[event.key]
    if (!by || !picked) return
    event.preventDefault()
    onMove(by)
  }
  return (
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- its keys move the part that is picked
    <svg
      ref={frame}
      viewBox={`0 0 ${width} ${height}`}
      className="max-h-[420px] w-full touch-none rounded-lg bg-paper"
      role="application"
      tabIndex={0}
      aria-label={`The ${machine.model} as it is drawn, ${view === 'side' ? 'from the left' : 'from above'}`}
      onKeyDown={keys}
      onPointerDown={(event) => {
        const at = under(event)
        if (!at) return
        onPick(partUnder(boxes, at)?.id ?? null)
        drag.current = at
        event.currentTarget.setPointerCapture(event.pointerId)
      }}
      onPointerMove={(event) => {
        const [from, at] = [drag.current, drag.current && under(event)]
        if (!from || !at || !picked) return
        // Whole steps alone: a tap that trembles moves nothing.
        const by = at.map((value, i) => Math.round((value - (from[i] ?? 0)) / stepM) * stepM)
        const [x = 0, other = 0] = by
        if (x === 0 && other === 0) return
        drag.current = [from[0] + x, from[1] + other]
        onMove(moveBy(view, x, other))
      }}
      onPointerUp={() => (drag.current = null)}
    >
      {photo && (
        <image
          href={photo}
          x={along(0)}
          y={across(view === 'top' ? body.widthM / 2 : body.heightM)}
          width={body.lengthM}
          height={view === 'top' ? body.widthM : body.heightM}
          preserveAspectRatio="none"
          opacity={0.7}
          pointerEvents="none"
        />
      )}
      <g pointerEvents="none" opacity={photo ? 0.5 : 1}>
        <MachinePicture machine={machine} view={view} unit={unit} />
      </g>
      {picked && (
        <rect
          x={along(picked.low[0])}
          y={across(picked.high[1])}
          width={picked.high[0] - picked.low[0]}
          height={picked.high[1] - picked.low[1]}
          fill="none"
          stroke="var(--lamp)"
          strokeWidth={3 * unit}
          strokeDasharray={`${6 * unit} ${4 * unit}`}
          pointerEvents="none"
        />
      )}
    </svg>
  )
}
