import { memberOf, membersOf, type Kit, type KitEnd, type KitEndId } from '@tidy-badger/core/dossiers'
import { Check, OctagonAlert } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useJob } from '../../jobs/index.ts'
import type { EndView } from '../selectors.ts'
import { Wire } from '../Wire.tsx'

const width = 340
const trunk = { from: 122, to: 226 }

interface LoomDrawingProps {
  ends: EndView[]
  current?: string
  onPick: (end: KitEndId) => void
}

/** The looms of the job, each kit's own, one under the other. */
export function LoomDrawing(props: LoomDrawingProps) {
  const { kit } = useJob().dossiers
  return membersOf(kit).map((member) => {
    const ends = props.ends.filter(({ end }) => memberOf(kit, end.id)?.member.key === member.key)
    return ends.length > 0 && <OneLoom key={member.key} {...props} ends={ends} kit={member.kit} />
  })
}

/** The loom as a tree: module, trunk with its break-outs where they are, a branch to every end. */
function OneLoom({ ends, current, onPick, kit }: LoomDrawingProps & { kit: Kit }) {
  const row = ends.length > 9 ? 58 : 70
  const height = ends.length * row
  // With many ends the module stays in sight at the top instead of half way down.
  const middle = Math.min(height / 2, 230)
  const list = useRef<HTMLUListElement>(null)
  useEffect(() => {
    // With the next frame, which lays the page out in any case.
    const frame = requestAnimationFrame(() =>
      list.current?.querySelector('[aria-pressed=true]')?.scrollIntoView({ block: 'nearest' }),
    )
    return () => cancelAnimationFrame(frame)
  }, [current])
  const breakOut = (end: KitEnd) => trunk.from + (trunk.to - trunk.from) * Math.min(1, end.breakOutM / kit.trunkM)
  return (
    <div className="flex">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width={width}
        height={height}
        aria-hidden
        className="shrink-0 max-md:hidden"
      >
        {ends.map((item, i) => (
          <Branch key={item.end.id} item={item} from={breakOut(item.end)} middle={middle} at={i * row + row / 2} />
        ))}
        <rect
          x={trunk.from - 8}
          y={middle - 13}
          width={trunk.to - trunk.from + 16}
          height={26}
          rx={13}
          fill="#4a4f52"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        {ends.map((item) => (
          <circle key={item.end.id} cx={breakOut(item.end)} cy={middle} r={4} fill="#f4f4ef" />
        ))}
        <text
          x={(trunk.from + trunk.to) / 2 + 10}
          y={middle + 34}
          textAnchor="middle"
          fontSize={15}
          fill="var(--quiet)"
          className="figures"
        >
          trunk {kit.trunkM.toFixed(2)} m
        </text>
        <rect x={6} y={middle - 42} width={116} height={84} rx={10} fill="var(--ink)" />
        <text
          x={64}
          y={middle - 4}
          textAnchor="middle"
          fontSize={18}
          fontWeight={700}
          fill="var(--ground)"
          fontFamily="var(--font-head)"
        >
          {kit.model.split(',')[0]}
        </text>
        <text x={64} y={middle + 18} textAnchor="middle" fontSize={15} fill="var(--ground)">
          module
        </text>
      </svg>
      <ul ref={list} className="min-w-0 flex-1">
        {ends.map((item) => (
          <li key={item.end.id} style={{ height: row }} className="flex items-center">
            <EndButton item={item} current={item.end.id === current} onPick={() => onPick(item.end.id)} />
          </li>
        ))}
      </ul>
    </div>
  )
}

function Branch({ item, from, middle, at }: { item: EndView; from: number; middle: number; at: number }) {
  const bend = Math.max(24, (width - from) * 0.5)
  const path = (off: number) =>
    `M${from} ${middle + off * 0.4} C${from + bend} ${middle + off * 0.4} ${width - bend - 20} ${at + off} ${width} ${at + off}`
  if (item.status === 'open' && item.ticked === 0)
    return (
      <path d={path(0)} fill="none" stroke="var(--line)" strokeWidth={7} strokeDasharray="2 11" strokeLinecap="round" />
    )
  const spread = item.colours.length - 1
  return (
    <>
      {item.colours.map((colour, i) => (
        <Wire
          key={i}
          d={path((i - spread / 2) * Math.min(10, 40 / (spread + 1)))}
          colour={colour}
          width={spread > 3 ? 4 : 7}
        />
      ))}
    </>
  )
}

function EndButton({ item, current, onPick }: { item: EndView; current: boolean; onPick: () => void }) {
  const { end, status } = item
  const words =
    status === 'done'
      ? 'connected'
      : status === 'stop'
        ? 'stop'
        : item.ticked > 0
          ? `${item.ticked} of ${item.ticks} ticks`
          : 'open'
  return (
    <button
      type="button"
      onClick={onPick}
      aria-pressed={current}
      className="flex min-h-[56px] w-full min-w-0 items-center gap-3.5 rounded-lg pr-2 text-left"
    >
      <span
        aria-hidden
        className={`grid shrink-0 place-items-center ${current ? 'h-[54px] w-[72px] rounded-xl border-[5px] border-lamp bg-paper text-ink' : `h-10 w-[52px] rounded-lg border-[3px] ${status === 'done' ? 'border-ink bg-ink text-lamp' : status === 'stop' ? 'border-stop bg-paper text-stop' : 'border-dashed border-ink bg-paper'}`}`}
      >
        {status === 'done' ? (
          <Check size={28} strokeWidth={3.6} />
        ) : status === 'stop' ? (
          <OctagonAlert size={28} className="text-stop" />
        ) : (
          <span className="font-head text-title font-bold">{end.tag}</span>
        )}
      </span>
      <span className="min-w-0">
        <span className={`block truncate font-head font-bold ${current ? 'text-title' : 'text-lead'}`}>{end.name}</span>
        <span className="line-clamp-1 font-text text-small leading-tight text-quiet">
          <span className="figures">{end.branchM.toFixed(2)} m</span> · {item.place}
        </span>
        <span className="sr-only">, {words}</span>
      </span>
    </button>
  )
}
