import type { WebSocket } from 'ws'

export type Live = ReturnType<typeof liveRooms>

/** Tells everybody who looks at a job that its journal has grown. What grew is fetched over HTTP. */
export function liveRooms() {
  const listeners = new Map<string, Set<WebSocket>>()
  return {
    join(job: string, socket: WebSocket): void {
      const room = listeners.get(job) ?? new Set()
      room.add(socket)
      listeners.set(job, room)
      socket.on('close', () => room.delete(socket))
    },
    grew(job: string, head: number): void {
      for (const socket of listeners.get(job) ?? []) socket.send(JSON.stringify({ job, head }))
    },
  }
}
