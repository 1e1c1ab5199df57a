import type { FastifyInstance } from 'fastify'
import type { Rooms } from '../platform/rooms.ts'
import { pairingRoutes } from './routes.ts'
import type { PairingService } from './service.ts'

export { guardDoor } from './gate.ts'
export { pairingService } from './service.ts'

export function pairingPlugin(pairing: PairingService, rooms: Rooms) {
  return (app: FastifyInstance): Promise<void> => pairingRoutes(app, pairing, rooms)
}
