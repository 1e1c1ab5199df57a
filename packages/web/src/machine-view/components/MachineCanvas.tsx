import {
  bodyView,
  lookAt,
  pushed,
  shownBy,
  wholeLook,
  zoomed,
  type BodyView,
  type DrawnMachine,
  type Look,
  type Rect,
  type View,
} from '@tidy-badger/core/drawing'
import type { Body, DrawnPartId } from '@tidy-badger/core/dossiers'
import { Minus, Plus } from 'lucide-react'
import {
  memo,
  Suspense,
  useDeferredValue,
  useId,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactNode,
} from 'react'
import { later } from '../../ui/comesLater.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { MachinePicture } from './MachinePicture.tsx'

const DrawingGestures = later(async () => (await import('./DrawingGestures.tsx')).DrawingGestures)

/** What a drawing over the machine is put on. */
export interface Paper extends BodyView {
  /** Width of a hair on the screen, m. */
  unit: number
  shown: Rect
}

/** Width of a hair where so much is shown: a drawing is about so many hairs wide. */
function hairOf({ width, height }: Rect, maxHeight: number): number {
  return Math.max(width / 430, height / maxHeight)
}

/** One step nearer by a key or button. */
const step = 1.5

/**
 * The machine in one view, with what a station draws over it: the place of work large, the whole machine small with a frame. It follows the
 * work by itself until a hand moves it: fingers, wheel, buttons, or the keys plus, minus, 0 and arrows once it has the focus.
 * @param props.work where the work is, in the picture; null shows all
 * @param props.names drawn over and under the picture, in a band so high (hairs)
 */
