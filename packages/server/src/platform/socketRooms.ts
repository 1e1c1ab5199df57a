import type { WebSocket } from 'ws'

/** Sockets by what they look at. */
export type SocketRooms = Map<string, Set<WebSocket>>

/** Puts a socket into a room for as long as it is open; a room that nobody is in is gone. */
export function joinRoom(rooms: SocketRooms, key: string, socket: WebSocket): void {
  const room = rooms.get(key) ?? new Set()
  room.add(socket)
  rooms.set(key, room)
  socket.on('close', () => {
    room.delete(socket)
    if (room.size === 0) rooms.delete(key)
  })
}
