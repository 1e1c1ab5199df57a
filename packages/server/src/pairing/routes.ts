import rateLimit from '@fastify/rate-limit'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'
import { Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import { networkAddresses, pairingCookie } from './gate.ts'
import { deviceLivesMs, type PairingService } from './service.ts'

const pairSchema = z.strictObject({
  code: z.string().trim().min(1).max(20),
  name: z.string().trim().min(1).max(60),
})
const deviceParams = z.object({ id: z.string().min(1) })

export async function pairingRoutes(app: FastifyInstance, pairing: PairingService, rooms: Rooms): Promise<void> {
  const open = rooms.config.host !== '127.0.0.1'

  await app.register(async (door) => {
    await door.register(rateLimit, {
      max: 10,
      timeWindow: 60_000,
      errorResponseBuilder: () =>
        new Refusal('too-many', {
          code: 'too-many',
          path: '',
          message: 'Too many tries from this device. Wait a minute.',
        }),
    })
    door.post(
      '/api/pairing',
      { schema: { summary: 'Let this device in by the code on the bench screen', body: pairSchema } },
      async (request, reply) => {
        const { code, name } = pairSchema.parse(request.body)
        const { token, expiresAt } = await pairing.pair(code.replaceAll(/\s/g, ''), name)
        return reply
          .setCookie(pairingCookie, token, {
            path: '/',
            httpOnly: true,
            sameSite: 'strict',
            maxAge: Math.floor(deviceLivesMs / 1000),
          })
          .send({ name, expiresAt })
      },
    )
  })

  app.get(
    '/api/pairing/bench',
    { schema: { summary: 'The code to show, and the devices let in; bench only' } },
    async (request) => {
      const port = request.socket.localPort ?? rooms.config.port
      return {
        open,
        addresses: open ? reachable(rooms.config.host).map((address) => `http://${address}:${port}`) : [],
        ...(open ? pairing.showCode() : { code: null, expiresAt: null }),
        devices: await pairing.devices(),
      }
    },
  )

  app.post('/api/pairing/bench/code', { schema: { summary: 'Show another code; bench only' } }, () =>
    pairing.renewCode(),
  )

  app.delete(
    '/api/pairing/bench/devices/:id',
    { schema: { summary: 'Send a device away; bench only', params: deviceParams } },
    async (request, reply) => {
      await pairing.revoke(deviceParams.parse(request.params).id)
      return reply.code(204).send()
    },
  )
}

/** Addresses worth showing: the one listened on, or those of this machine that a device can type. */
function reachable(host: string): string[] {
  if (host !== '0.0.0.0' && host !== '::') return [host]
  return networkAddresses().filter((address) => !address.startsWith('['))
}
