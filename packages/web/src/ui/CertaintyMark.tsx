/** How a figure is known, beside it: never by colour alone, and the less sure the looser its edge. */
export function CertaintyMark({ of }: { of: 'measured here' | 'measured elsewhere' | 'claimed' | 'guessed' }) {
  const edge = {
    'measured here': 'border-solid border-ink',
    'measured elsewhere': 'border-solid border-quiet',
    claimed: 'border-dashed border-quiet',
    guessed: 'border-dotted border-quiet',
  }[of]
  return <span className={`inline-block rounded border-2 px-1.5 text-small whitespace-nowrap ${edge}`}>{of}</span>
}
