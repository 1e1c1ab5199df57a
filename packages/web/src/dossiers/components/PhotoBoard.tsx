import type { PointerEvent, ReactNode } from 'react'
import { Photo } from '../../photos/index.ts'

/** A place on a picture, parts of its width and height. */
export interface Spot {
  x: number
  y: number
}

/** A photo that is tapped: the place is where the finger was. Marks stand on it. @param step how far an arrow key moves what is picked */
export function PhotoBoard({
  hash,
  src,
  alt,
  marks,
  onTap,
}: {
  hash?: string
  src?: string
  alt: string
  marks: readonly (Spot & { key: string; label: ReactNode; name: string; strong?: boolean })[]
  onTap?: (at: Spot) => void
}) {
  const tap = (event: PointerEvent<HTMLDivElement>) => {
    const { left, top, width, height } = event.currentTarget.getBoundingClientRect()
    onTap?.({ x: (event.clientX - left) / width, y: (event.clientY - top) / height })
  }
  return (
    <div className="relative inline-block max-w-full cursor-crosshair touch-manipulation select-none" onPointerUp={tap}>
      {hash !== undefined ? (
        <Photo hash={hash} alt={alt} className="max-h-[60vh] max-w-full rounded-lg !object-contain" />
      ) : (
        <img src={src} alt={alt} draggable={false} className="max-h-[60vh] max-w-full rounded-lg" />
      )}
      {marks.map(({ key, x, y, label, name, strong }) => (
        <span
          key={key}
          role="img"
          aria-label={name}
          style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
          className={`pointer-events-none absolute grid size-7 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-[3px] text-small font-bold ${strong ? 'border-lamp bg-lamp text-[#15181a]' : 'border-white bg-[#15181a] text-white'}`}
        >
          {label}
        </span>
      ))}
    </div>
  )
}
