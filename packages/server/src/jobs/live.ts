import type { WebSocket } from 'ws'
import { joinRoom, type SocketRooms } from '../platform/socketRooms.ts'

export type Live = ReturnType<typeof liveSockets>

/** Close code of a socket whose device is not paired any more. */
export const closedUnpaired = 4401

/** Tells everybody who looks at a job that its journal has grown. What grew is fetched over HTTP. */
export function liveSockets() {
  const byJob: SocketRooms = new Map()
  const byDevice: SocketRooms = new Map()
  return {
    /** @param device the paired device that holds it; none on the machine itself */
    join(job: string, socket: WebSocket, device?: string): void {
      joinRoom(byJob, job, socket)
      if (device !== undefined) joinRoom(byDevice, device, socket)
    },
    /** Keeps a socket that looks at no journal: it closes with its device. */
    hold(device: string, socket: WebSocket): void {
      joinRoom(byDevice, device, socket)
    },
    grew(job: string, head: number): void {
      for (const socket of byJob.get(job) ?? []) socket.send(JSON.stringify({ job, head }))
    },
    /** Devices that hold a socket open. */
    devices: (): string[] => [...byDevice.keys()],
    /** Closes at once all that a device holds open. */
    dismiss(device: string): void {
      for (const socket of byDevice.get(device) ?? []) {
        socket.close(closedUnpaired, 'unpaired')
        // A peer that does not answer the closing does not keep it open.
        setTimeout(() => socket.terminate(), 1000).unref()
      }
    },
  }
}
