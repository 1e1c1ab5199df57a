import { acrossFlats, fastenerWords, type Fastener } from '@tidy-badger/core/dossiers'

/** Fasteners at their true size on a screen of 96 dots to the inch, side view and head, with the words beside. */
export function FastenerDrawing({ fastener }: { fastener: Fastener }) {
  const { threadMm, lengthMm, drive, kind } = fastener
  const head = headMm(fastener)
  const drawn = threadMm !== undefined
  const shank = lengthMm ?? 12
  const wide = head.height + shank + 6 + head.width
  return (
    <li className="flex items-center gap-3 py-1">
      {drawn && (
        <svg
          aria-hidden
          width={`${wide}mm`}
          height={`${head.width + 1}mm`}
          viewBox={`0 0 ${wide} ${head.width + 1}`}
          className="max-w-[45%] shrink-0"
        >
          <g stroke="var(--ink)" strokeWidth={0.4} fill="var(--line-soft)">
            <rect x={0.3} y={0.5} width={head.height} height={head.width} rx={0.8} />
            <rect x={head.height + 0.3} y={(head.width - threadMm) / 2 + 0.5} width={shank} height={threadMm} />
            {Array.from({ length: Math.floor(shank / 1.4) }, (_, i) => (
              <line
                key={i}
                x1={head.height + 1 + i * 1.4}
                x2={head.height + 1.5 + i * 1.4}
                y1={(head.width - threadMm) / 2 + 0.5}
                y2={(head.width + threadMm) / 2 + 0.5}
              />
            ))}
            <HeadFace
              x={head.height + shank + 5 + head.width / 2}
              y={head.width / 2 + 0.5}
              across={head.width}
              fastener={fastener}
            />
          </g>
        </svg>
      )}
      <span className="text-small">
        <span className={drawn ? '' : 'font-semibold'}>{fastenerWords(fastener)}</span>
        {kind === 'screw' && !drive && drawn && <span className="block text-quiet">drive not written down</span>}
      </span>
    </li>
  )
}

/** Head sizes near the common norms: socket heads 1.6 times the thread, hexagons across corners. */
function headMm({ threadMm = 5, drive }: Fastener): { width: number; height: number } {
  if (drive?.kind === 'hex head') return { width: acrossFlats(threadMm) * 1.15, height: threadMm * 0.7 }
  return { width: threadMm * 1.7, height: drive?.kind === 'hex socket' ? threadMm : threadMm * 0.6 }
}

function HeadFace({ x, y, across, fastener }: { x: number; y: number; across: number; fastener: Fastener }) {
  const r = across / 2
  const ring = (count: number, radius: number, turn = 0) =>
    Array.from({ length: count }, (_, i) => {
      const angle = turn + (2 * Math.PI * i) / count
      return `${(x + radius * Math.cos(angle)).toFixed(2)},${(y + radius * Math.sin(angle)).toFixed(2)}`
    }).join(' ')
  switch (fastener.drive?.kind) {
    case 'hex head':
      return <polygon points={ring(6, r)} />
    case 'hex socket':
      return (
        <>
          <circle cx={x} cy={y} r={r} />
          <polygon points={ring(6, r * 0.5)} fill="var(--ink)" />
        </>
      )
    case 'six-lobe':
      return (
        <>
          <circle cx={x} cy={y} r={r} />
          <polygon
            points={Array.from({ length: 12 }, (_, i) => {
              const radius = r * (i % 2 === 0 ? 0.55 : 0.36)
              const angle = (Math.PI * i) / 6
              return `${(x + radius * Math.cos(angle)).toFixed(2)},${(y + radius * Math.sin(angle)).toFixed(2)}`
            }).join(' ')}
            fill="var(--ink)"
          />
        </>
      )
    case 'cross':
      return (
        <>
          <circle cx={x} cy={y} r={r} />
          <path d={`M${x - r * 0.55} ${y}h${r * 1.1}M${x} ${y - r * 0.55}v${r * 1.1}`} strokeWidth={r * 0.28} />
        </>
      )
    case 'slot':
      return (
        <>
          <circle cx={x} cy={y} r={r} />
          <path d={`M${x - r * 0.8} ${y}h${r * 1.6}`} strokeWidth={r * 0.22} />
        </>
      )
    default:
      return <circle cx={x} cy={y} r={r} />
  }
}
