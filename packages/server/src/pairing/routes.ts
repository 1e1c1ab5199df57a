import { cleanText, idText } from '@tidy-badger/core/shared'
import { z } from 'zod'
import type { AppDeps } from '../platform/deps.ts'
import type { HttpApp } from '../platform/http.ts'
import { networkAddresses, pairingCookie } from './authGuard.ts'
import { deviceLivesMs, type PairingService } from './service.ts'

const pairSchema = z.strictObject({
  code: z
    .string()
    .max(20)
    .trim()
    .regex(/^(\d\s*){6}$/, 'must be the six digits shown under Devices'),
  name: z.string().trim().pipe(cleanText(60)),
  /** Whose device it is: what it writes down is theirs. */
  person: z.string().trim().pipe(cleanText(80)),
})
const codeSchema = z.object({
  code: z.string().nullable(),
  expiresAt: z.string().nullable(),
  closed: z.boolean().describe('Too many wrong codes: pairing waits to be opened again here.'),
})
const deviceSchema = z.object({
  id: z.string(),
  name: z.string(),
  person: z.string().nullable(),
  pairedAt: z.string(),
  expiresAt: z.string(),
  seenAt: z.string(),
  state: z.enum(['paired', 'revoked', 'expired']),
})

export function pairingRoutes(app: HttpApp, pairing: PairingService, deps: AppDeps): void {
  const open = deps.config.host !== '127.0.0.1'

  app.post(
    '/api/pairing',
    {
      config: { access: 'open' },
      bodyLimit: 4096,
      schema: {
        summary: 'Pair this device by the code shown on the machine itself',
        body: pairSchema,
        response: { 200: z.object({ name: z.string(), person: z.string(), expiresAt: z.string() }) },
      },
    },
    async (request, reply) => {
      const { code, name, person } = request.body
      const from = request.socket.remoteAddress ?? ''
      const { token, expiresAt } = await pairing.pair(code.replaceAll(/\s/g, ''), { name, person }, from)
      return reply
        .setCookie(pairingCookie, token, {
          path: '/',
          httpOnly: true,
          sameSite: 'strict',
          maxAge: Math.floor(deviceLivesMs / 1000),
        })
        .send({ name, person, expiresAt })
    },
  )

  app.get(
    '/api/me',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Who this device writes as, and what it may do',
        response: {
          200: z.object({
            role: z.enum(['keeper', 'fitter']),
            person: z.string().nullable(),
            name: z.string().nullable(),
          }),
        },
      },
    },
    (request) =>
      request.sender?.role === 'fitter'
        ? { role: 'fitter', person: request.sender.person, name: request.sender.name }
        : { role: 'keeper', person: null, name: null },
  )

  app.get(
    '/api/pairing/bench',
    {
      config: { access: 'keeper' },
      schema: {
        summary: 'The code to show, and the devices paired',
        response: {
          200: codeSchema.extend({
            open: z.boolean(),
            addresses: z.array(z.string()),
            devices: z.array(deviceSchema),
          }),
        },
      },
    },
    async (request) => {
      const port = request.socket.localPort ?? deps.config.port
      return {
        open,
        addresses: open ? reachable(deps.config.host).map((address) => `http://${address}:${port}`) : [],
        ...(open ? pairing.showCode() : { code: null, expiresAt: null, closed: false }),
        devices: await pairing.devices(),
      }
    },
  )

  app.post(
    '/api/pairing/bench/code',
    {
      config: { access: 'keeper' },
      schema: {
        summary: 'Show another code; opens pairing again when guesses closed it',
        response: { 200: codeSchema },
      },
    },
    () => pairing.renewCode(),
  )

  app.delete(
    '/api/pairing/bench/devices/:id',
    {
      config: { access: 'keeper' },
      schema: {
        summary: 'Revoke a device; what it holds open is closed at once',
        params: z.object({ id: idText }),
        response: { 204: z.null() },
      },
    },
    async (request, reply) => {
      await pairing.revoke(request.params.id)
      return reply.code(204).send()
    },
  )
}

/** Addresses worth showing: the one listened on, or those of this machine that a device can type. */
function reachable(host: string): string[] {
  if (host !== '0.0.0.0' && host !== '::') return [host]
  return networkAddresses().filter((address) => !address.startsWith('['))
}
