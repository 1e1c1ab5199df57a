import type { Hazard } from '@tidy-badger/core/dossiers'

/** A hazard drawn as what it is, ten units across around its middle. */
export function HazardMark({ hazard }: { hazard: Hazard }) {
  const line = { fill: 'none', strokeWidth: 1.5, strokeLinecap: 'round', strokeLinejoin: 'round' } as const
  switch (hazard.kind) {
    case 'hot':
      return (
        <g stroke="var(--stop)" {...line}>
          {[-3.2, 0, 3.2].map((x) => (
            <path key={x} d={`M${x} 4.5c-2 -2 2 -3 0 -5s2 -3 0 -5`} />
          ))}
        </g>
      )
    case 'moving':
      return (
        <g stroke="var(--ink)" {...line}>
          <path d="M-4.5 2.5A5 5 0 0 1 4.5 2.5M-4.5 2.5l0 -3M-4.5 2.5l3 0M4.5 2.5l0 -3M4.5 2.5l-3 0" />
        </g>
      )
    case 'pinch':
      return (
        <g fill="var(--ink)">
          <path d="M-3.5 -5h7l-3.5 4zM-3.5 5h7l-3.5 -4z" />
        </g>
      )
    case 'sharp':
      return <path d="M-5 3l2.5 -6 2.5 6 2.5 -6 2.5 6" stroke="var(--ink)" {...line} />
    case 'wet':
      return <path d="M0 -5c3 4 3.6 5 3.6 6.6a3.6 3.6 0 0 1 -7.2 0c0 -1.6 .6 -2.6 3.6 -6.6z" fill="var(--data)" />
    case 'vibration':
      return (
        <path
          d="M-5 -2q1.25 -3 2.5 0t2.5 0 2.5 0 2.5 0M-5 2.5q1.25 -3 2.5 0t2.5 0 2.5 0 2.5 0"
          stroke="var(--quiet)"
          {...line}
        />
      )
    case 'barred':
      return (
        <g stroke="var(--stop)" {...line} strokeWidth={2}>
          <circle r={4.6} />
          <path d="M-3.2 -3.2l6.4 6.4" />
        </g>
      )
  }
}

/** The mark beside its words. */
export function HazardChip({ hazard }: { hazard: Hazard }) {
  return (
    <svg viewBox="-7 -7 14 14" className="inline-block size-5 shrink-0" aria-hidden>
      <HazardMark hazard={hazard} />
    </svg>
  )
}
