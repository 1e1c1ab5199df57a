import { lazy, Suspense, useEffect, useState } from 'react'
import { boardWanted } from './notices.ts'

const Board = lazy(async () => ({ default: (await import('./Board.tsx')).Board }))

/** Where notices appear; its script comes when there is one, or when the page stands. */
export function NoticeBoard() {
  const [here, setHere] = useState(false)
  useEffect(() => {
    let gone = false
    void boardWanted.then(() => {
      if (!gone) setHere(true)
    })
    return () => {
      gone = true
    }
  }, [])
  return <Suspense fallback={null}>{here && <Board />}</Suspense>
}
