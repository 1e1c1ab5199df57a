import {
  wireAt,
  colourHex,
  faceGeometry,
  machineIndex,
  wireShort,
  type Connector,
  type FaceGeometry,
  type FaceSide,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { Cable, Eye, FlipHorizontal2 } from 'lucide-react'
import { useState } from 'react'
import { WireChip, WireEnd } from '../Wire.tsx'

/** A plug's face, true to life: shell, key, lock, cavities with their wires; which side is seen is written on it. */
export function PlugFace({
  machine,
  connector,
  mark,
  onPick,
  list = true,
}: {
  machine: Machine
  connector: Connector
  mark?: number
  onPick?: (cavity: number) => void
  list?: boolean
}) {
  const [side, setSide] = useState<FaceSide>('mating side')
  const face = faceGeometry(connector, side)
  const mating = side === 'mating side'
  return (
    <figure>
      <figcaption className="flex items-center justify-between gap-2">
        <span
          className={`flex items-center gap-2 rounded-lg border-2 border-ink px-2.5 py-1 font-head text-small leading-tight font-bold ${mating ? 'bg-ink text-ground' : 'bg-paper'}`}
        >
          {mating ? <Eye aria-hidden size={20} /> : <Cable aria-hidden size={20} />}
          <span>
            {mating ? 'Looking into the plug' : 'Looking at the wires'}
            <span className="block font-normal">{side}</span>
          </span>
        </span>
        <button
          type="button"
          onClick={() => setSide(mating ? 'wire side' : 'mating side')}
          className="flex min-h-11 shrink-0 items-center gap-1.5 rounded-lg px-2 text-small font-semibold underline underline-offset-4"
        >
          <FlipHorizontal2 aria-hidden size={18} /> Turn it
        </button>
      </figcaption>
      <svg
        viewBox={`0 0 ${face.width} ${face.height}`}
        role="img"
        aria-label={`${connector.name}, ${side}: ${connector.shell.colour} ${connector.shell.outline} shell, key: ${connector.shell.key}`}
        className="mx-auto max-h-[300px] w-full max-w-[380px]"
      >
        <Lock connector={connector} face={face} />
        <Body connector={connector} face={face} />
        <Cavities machine={machine} connector={connector} face={face} mark={mark} onPick={onPick} />
      </svg>
      {list && <CavityList machine={machine} connector={connector} mark={mark} onPick={onPick} />}
    </figure>
  )
}

function Cavities({
  machine,
  connector,
  face,
  mark,
  onPick,
}: {
  machine: Machine
  connector: Connector
  face: FaceGeometry
  mark?: number
  onPick?: (cavity: number) => void
}) {
  return face.cavities.map(({ cavity, x, y, size }) => {
    const wire = wireAt(machine, connector.id, cavity.number)
    const marked = mark === cavity.number
    return (
      <g key={cavity.number} onClick={wire && onPick ? () => onPick(cavity.number) : undefined}>
        <rect
          x={x - size / 2}
          y={y - size / 2}
          width={size}
          height={size}
          rx={4}
          fill={cavity.blank ? 'none' : '#25292c'}
          stroke={marked ? '#f0a500' : '#f6f5ef'}
          strokeWidth={marked ? 4 : 1}
          strokeDasharray={cavity.blank ? '3 3' : undefined}
        />
        {wire && <WireEnd cx={x} cy={y} r={size * 0.38} colour={wire.colour} />}
        {(face.numbered(cavity) || marked) && (
          <text
            x={x}
            y={y + size / 2 + (size > 20 ? 16 : 10)}
            textAnchor="middle"
            fontSize={size > 20 ? 15 : 11}
            fontWeight={700}
            className="figures"
            fill="#f6f5ef"
            stroke="#15181a"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {cavity.number}
          </text>
        )}
      </g>
    )
  })
}

/** The cavities in words; a crowded plug shows the one in hand and opens on demand. */
function CavityList({
  machine,
  connector,
  mark,
  onPick,
}: {
  machine: Machine
  connector: Connector
  mark?: number
  onPick?: (cavity: number) => void
}) {
  const index = machineIndex(machine)
  const [all, setAll] = useState(false)
  const crowded = connector.cavities.length > 8
  const shown = connector.cavities.filter((cavity) => !crowded || all || cavity.number === mark)
  return (
    <>
      <ul className="mt-1 text-small">
        {shown.map((cavity) => {
          const wire = wireAt(machine, connector.id, cavity.number)
          const words = (
            <>
              <span className="figures w-7 shrink-0 text-right">{cavity.number}</span>
              {wire ? (
                <>
                  <WireChip colour={wire.colour} />
                  <span className="min-w-0">
                    {wireShort(wire.colour)} <span className="text-quiet">{index.nets.get(wire.net)?.name}</span>
                  </span>
                </>
              ) : (
                <span className="text-quiet">
                  {cavity.blank ? 'blank' : cavity.spare ? `empty, read for the ${cavity.spare}` : 'no wire'}
                </span>
              )}
            </>
          )
          const look = `flex w-full items-center gap-2 text-left ${mark === cavity.number ? 'font-bold' : ''}`
          return (
            <li key={cavity.number}>
              {wire && onPick ? (
                <button type="button" onClick={() => onPick(cavity.number)} className={`${look} min-h-9 font-text`}>
                  {words}
                </button>
              ) : (
                <span className={`${look} min-h-7`}>{words}</span>
              )}
            </li>
          )
        })}
      </ul>
      {crowded && (
        <button
          type="button"
          onClick={() => setAll(!all)}
          className="min-h-11 px-1 text-small font-semibold underline underline-offset-4"
        >
          {all ? 'Only the one in hand' : `All ${connector.cavities.length} cavities`}
        </button>
      )}
    </>
  )
}

function Body({ connector, face }: { connector: Connector; face: FaceGeometry }) {
  const edge = { stroke: 'var(--ink)', strokeWidth: 3 }
  const { body } = face
  const fill = colourHex[connector.shell.colour]
  return (
    <g>
      {face.keys
        .filter((key) => !key.takenOut)
        .map((key) => (
          <path key={key.path} d={key.path} fill={fill} {...edge} />
        ))}
      <rect x={body.x} y={body.y} width={body.width} height={body.height} rx={body.rounding} fill={fill} {...edge} />
      {face.keys
        .filter((key) => key.takenOut)
        .map((key) => (
          <path key={key.path} d={key.path} fill="var(--paper)" strokeLinejoin="round" {...edge} />
        ))}
    </g>
  )
}

/** The lock on top, in its own colour, with an arrow for its motion. */
function Lock({ connector, face }: { connector: Connector; face: FaceGeometry }) {
  const { lock } = connector
  if (!face.lock) return null
  const { x, y, width, height } = face.lock
  const middle = x + width / 2
  return (
    <g stroke="var(--ink)" strokeWidth={2.5}>
      <rect x={x} y={y} width={width} height={height} rx={4} fill={colourHex[lock.colour ?? connector.shell.colour]} />
      <path d={motionOf(lock.kind, middle, y)} fill="none" />
    </g>
  )
}

function motionOf(kind: Connector['lock']['kind'], middle: number, y: number): string {
  switch (kind) {
    case 'squeeze':
      return `M${middle - 62} ${y + 10}h18m-6 -6 6 6 -6 6M${middle + 62} ${y + 10}h-18m6 -6 -6 6 6 6`
    case 'slide then press':
    case 'tang':
      return `M${middle + 48} ${y + 16}v-22m-7 8 7 -8 7 8`
    case 'lever':
      return `M${middle + 44} ${y + 16}c4 -26 34 -26 38 0m-9 -4 9 5 5 -9`
    case 'bayonet':
      return `M${middle - 44} ${y + 4}c-14 6 -16 16 -10 24m-6 -6 6 7 8 -4`
    case 'thumb tab':
    case 'none':
      return `M${middle + 48} ${y - 6}v22m-7 -8 7 8 7 -8`
  }
}
