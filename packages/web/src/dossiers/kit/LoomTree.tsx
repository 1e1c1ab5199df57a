import { loomTree, metresAt, withLength, type TreeRow } from '@tidy-badger/core/dossier-writing'
import type { Kit, KitEnd, KitEndId, WireColour } from '@tidy-badger/core/dossiers'
import { useRef, type KeyboardEvent, type PointerEvent } from 'react'
import { Wire } from '../../wiring/index.ts'
import { changeKit } from '../draftStore.ts'

const width = 760
const stepM = 0.01
const bigStepM = 0.1

type Which = 'breakOutM' | 'branchM'

/**
 * The loom to scale. An end is picked by a tap; where it leaves the trunk and how far its branch goes are dragged, or moved with
 * the arrow keys (with Shift by ten centimetres).
 * @param onPick without it the loom is looked at only
 */
export function LoomTree({
  kit,
  picked,
  onPick,
}: {
  kit: Kit
  picked: string | null
  onPick?: (end: KitEndId) => void
}) {
  const tree = loomTree(kit, width)
  const frame = useRef<SVGSVGElement>(null)
  const drag = useRef<{ end: KitEnd; which: Which } | null>(null)
  const metresUnder = (event: PointerEvent) => {
    const matrix = frame.current?.getScreenCTM()
    return matrix
      ? metresAt(tree, new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()).x)
      : null
  }
  return (
    <svg
      ref={frame}
      viewBox={`0 0 ${tree.width} ${tree.height}`}
      className="w-full min-w-[620px] touch-pan-y rounded-lg bg-paper"
      role="group"
      aria-label={`Loom of the ${kit.model}, to scale`}
      onPointerMove={(event) => {
        const { end, which } = drag.current ?? {}
        const metres = end && metresUnder(event)
        if (!end || !which || metres === undefined || metres === null) return
        changeKit((now) => withLength(now, end.id, which, which === 'breakOutM' ? metres : metres - end.breakOutM))
      }}
      onPointerUp={() => (drag.current = null)}
    >
      <g aria-hidden>
        {tree.marks.map(({ metres, x }) => (
          <g key={metres}>
            <path d={`M${x} 14V${tree.height}`} stroke="var(--line-soft)" strokeWidth={1} />
            <text x={x} y={12} fontSize={13} textAnchor="middle" fill="var(--quiet)" className="figures">
              {metres === 0 ? '0' : `${metres} m`}
            </text>
          </g>
        ))}
        {tree.rows.map((row) => (
          <Branch key={row.end.id} row={row} trunkY={tree.trunkY} on={row.end.id === picked} />
        ))}
        <path
          d={`M${tree.fromX - 4} ${tree.trunkY}H${tree.trunkX}`}
          stroke="var(--ink)"
          strokeWidth={17}
          strokeLinecap="round"
        />
        <path
          d={`M${tree.fromX - 4} ${tree.trunkY}H${tree.trunkX}`}
          stroke="#4a4f52"
          strokeWidth={13}
          strokeLinecap="round"
        />
        <rect x={2} y={tree.trunkY - 24} width={tree.fromX - 8} height={48} rx={7} fill="var(--ink)" />
        <text
          x={tree.fromX / 2 - 2}
          y={tree.trunkY + 5}
          fontSize={14}
          fontWeight={700}
          textAnchor="middle"
          fill="var(--ground)"
          fontFamily="var(--font-head)"
        >
          {short(kit.module.name)}
        </text>
      </g>
      {tree.rows.map((row) => (
        <Ends
          key={row.end.id}
          row={row}
          trunkY={tree.trunkY}
          on={row.end.id === picked}
          onPick={onPick}
          onDrag={(which) => (drag.current = { end: row.end, which })}
        />
      ))}
    </svg>
  )
}

const short = (name: string) => (name.length > 11 ? `${name.slice(0, 10)}…` : name)

/** What wires an end shows, the changed ones first. */
function coloursOf(end: KitEnd): WireColour[] {
  if (end.type === 'inline-pair') return end.lines.slice(0, 4).map((line) => line.colour)
  return 'colour' in end && end.colour ? [end.colour] : []
}

function Branch({ row, trunkY, on }: { row: TreeRow; trunkY: number; on: boolean }) {
  const { outX, tipX, y, end } = row
  const path = (off: number) =>
    `M${outX + off} ${trunkY}V${y - 8 + off}Q${outX + off} ${y + off} ${outX + off + 8} ${y + off}H${tipX}`
  const colours = coloursOf(end)
  return (
    <>
      {on && (
        <path d={path(0)} fill="none" stroke="var(--lamp)" strokeWidth={18} strokeLinecap="round" opacity={0.55} />
      )}
      {colours.length === 0 && <path d={path(0)} fill="none" stroke="var(--quiet)" strokeWidth={4} />}
      {colours.map((colour, i) => (
        <Wire key={i} d={path((i - (colours.length - 1) / 2) * 4)} colour={colour} width={colours.length > 1 ? 3 : 5} />
      ))}
    </>
  )
}

