import { useEffect, useState } from 'react'

/** As many lines as are looked at. */
const mostLines = 200
/** How often what came is looked at, ms. */
const lookMs = 250

/** Lines an instrument sends to this job just now, the latest last; empty until some come. */
export function useInstrumentLines(job: string): readonly string[] {
  const [lines, setLines] = useState<readonly string[]>([])
  useEffect(() => {
    const came: string[] = []
    let changed = false
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws'
    const socket = new WebSocket(`${scheme}://${location.host}/api/jobs/${job}/figures?as=screen`)
    socket.onmessage = ({ data }) => {
      if (typeof data !== 'string') return
      came.push(...data.split(/\r?\n/).filter((line) => line.trim() !== ''))
      came.splice(0, Math.max(0, came.length - mostLines))
      changed = true
    }
    const look = setInterval(() => {
      if (changed) setLines([...came])
      changed = false
    }, lookMs)
    return () => {
      clearInterval(look)
      socket.close()
    }
  }, [job])
  return lines
}
