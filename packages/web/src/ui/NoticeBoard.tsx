import { lazy, Suspense, useEffect, useState } from 'react'
import { linkBack } from '../platform/linkBack.ts'
import { boardWanted } from './notices.ts'

const Board = lazy(async () => ({ default: (await fetched()).Board }))

/** What is said without a link waits for it; the page stands meanwhile. */
async function fetched() {
  for (;;)
    try {
      return await import('./Board.tsx')
    } catch {
      await linkBack()
    }
}

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
