import type { FastifyInstance, FastifyRequest } from 'fastify'
import { networkInterfaces, hostname } from 'node:os'
import { Refusal } from '../platform/errors.ts'
import type { PairingService } from './service.ts'

export const pairingCookie = 'tidy-badger-device'

/** Whether a request comes from the machine the server runs on. */
export function fromBench(request: FastifyRequest): boolean {
  return /^(127\.|::1$|::ffff:127\.)/.test(request.ip)
}

/** Addresses under which other machines of the network reach this one. */
export function networkAddresses(): string[] {
  return Object.values(networkInterfaces()).flatMap((list) =>
    (list ?? []).flatMap(({ address, internal, family }) =>
      internal ? [] : [family === 'IPv6' ? `[${address}]` : address],
    ),
  )
}

/** Names a request may ask for: this machine's own and nothing else, so that no foreign page can lead a browser here. */
export function ownNames(host: string): Set<string> {
  const local = ['localhost', '127.0.0.1', '[::1]']
  if (host === '127.0.0.1' || host === 'localhost') return new Set(local)
  const name = hostname().toLowerCase()
  return new Set([...local, host, ...networkAddresses(), name, `${name}.local`])
}

/**
 * Stands before every request, sockets too: the Host must be one of this machine's names, an Origin must be that of the
 * page itself, and a device that is not the bench must have been let in. The page, its parts and the pairing itself are open.
 */
export function guardDoor(app: FastifyInstance, pairing: PairingService, host: string): void {
  const names = ownNames(host)
  app.addHook('onRequest', async (request) => {
    const asked = (request.headers.host ?? '').toLowerCase()
    if (!names.has(asked.replace(/:\d+$/, '')))
      throw refusal('foreign-host', `This server does not answer to the name "${asked}".`)
    const { origin } = request.headers
    if (origin !== undefined && hostOf(origin) !== asked)
      throw refusal('foreign-origin', 'A page from somewhere else asked. Open Tidy Badger at its own address.')
    if (fromBench(request)) return
    const path = request.url.split('?')[0]
    if (!path.startsWith('/api/') || (path === '/api/pairing' && request.method === 'POST') || path === '/api/health')
      return
    if (path.startsWith('/api/pairing/bench'))
      throw refusal('bench-only', 'Devices are let in and sent away on the bench itself.')
    if (!(await pairing.admits(request.cookies[pairingCookie])))
      throw new Refusal('unpaired', {
        code: 'unpaired',
        path: '',
        message: 'This device has not been let in. Type the code that the bench screen shows.',
      })
  })
  // A refused socket is nobody's any more: left open it would hold the server up when it stops.
  app.addHook('onResponse', async (request, reply) => {
    if (request.headers.upgrade !== undefined && reply.statusCode >= 400) request.raw.socket.destroy()
  })
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host.toLowerCase()
  } catch {
    return null
  }
}

function refusal(code: string, message: string): Refusal {
  return new Refusal('forbidden', { code, path: '', message })
}
