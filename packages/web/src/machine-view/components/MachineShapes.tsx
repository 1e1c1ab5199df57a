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
import { memo, useId } from 'react'

/** The machine drawn of its parts, axes in metres. @param unit width of a hair on the screen, m */
export const MachineShapes = memo(function MachineShapes({
  machine,
  view,
  unit,
  hidden,
}: {
  machine: DrawnMachine
  view: View
  unit: number
  hidden?: ReadonlySet<DrawnPartId>
}) {
  const hatch = useId()
  const { body } = machine
  if (!body) return null
  return (
    <g transform={bodyView(body, view).transform} strokeLinejoin="round" strokeLinecap="round">
      <defs>
        {/* What gets hot is seen without colour as well. */}
        <pattern
          id={hatch}
          width={6 * unit}
          height={6 * unit}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width={6 * unit} height={6 * unit} fill="var(--part-hot)" />
          <path d={`M0 0V${6 * unit}`} stroke="var(--part-edge)" strokeOpacity={0.45} strokeWidth={1.2 * unit} />
        </pattern>
      </defs>
      {machineScene(machine, view).map((shape, i) =>
        hidden?.has(partIdOf(shape.part)) ? null : (
          <OneShape key={i} shape={shape} unit={unit} fill={shape.tone === 'hot' ? `url(#${hatch})` : fillOf(shape)} />
        ),
      )}
    </g>
  )
})

const fillOf = ({ tone }: Shape) => (tone === 'open' ? 'none' : `var(--part-${tone})`)

function OneShape({ shape, unit, fill }: { shape: Shape; unit: number; fill: string }) {
  const { d, edge, tubeM } = shape
  if (tubeM === undefined)
    return (
      <path d={d} fill={fill} stroke={edge > 0 ? 'var(--part-edge)' : 'none'} strokeWidth={edgeHairs[edge] * unit} />
    )
  return (
    <>
      <path d={d} fill="none" stroke="var(--part-edge)" strokeWidth={tubeM + 1.6 * unit} />
      <path d={d} fill="none" stroke={shape.tone === 'hot' ? 'var(--part-hot)' : fill} strokeWidth={tubeM} />
    </>
  )
}
