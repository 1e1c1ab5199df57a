import { useLayoutEffect, useRef, useState } from 'react'
import { Loading } from './states.tsx'

/** What an address shows: the yard, or one job at any of its stations. */
const subjectOf = (path: string): string => path.split('/').slice(0, 3).join('/')

let kept: { sight: HTMLElement; of: string } | null = null

/** What the page came with, while it is about what is being opened. */
function cameWith(): HTMLElement | null {
  const of = subjectOf(location.pathname)
  if (kept === null) {
    const sight = document.getElementById('first-sight')
    kept = sight && { sight, of }
  }
  return kept?.of === of ? kept.sight : null
}

/** What stands until a job or the yard is here: at the first page what that came with, which names it; afterwards what is waited for. */
export function FirstSight({ what }: { what: string }) {
  const [came] = useState(cameWith)
  const place = useRef<HTMLDivElement>(null)
  useLayoutEffect(() => {
    if (came) place.current?.replaceChildren(came)
  }, [came])
  return came ? <div ref={place} /> : <Loading what={what} />
}

/** A job or the yard is here, or cannot be: what the page came with is over. */
export function sightIsOver(): void {
  kept?.sight.remove()
  kept = null
}
