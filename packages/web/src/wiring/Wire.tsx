import { colourHex, type WireColour } from '@tidy-badger/core/dossiers'

/** A wire as it lies: base colour with an edge that shows on any ground, the stripe as a broken line along it. */
export function Wire({ d, colour, width = 7 }: { d: string; colour: WireColour; width?: number }) {
  return (
    <g fill="none" strokeLinecap="butt">
      <path d={d} stroke="var(--quiet)" strokeWidth={width + 2} />
      <path d={d} stroke={colourHex[colour.base]} strokeWidth={width} />
      {colour.stripe && (
        <path d={d} stroke={colourHex[colour.stripe]} strokeWidth={width * 0.34} strokeDasharray="13 7" />
      )}
    </g>
  )
}

/** The same end on: a cut wire, the stripe as a band across. */
export function WireEnd({ cx, cy, r, colour }: { cx: number; cy: number; r: number; colour: WireColour }) {
  const clip = `cut-${cx}-${cy}-${colour.base}-${colour.stripe}`.replaceAll(/[^a-z0-9-]/gi, '')
  return (
    <g>
      <clipPath id={clip}>
        <circle cx={cx} cy={cy} r={r} />
      </clipPath>
      <circle cx={cx} cy={cy} r={r} fill={colourHex[colour.base]} stroke="#f6f5ef" strokeWidth={1.6} />
      {colour.stripe && (
        <rect
          x={cx - r * 0.32}
          y={cy - r * 1.4}
          width={r * 0.64}
          height={r * 2.8}
          fill={colourHex[colour.stripe]}
          clipPath={`url(#${clip})`}
          transform={`rotate(28 ${cx} ${cy})`}
        />
      )}
    </g>
  )
}

/** A short piece of wire beside its name. */
export function WireChip({ colour }: { colour: WireColour }) {
  return (
    <svg viewBox="0 0 34 14" className="inline-block h-3.5 w-[34px] shrink-0" aria-hidden>
      <Wire d="M1 7H33" colour={colour} width={9} />
    </svg>
  )
}
