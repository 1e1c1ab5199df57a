import cookie from '@fastify/cookie'
import helmet from '@fastify/helmet'
import fastifyStatic from '@fastify/static'
import swagger from '@fastify/swagger'
import swaggerUi from '@fastify/swagger-ui'
import websocket from '@fastify/websocket'
import Fastify, { type FastifyInstance } from 'fastify'
import { jsonSchemaTransform } from 'fastify-type-provider-zod'
import { existsSync } from 'node:fs'
import { accessPlugin } from './access/index.ts'
import { dossierService, dossiersPlugin } from './dossiers/index.ts'
import { electricalPlugin } from './electrical/index.ts'
import { fuelTrimPlugin } from './fuel-trim/index.ts'
import { handoverPlugin } from './handover/index.ts'
import { jobService, jobsPlugin, liveRooms, type JobService } from './jobs/index.ts'
import { guardDoor, pairingPlugin, pairingService } from './pairing/index.ts'
import { photosPlugin } from './photos/index.ts'
import { refusalOfFramework, Refusal, statusOf } from './platform/errors.ts'
import type { Rooms } from './platform/rooms.ts'
import { zodValidator } from './platform/validation.ts'
import { routingPlugin } from './routing/index.ts'
import { wiringPlugin, wiringService } from './wiring/index.ts'

export interface App {
  server: FastifyInstance
  jobs: JobService
}

/** The whole server, not yet listening. */
export async function buildApp(rooms: Rooms): Promise<App> {
  const server = Fastify({ bodyLimit: 1024 * 1024, logger: false, routerOptions: { maxParamLength: 200 } })
  const methodsOfPath: { pattern: RegExp; method: string }[] = []
  server.addHook('onRoute', (route) => {
    const pattern = new RegExp(`^${route.url.replace(/[.+?^${}()|[\]\\]/g, '\\$&').replace(/:[^/]+/g, '[^/]+')}$`)
    for (const method of [route.method].flat()) methodsOfPath.push({ pattern, method })
  })
  server.removeContentTypeParser('text/plain')
  server.setValidatorCompiler(zodValidator)
  server.setErrorHandler(
    (error: Error & { code?: string; statusCode?: number; validation?: unknown }, _request, reply) => {
      const refusal = error instanceof Refusal ? error : refusalOfFramework(error.code, error.statusCode)
      if (refusal) return reply.code(statusOf(refusal.kind)).send(refusal.problems)
      console.error(error)
      return reply
        .code(500)
        .send([
          { code: 'internal', path: '', message: 'Something went wrong here. Nothing was changed; please try again.' },
        ])
    },
  )

  await server.register(cookie)
  const pairing = pairingService(rooms)
  guardDoor(server, pairing, rooms.config.host)
  await server.register(helmet, {
    hsts: false,
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        connectSrc: ["'self'", 'ws:'],
        workerSrc: ["'self'", 'blob:'],
        upgradeInsecureRequests: null,
      },
    },
  })
  await server.register(websocket)
  await server.register(swagger, {
    openapi: { info: { title: 'Tidy Badger', version: '1' } },
    transform: jsonSchemaTransform,
  })
  await server.register(swaggerUi, { routePrefix: '/api/docs', staticCSP: true })

  const live = liveRooms()
  const dossiers = dossierService(rooms)
  await dossiers.seedShipped()
  const jobs = jobService(rooms, dossiers, live)
  server.get('/api/health', { schema: { summary: 'Whether the server is up' } }, () => ({ ok: true }))
  await server.register(dossiersPlugin(dossiers))
  await server.register(jobsPlugin(jobs, live))
  await server.register(fuelTrimPlugin(rooms))
  await server.register(handoverPlugin(rooms, jobs))
  await server.register(accessPlugin(rooms, dossiers, jobs))
  await server.register(photosPlugin(rooms))
  await server.register(electricalPlugin)
  await server.register(routingPlugin(rooms, dossiers, jobs))
  await server.register(pairingPlugin(pairing, rooms))
  await server.register(wiringPlugin(wiringService(rooms, dossiers, jobs), dossiers, jobs))
  const web = rooms.config.webFolder
  if (web && existsSync(web))
    await server.register(fastifyStatic, {
      root: web,
      wildcard: false,
      setHeaders: (response, path) =>
        response.setHeader(
          'cache-control',
          /\/assets\//.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
        ),
    })

  server.setNotFoundHandler((request, reply) => {
    const path = request.url.split('?')[0]
    const allowed = methodsOfPath.filter((route) => route.pattern.test(path)).map((route) => route.method)
    if (allowed.length > 0)
      return reply
        .header('allow', [...new Set(allowed)].join(', '))
        .code(405)
        .send([
          {
            code: 'method',
            path: '',
            message: `${path} takes ${[...new Set(allowed)].join(', ')}, not ${request.method}.`,
          },
        ])
    if (
      web &&
      existsSync(web) &&
      request.method === 'GET' &&
      !path.startsWith('/api/') &&
      request.headers.accept?.includes('text/html')
    )
      return reply.header('cache-control', 'no-cache').sendFile('index.html')
    return reply.code(404).send([{ code: 'not-found', path: '', message: `There is nothing at ${path}.` }])
  })
  return { server, jobs }
}
