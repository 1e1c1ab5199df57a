import type { WebSocket } from 'ws'

export type Relay = ReturnType<typeof relay>

/** Lines of one instrument that are passed on within a second; more than a person can read. */
const mostPerSecond = 50
/** Characters of one message. */
export const longestLine = 4096

/** Passes lines from instruments on to the screens of their job. */
export function relay(now: () => number) {
  const screens = new Map<string, Set<WebSocket>>()
  const passed = new Map<string, { second: number; count: number }>()
  return {
    watch(job: string, socket: WebSocket): void {
      const room = screens.get(job) ?? new Set()
      room.add(socket)
      screens.set(job, room)
      socket.on('close', () => {
        room.delete(socket)
        if (room.size === 0) screens.delete(job)
      })
    },
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
