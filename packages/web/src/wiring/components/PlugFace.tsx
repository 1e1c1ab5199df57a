import {
  colourHex,
  wireShort,
  wiresOfConnector,
  type Cavity,
  type Connector,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { FlipHorizontal2 } from 'lucide-react'
import { useState } from 'react'
import { WireChip, WireEnd } from '../Wire.tsx'

const box = { left: 26, top: 34, width: 268, height: 116 }

/** A plug's face, true to life: shell, key, lock, cavities with their wires; which side is seen is written on it. */
export function PlugFace({ machine, connector, mark }: { machine: Machine; connector: Connector; mark?: number }) {
  const [mating, setMating] = useState(true)
  const wires = new Map(wiresOfConnector(machine, connector.id).map(({ cavity, wire }) => [cavity, wire]))
  const many = connector.cavities.length > 8
  const side = mating ? 'mating side' : 'wire side'
  const size = cavitySize(connector.cavities)
  const place = (cavity: Cavity) => ({
    x: box.left + 18 + ((box.width - 36) * (mating ? 10 - cavity.x : cavity.x)) / 10,
    y: box.top + 10 + ((box.height - 20) * cavity.y) / 10,
  })
  return (
    <figure>
      <figcaption className="flex items-center justify-between gap-2">
        <span className="font-head text-[16px] leading-tight font-bold">
          {mating ? 'Looking into the plug' : 'Looking at the wires'}
          <span className="block font-normal text-quiet">{side}</span>
        </span>
        <button
          type="button"
          onClick={() => setMating(!mating)}
          className="flex min-h-11 shrink-0 items-center gap-1.5 rounded-lg px-2 text-[15px] font-semibold underline underline-offset-4"
        >
          <FlipHorizontal2 aria-hidden size={18} /> Turn it
        </button>
      </figcaption>
      <svg
        viewBox="0 0 320 178"
        role="img"
        aria-label={`${connector.name}, ${side}: ${connector.shell.colour} ${connector.shell.outline} shell, key: ${connector.shell.key}`}
        className="w-full max-w-[360px]"
      >
        <Lock connector={connector} />
        <Outline connector={connector} mating={mating} />
        {connector.cavities.map((cavity) => {
          const { x, y } = place(cavity)
          const wire = wires.get(cavity.number)
          const marked = mark === cavity.number
          return (
            <g key={cavity.number}>
              <rect
                x={x - size / 2}
                y={y - size / 2 - (many ? 0 : 6)}
                width={size}
                height={size}
                rx={4}
                fill={cavity.blank ? 'none' : '#25292c'}
                stroke={marked ? '#f0a500' : '#f6f5ef'}
                strokeWidth={marked ? 4 : 1}
                strokeDasharray={cavity.blank ? '3 3' : undefined}
              />
              {wire && <WireEnd cx={x} cy={y - (many ? 0 : 6)} r={size * 0.38} colour={wire.colour} />}
              {!many && (
                <text
                  x={x}
                  y={y + size / 2 + 10}
                  textAnchor="middle"
                  fontSize={15}
                  fontWeight={700}
                  className="figures"
                  fill={ink(connector)}
                >
                  {cavity.number}
                </text>
              )}
            </g>
          )
        })}
      </svg>
      <ul className="mt-1 grid grid-cols-1 gap-x-3 text-[15.5px]">
        {connector.cavities
          .filter((cavity) => !many || cavity.number === mark)
          .map((cavity) => {
            const wire = wires.get(cavity.number)
            return (
              <li
                key={cavity.number}
                className={`flex items-center gap-2 ${mark === cavity.number ? 'font-bold' : ''}`}
              >
                <span className="figures w-6 text-right">{cavity.number}</span>
                {wire ? (
                  <>
                    <WireChip colour={wire.colour} /> {wireShort(wire.colour)}
                    <span className="text-quiet">{machine.nets.find((net) => net.id === wire.net)?.name}</span>
                  </>
                ) : (
                  <span className="text-quiet">{cavity.blank ? 'blank' : 'no wire'}</span>
                )}
              </li>
            )
          })}
      </ul>
    </figure>
  )
}

/** As large as fits between neighbouring cavities. */
function cavitySize(cavities: readonly Cavity[]): number {
  const columns = new Set(cavities.map((cavity) => cavity.x)).size
  const rows = new Set(cavities.map((cavity) => cavity.y)).size
  return Math.min(54, (box.width - 36) / columns - 4, (box.height - 24) / rows - (rows > 1 ? 20 : 18))
}

function ink(connector: Connector): string {
  return ['white', 'yellow', 'natural', 'grey', 'light green', 'light blue', 'pink'].includes(connector.shell.colour)
    ? '#15181a'
    : '#f6f5ef'
}

function Outline({ connector, mating }: { connector: Connector; mating: boolean }) {
  const { shell } = connector
  const { left, top, width, height } = box
  const rounding = shell.outline === 'rectangle' ? 10 : shell.outline === 'd-shape' ? 26 : height / 2
  const middle = left + width / 2
  const bottom = top + height
  const fill = colourHex[shell.colour]
  const edge = { fill, stroke: 'var(--ink)', strokeWidth: 3 }
  const rib = mating ? left - 8 : left + width - 6
  return (
    <g>
      {shell.key === 'flat' && <path d={`M${middle - 34} ${bottom - 4}h68l-12 16h-44z`} {...edge} />}
      {shell.key === 'two ribs' && (
        <>
          <rect x={middle - 60} y={bottom - 4} width={18} height={15} {...edge} />
          <rect x={middle + 42} y={bottom - 4} width={18} height={15} {...edge} />
        </>
      )}
      {shell.key === 'side rib' && <rect x={rib} y={top + height / 2 - 13} width={14} height={26} {...edge} />}
      <rect x={left} y={top} width={width} height={height} rx={rounding} {...edge} />
      {shell.key === 'notch' && (
        <path
          d={`M${middle - 20} ${bottom + 2}l8 -13h24l8 13`}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={3}
          strokeLinejoin="round"
        />
      )}
    </g>
  )
}

/** The lock on top, in its own colour, with an arrow for its motion. */
function Lock({ connector }: { connector: Connector }) {
  const { lock } = connector
  if (lock.kind === 'none') return null
  const middle = box.left + box.width / 2
  const colour = lock.colour ? colourHex[lock.colour] : colourHex[connector.shell.colour]
  const lift = lock.kind === 'slide then press'
  return (
    <g stroke="var(--ink)" strokeWidth={2.5}>
      <rect x={middle - 32} y={box.top - 18} width={64} height={22} rx={4} fill={colour} />
      {lock.kind === 'squeeze' ? (
        <path
          d={`M${middle - 62} ${box.top - 8}h18m-6 -6 6 6 -6 6M${middle + 62} ${box.top - 8}h-18m6 -6 -6 6 6 6`}
          fill="none"
        />
      ) : (
        <path
          d={
            lift
              ? `M${middle + 48} ${box.top - 2}v-22m-7 8 7 -8 7 8`
              : `M${middle + 48} ${box.top - 24}v22m-7 -8 7 8 7 -8`
          }
          fill="none"
        />
      )}
    </g>
  )
}