function Ends({
  row: { end, outX, tipX, y },
  trunkY,
  on,
  onPick,
  onDrag,
}: {
  row: TreeRow
  trunkY: number
  on: boolean
  onPick: ((end: KitEndId) => void) | undefined
  onDrag: (which: Which) => void
}) {
  const handle = (which: Which, x: number, atY: number) => {
    const now = end[which]
    const keys = (event: KeyboardEvent) => {
      const step = event.shiftKey ? bigStepM : stepM
      const by = { ArrowLeft: -step, ArrowDown: -step, ArrowRight: step, ArrowUp: step }[event.key]
      if (by === undefined) return
      event.preventDefault()
      changeKit((kit) => withLength(kit, end.id, which, now + by))
    }
    return (
      <g
        role="slider"
        tabIndex={0}
        aria-label={which === 'branchM' ? `Branch of ${end.name}` : `Where ${end.name} leaves the trunk`}
        aria-valuemin={0}
        aria-valuemax={10_000}
        aria-valuenow={Math.round(now * 1000)}
        aria-valuetext={`${Math.round(now * 1000)} mm`}
        style={{ cursor: 'ew-resize' }}
        onFocus={() => onPick?.(end.id)}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          onPick?.(end.id)
          onDrag(which)
        }}
        onKeyDown={keys}
      >
        {which === 'branchM' ? (
          <Tag end={end} x={x} y={atY} on={on} />
        ) : (
          <>
            <circle cx={x} cy={atY} r={on ? 16 : 9} fill="transparent" stroke="transparent" strokeWidth={4} />
            <circle
              cx={x}
              cy={atY}
              r={on ? 7 : 4}
              fill={on ? 'var(--lamp)' : '#f4f4ef'}
              stroke="var(--ink)"
              strokeWidth={1.5}
            />
          </>
        )}
      </g>
    )
  }
  return (
    <g>
      {/* Whoever works by keys has the handles and the list of ends below. */}
      {}
      <rect
        x={outX}
        y={y - 22}
        width={Math.max(60, tipX - outX)}
        height={44}
        fill="transparent"
        onClick={() => onPick?.(end.id)}
        style={onPick ? { cursor: 'pointer' } : {}}
      />
      <text
        x={Math.max(outX + 14, tipX - 8)}
        y={y - 8}
        textAnchor={tipX - outX > 150 ? 'end' : 'start'}
        {...(tipX - outX > 150 ? {} : { dx: tipX + 60 - Math.max(outX + 14, tipX - 8), dy: 13 })}
        fontSize={14}
        fontWeight={on ? 700 : 500}
        fill="var(--ink)"
        pointerEvents="none"
      >
        {end.name}
        <tspan className="figures" fill="var(--quiet)" fontWeight={400}>
          {' '}
          {Math.round(end.branchM * 1000)}
        </tspan>
      </text>
      {onPick ? (
        <>
          {handle('breakOutM', outX, trunkY)}
          {handle('branchM', tipX, y)}
        </>
      ) : (
        <Tag end={end} x={tipX} y={y} on={on} />
      )}
    </g>
  )
}

/** The tag at a branch's end: an outline that tells the kind, and dashed where the kit works without it. */
function Tag({ end, x, y, on }: { end: KitEnd; x: number; y: number; on: boolean }) {
  const round = end.type === 'ring'
  return (
    <>
      <rect x={x - 6} y={y - 22} width={64} height={44} fill="transparent" />
      <rect
        x={x}
        y={y - 14}
        width={48}
        height={28}
        rx={round ? 14 : end.type === 'flying-lead' ? 2 : 7}
        fill={on ? 'var(--lamp)' : 'var(--paper)'}
        stroke="var(--ink)"
        strokeWidth={end.type === 'inline-pair' ? 3 : 2}
        strokeDasharray={end.needed ? undefined : '5 4'}
      />
      <text
        x={x + 24}
        y={y + 5}
        fontSize={15}
        fontWeight={700}
        textAnchor="middle"
        fill={on ? '#15181a' : 'var(--ink)'}
        fontFamily="var(--font-head)"
      >
        {end.tag}
      </text>
    </>
  )
}