export function MachineCanvas({
  machine,
  body,
  view,
  label,
  work,
  room,
  maxHeight,
  hidden,
  faint = false,
  still = false,
  head,
  band = 0,
  children,
  names,
}: {
  machine: DrawnMachine
  body: Body
  view: View
  label: string
  work: Rect | null
  /** How much is shown, times the work; the same again around it unless said. */
  room?: number
  maxHeight: number
  hidden?: ReadonlySet<DrawnPartId>
  /** Stands above it, beside its buttons. */
  head?: ReactNode
  /** Without buttons, one of several that are compared. */
  still?: boolean
  /** Behind something that counts more. */
  faint?: boolean
  band?: number
  children: (paper: Paper) => ReactNode
  names?: (paper: Paper) => ReactNode
}) {
  const whole = useMemo(() => bodyView(body, view), [body, view])
  const byItself = work ? lookAt(work, whole, room) : wholeLook
  const followed = JSON.stringify([view, work])
  const [hand, setHand] = useState<{ while: string; look: Look } | null>(null)
  // Where a hand put it counts until the work goes on elsewhere.
  const lookOf = (by: typeof hand) => (by?.while === followed ? by.look : byItself)
  const look = lookOf(hand)
  const change = (make: (now: Look) => Look) => setHand((before) => ({ while: followed, look: make(lookOf(before)) }))
  const svg = useRef<SVGSVGElement>(null)
  const clip = useId()
  const shown = shownBy(look, whole)
  // The picture is moved at once; what is drawn in it follows when there is time.
  const { x, y, zoom } = lookOf(useDeferredValue(hand))
  const paper: Paper = useMemo(() => {
    const seen = shownBy({ x, y, zoom }, whole)
    return { ...whole, unit: hairOf(seen, maxHeight), shown: seen }
  }, [x, y, zoom, whole, maxHeight])
  const rim = band * hairOf(shown, maxHeight)
  const middle: [number, number] = [shown.x + shown.width / 2, shown.y + shown.height / 2]
  const nearer = (factor: number) => change((now) => zoomed(now, whole, factor, middle))
  const keys: Record<string, () => void> = {
    '+': () => nearer(step),
    '=': () => nearer(step),
    '-': () => nearer(1 / step),
    '0': () => change(() => wholeLook),
    ArrowLeft: () => change((now) => pushed(now, whole, [-shown.width / 6, 0])),
    ArrowRight: () => change((now) => pushed(now, whole, [shown.width / 6, 0])),
    ArrowUp: () => change((now) => pushed(now, whole, [0, -shown.height / 6])),
    ArrowDown: () => change((now) => pushed(now, whole, [0, shown.height / 6])),
  }
  const onKeyDown = (event: KeyboardEvent) => {
    const act = keys[event.key]
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    event.stopPropagation()
    act()
  }
  /** A point of the screen in the picture. */
  const onPicture = (px: number, py: number): [number, number] => {
    const matrix = svg.current?.getScreenCTM?.()
    if (!matrix) return middle
    const point = new DOMPoint(px, py).matrixTransform(matrix.inverse())
    return [point.x, point.y]
  }
  const push = (dx: number, dy: number) => {
    const [from, to] = [onPicture(0, 0), onPicture(dx, dy)]
    change((now) => pushed(now, whole, [from[0] - to[0], from[1] - to[1]]))
  }
  return (
    <div className="min-w-0">
      <div className="mb-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        {head}
        {!still && (
          <div className="ml-auto flex items-center gap-1">
            {look.zoom > 1 && (
              <IconButton label={`All of it, ${label}`} onClick={() => change(() => wholeLook)}>
                <WholeMachine machine={machine} view={view} whole={whole} shown={shown} hidden={hidden} />
              </IconButton>
            )}
            <IconButton label={`Nearer, ${label}`} onClick={() => nearer(step)}>
              <Plus aria-hidden size={18} />
            </IconButton>
            <IconButton label={`Farther, ${label}`} onClick={() => nearer(1 / step)}>
              <Minus aria-hidden size={18} />
            </IconButton>
          </div>
        )}
      </div>
      {/* Its keys move what is seen; what is drawn in it has keys of its own. */}
      {/* oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
      <svg
        ref={svg}
        viewBox={`${shown.x} ${shown.y - rim} ${shown.width} ${shown.height + 2 * rim}`}
        className="w-full rounded-lg outline-offset-2"
        style={{ maxHeight, touchAction: look.zoom > 1 ? 'none' : 'pan-y' }}
        role="group"
        aria-label={label}
        aria-keyshortcuts="+ - 0 ArrowLeft ArrowRight ArrowUp ArrowDown"
        tabIndex={0}
        onKeyDown={onKeyDown}
      >
        <clipPath id={clip}>
          <rect {...shown} />
        </clipPath>
        <g clipPath={`url(#${clip})`}>
          <g opacity={faint ? 0.55 : 1}>
            <MachinePicture machine={machine} view={view} unit={paper.unit} hidden={hidden} />
          </g>
          <Drawn paper={paper} draw={children} />
        </g>
        {names && <Drawn paper={paper} draw={names} />}
      </svg>
      <Suspense fallback={null}>
        <DrawingGestures
          target={svg}
          pushes={look.zoom > 1}
          onPush={push}
          onZoom={(factor, [px, py]) => change((now) => zoomed(now, whole, factor, onPicture(px, py)))}
        />
      </Suspense>
    </div>
  )
}

/** What a station draws: anew where it or the paper is another, not with every move of the picture. */
const Drawn = memo(function Drawn({ paper, draw }: { paper: Paper; draw: (paper: Paper) => ReactNode }) {
  return draw(paper)
})

/** The whole machine, small, with a frame round what is shown large. */
function WholeMachine({
  machine,
  view,
  whole,
  shown,
  hidden,
}: {
  machine: DrawnMachine
  view: View
  whole: BodyView
  shown: Rect
  hidden?: ReadonlySet<DrawnPartId>
}) {
  const unit = whole.width / 130
  return (
    <svg viewBox={`0 0 ${whole.width} ${whole.height}`} className="h-9 max-w-[84px]" aria-hidden>
      <MachinePicture machine={machine} view={view} unit={unit} hidden={hidden} />
      <rect {...shown} fill="var(--lamp)" fillOpacity={0.18} stroke="var(--lamp)" strokeWidth={2.6 * unit} />
    </svg>
  )
}
