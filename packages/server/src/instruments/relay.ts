import type { WebSocket } from 'ws'
import { joinRoom, type SocketRooms } from '../platform/socketRooms.ts'

/** Lines of one instrument that are passed on within a second; more than a person can read. */
const mostPerSecond = 50
/** Characters of one message. */
export const longestLine = 4096

/** Passes lines from instruments on to the screens of their job. */
export function relay(now: () => number) {
  const screens: SocketRooms = new Map()
  const passed = new Map<string, { second: number; count: number }>()
  return {
    watch: (job: string, socket: WebSocket): void => joinRoom(screens, job, socket),
    /** @returns whether it was passed on, or one too many in its second */
    pass(job: string, text: string): boolean {
      const second = Math.floor(now() / 1000)
      const known = passed.get(job)
      const count = known?.second === second ? known.count + 1 : 1
      if (screens.has(job)) passed.set(job, { second, count })
      else passed.delete(job)
      if (count > mostPerSecond) return false
      for (const socket of screens.get(job) ?? []) socket.send(text)
      return true
    },
  }
}
