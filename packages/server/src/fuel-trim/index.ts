import type { FastifyInstance } from 'fastify'
import type { Rooms } from '../platform/rooms.ts'
import { fitPool } from './fitPool.ts'
import { fuelTrimRoutes } from './routes.ts'

export function fuelTrimPlugin(rooms: Rooms) {
  return async (app: FastifyInstance): Promise<void> => {
    const pool = fitPool(rooms.config.fitLimitMs)
    app.addHook('onClose', () => pool.close())
    fuelTrimRoutes(app, rooms, pool)
  }
}
