import type { DrawnPartId } from '@tidy-badger/core/dossiers'
import {
  bodyView,
  edgeHairs,
  machineScene,
  partIdOf,
  type DrawnMachine,
  type Shape,
  type View,
} from '@tidy-badger/core/drawing'
import { memo, useId, type CSSProperties } from 'react'

declare module 'react' {
  interface CSSProperties {
    /** Width of a hair on the screen, in the units of a drawing: nearer or farther changes this alone. */
    '--hair'?: string
  }
}

/** Edges as wide as their hairs. */
const edges: readonly CSSProperties[] = edgeHairs.map((hairs) => ({ strokeWidth: `calc(var(--hair) * ${hairs})` }))

interface ShapesProps {
  machine: DrawnMachine
  view: View
  hidden?: ReadonlySet<DrawnPartId>
}

/** The machine drawn of its parts, axes in metres. @param props.unit width of a hair on the screen, m */
export function MachineShapes({ unit, ...shapes }: ShapesProps & { unit: number }) {
  const { body } = shapes.machine
  if (!body) return null
  return (
    <g
      transform={bodyView(body, shapes.view).transform}
      strokeLinejoin="round"
      strokeLinecap="round"
      style={{ '--hair': `${unit}px` }}
    >
      <Shapes {...shapes} />
    </g>
  )
}

/** How wide the hatch of what gets hot is, m: of the machine, so that it grows with it. */
const hatchM = 0.028

/** The same machine from the same side with the same parts off it, whoever counted them. */
function isSame(before: ShapesProps, now: ShapesProps): boolean {
  const [off, offNow] = [before.hidden, now.hidden]
  return (
    before.machine === now.machine &&
    before.view === now.view &&
    (off === offNow ||
      ((off?.size ?? 0) === (offNow?.size ?? 0) && [...(off ?? [])].every((part) => offNow?.has(part))))
  )
}

/** Drawn anew only where something else is to be seen: a tick elsewhere moves none of a hundred shapes. */
const Shapes = memo(function Shapes({ machine, view, hidden }: ShapesProps) {
  const hatch = useId()
  const wide = hatchM * Math.max(0.6, (machine.body?.lengthM ?? 2) / 2.6)
  return (
    <>
      <defs>
        {/* What gets hot is seen without colour as well. */}
        <pattern id={hatch} width={wide} height={wide} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={wide} height={wide} fill="var(--part-hot)" />
          <path d={`M0 0V${wide}`} stroke="var(--part-edge)" strokeOpacity={0.45} strokeWidth={wide / 5} />
        </pattern>
      </defs>
      {machineScene(machine, view).map((shape, i) =>
        hidden?.has(partIdOf(shape.part)) ? null : (
          <OneShape key={i} shape={shape} fill={shape.tone === 'hot' ? `url(#${hatch})` : fillOf(shape)} />
        ),
      )}
    </>
  )
}, isSame)

const fillOf = ({ tone }: Shape) => (tone === 'open' ? 'none' : `var(--part-${tone})`)

function OneShape({ shape, fill }: { shape: Shape; fill: string }) {
  const { d, edge, tubeM } = shape
  if (tubeM === undefined)
    return <path d={d} fill={fill} stroke={edge > 0 ? 'var(--part-edge)' : 'none'} style={edges[edge]} />
  return (
    <>
      <path
        d={d}
        fill="none"
        stroke="var(--part-edge)"
        style={{ strokeWidth: `calc(${tubeM}px + var(--hair) * 1.6)` }}
      />
      <path d={d} fill="none" stroke={shape.tone === 'hot' ? 'var(--part-hot)' : fill} strokeWidth={tubeM} />
    </>
  )
}
