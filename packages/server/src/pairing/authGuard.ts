import type { FastifyInstance, FastifyRequest } from 'fastify'
import { networkInterfaces, hostname } from 'node:os'
import { refusal } from '../platform/errors.ts'
import { accessClasses, type AccessClass, type Sender } from '../platform/http.ts'
import type { PairingService } from './service.ts'

export const pairingCookie = 'tidy-badger-device'

/** Whether a request comes from the machine the server runs on. */
export function fromLoopback(request: FastifyRequest): boolean {
  return /^(127\.|::1$|::ffff:127\.)/.test(request.socket.remoteAddress ?? '')
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

export interface RouteAccess {
  method: string
  url: string
  access: AccessClass
}

/**
 * Stands before every request, sockets too. The Host must be one of this machine's names, an Origin must be that of the page
 * itself; then the access class of the *matched* route decides, so that no way of writing an address leads around it. What matches
 * no route is for paired devices.
 * @returns every route with its class, once the server is ready; it does not get ready with a route that names none
 */
export function authGuard(app: FastifyInstance, pairing: PairingService, host: string): RouteAccess[] {
  const names = ownNames(host)
  const routes: RouteAccess[] = []
  const unnamed: string[] = []
  const pending: (() => void)[] = []
  app.decorateRequest('sender', null)
  app.addHook('onRoute', (route) => {
    // Whatever a plugin adds to `config` in its own hook is there only after this one: read when the server gets ready.
    pending.push(() => {
      for (const method of [route.method].flat()) {
        const access = route.config?.access
        if (access === undefined || !accessClasses.includes(access)) unnamed.push(`${method} ${route.url}`)
        else routes.push({ method, url: route.url, access })
      }
    })
  })
  app.addHook('onReady', async () => {
    for (const read of pending.splice(0)) read()
    if (unnamed.length > 0)
      throw new Error(`Routes must name who may ask for them, and these do not: ${unnamed.join(', ')}.`)
  })

  app.addHook('onRequest', async (request) => {
    const asked = (request.headers.host ?? '').toLowerCase()
    if (!names.has(asked.replace(/:\d+$/, '')))
      throw refusal('forbidden', 'foreign-host', `This server does not answer to the name "${shortened(asked)}".`)
    const { origin } = request.headers
    if (origin !== undefined && hostOf(origin) !== asked)
      throw refusal(
        'forbidden',
        'foreign-origin',
        'A page from somewhere else asked. Open Tidy Badger at its own address.',
      )
    request.sender = await senderOf(request)
    const access = request.routeOptions.config.access ?? 'fitter'
    // No page is a socket: whoever asks for one must be known, whatever the address.
    const wantsSocket = request.headers.upgrade !== undefined
    if ((access === 'open' && !wantsSocket) || request.sender?.role === 'keeper') return
    if (access === 'keeper')
      throw request.routeOptions.url?.startsWith('/api/pairing/')
        ? refusal('forbidden', 'bench-only', 'Devices are paired and revoked on the machine the server runs on.')
        : refusal('forbidden', 'keeper-only', 'Only the keeper does this, on the machine the server runs on.')
    if (request.sender === null)
      throw refusal(
        'unpaired',
        'unpaired',
        'This device is not paired, or its thirty days are over. Pair it with the code that the machine shows under Devices.',
      )
  })

  async function senderOf(request: FastifyRequest): Promise<Sender | null> {
    if (fromLoopback(request)) return { role: 'keeper' }
    const device = await pairing.deviceOf(request.cookies[pairingCookie])
    return device ? { role: 'fitter', device: device.id, name: device.name, person: device.person } : null
  }

  // A refused socket is nobody's any more: left open it would hold the server up when it stops.
  app.addHook('onResponse', async (request, reply) => {
    if (request.headers.upgrade !== undefined && reply.statusCode >= 400) request.raw.socket.destroy()
  })
  return routes
}

function shortened(text: string): string {
  return text.length > 80 ? `${text.slice(0, 80)}…` : text
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host.toLowerCase()
  } catch {
    return null
  }
}
