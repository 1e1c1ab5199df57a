import { useEffect, useRef, useState, type ReactNode } from 'react'

/** How far out of sight it is begun, px. */
const ahead = '200px'

/** What takes long to draw, drawn when it comes in sight; until then its room is kept. @param className the room, with its height */
export function WhenSeen({ className, children }: { className: string; children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState(() => !('IntersectionObserver' in window))
  useEffect(() => {
    if (seen || !place.current) return
    const watching = new IntersectionObserver(
      (entries) => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) setSeen(true)
      },
      { rootMargin: ahead },
    )
    watching.observe(place.current)
    return () => watching.disconnect()
  }, [seen])
  return (
    <div ref={place} className={className}>
      {seen && children}
    </div>
  )
}
