import type { KitLamp } from '@tidy-badger/core/dossiers'

/** All signs on one clock, so that a quick one looks quick. */
const shownMs = 3000

/** Three seconds of a sign, on above and off below. */
export function Rhythm({
  lamp: { state, rhythmMs },
  widthPx = 120,
}: {
  lamp: Pick<KitLamp, 'state' | 'rhythmMs'>
  widthPx?: number
}) {
  const round = rhythmMs.reduce((sum, time) => sum + time, 0)
  const rounds = state === 'rhythm' && round > 0 ? Math.ceil(shownMs / round) : 0
  const lit = Array.from({ length: rounds }, (_item, nth) =>
    rhythmMs.flatMap((time, i) => {
      if (i % 2 === 1) return []
      const from = nth * round + rhythmMs.slice(0, i).reduce((sum, before) => sum + before, 0)
      return from >= shownMs ? [] : [{ from, to: Math.min(shownMs, from + time) }]
    }),
  ).flat()
  const x = (ms: number) => (ms / shownMs) * widthPx
  return (
    <svg width={widthPx} height={24} aria-hidden className="shrink-0 text-ink">
      <line x1={0} x2={widthPx} y1={22} y2={22} stroke="currentColor" strokeWidth={2} />
      {(state === 'steady' ? [{ from: 0, to: shownMs }] : lit).map(({ from, to }) => (
        <rect key={from} x={x(from)} y={4} width={Math.max(2, x(to) - x(from))} height={18} fill="currentColor" />
      ))}
    </svg>
  )
}
