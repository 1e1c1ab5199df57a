import { useLayoutEffect, useRef, useState } from 'react'
import { Loading } from './states.tsx'

let kept: HTMLElement | null = null

/** What stands until a job is here: at the first page what that came with, which names the job; afterwards what is waited for. */
export function FirstSight({ what }: { what: string }) {
  const [came] = useState(() => (kept ??= document.getElementById('first-sight')))
  const place = useRef<HTMLDivElement>(null)
  useLayoutEffect(() => {
    if (came) place.current?.replaceChildren(came)
  }, [came])
  return came ? <div ref={place} /> : <Loading what={what} />
}

/** A job is here, or cannot be: what the page came with is over. */
export function sightIsOver(): void {
  kept?.remove()
  kept = null
}
