import { startPlanning } from '@tidy-badger/core/planning'
import cookie from '@fastify/cookie'
import compress from '@fastify/compress'
import helmet from '@fastify/helmet'
import fastifyStatic from '@fastify/static'
import swagger from '@fastify/swagger'
import swaggerUi from '@fastify/swagger-ui'
import websocket from '@fastify/websocket'
import Fastify, { LogController, type FastifyReply, type RouteOptions } from 'fastify'
import { libraryPlugin } from './library/index.ts'
import { createJsonSchemaTransform } from 'fastify-type-provider-zod'
import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { join, relative, sep } from 'node:path'
import { constants } from 'node:zlib'
import { z } from 'zod'
import { accessPlugin } from './access/index.ts'
import { backupPlugin, backupService, startHousekeeping, type BackupService } from './backup/index.ts'
import { circuitPlugin } from './circuit/index.ts'
import { dossierService, dossiersPlugin, type Seeded } from './dossiers/index.ts'
import { electricalPlugin } from './electrical/index.ts'
import { fuelTrimPlugin } from './fuel-trim/index.ts'
import { handoverPlugin } from './handover/index.ts'
import { instrumentsPlugin } from './instruments/index.ts'
import { firstSight, jobService, jobsPlugin, liveSockets, type JobService } from './jobs/index.ts'
import { authGuard, pairingPlugin, pairingService, type RouteAccess } from './pairing/index.ts'
import { photosPlugin } from './photos/index.ts'
import { refusalOfFramework, Refusal, statusOf } from './platform/errors.ts'
import type { AppDeps } from './platform/deps.ts'
import {
  problemsSchema,
  readJson,
  zodSerializer,
  zodValidator,
  type AccessClass,
  type HttpApp,
} from './platform/http.ts'
import { faultOf, loggerOptions } from './platform/log.ts'
import { problemCodesTable } from './platform/problemCodes.ts'
import { routingPlugin } from './routing/index.ts'
import { levelsPlugin } from './levels/index.ts'
import { provingPlugin } from './proving/index.ts'
import { setupPlugin } from './setup/index.ts'
import { vehicleService, vehiclesPlugin, type VehicleService } from './vehicles/index.ts'
import { wakePlugin } from './wake/index.ts'
import { wiringPlugin, wiringService } from './wiring/index.ts'
import { pageLinks, scriptsWithin } from './platform/pageLinks.ts'
import { yardService } from './yard/index.ts'

export interface App {
  server: HttpApp
  jobs: JobService
  vehicles: VehicleService
  backup: BackupService
  /** Every route with who may ask for it. */
  routes: RouteAccess[]
  /** Shipped dossiers that were published now. */
  seeded: Seeded[]
}

/** The whole server, not yet listening. */
export async function buildApp(deps: AppDeps): Promise<App> {
  startPlanning()
  const server: HttpApp = Fastify({
    bodyLimit: 1024 * 1024,
    logger: loggerOptions(deps.config.logLevel),
    logController: new LogController({ disableRequestLogging: true }),
    routerOptions: { maxParamLength: 200 },
    // A request that cannot even be read (a broken address or header) is answered like any other refusal.
    frameworkErrors: (_error, _request, reply: FastifyReply) => {
      void reply
        .code(400)
        .type('application/json; charset=utf-8')
        .send(JSON.stringify([{ code: 'malformed', path: '', message: 'The address of the request cannot be read.' }]))
    },
  })
  const methodsOfPath: { pattern: RegExp; method: string }[] = []
  server.addHook('onRoute', (route) => {
    const pattern = new RegExp(`^${route.url.replace(/[.+?^${}()|[\]\\*]/g, '\\$&').replace(/:[^/]+/g, '[^/]+')}$`)
    for (const method of [route.method].flat()) methodsOfPath.push({ pattern, method })
    describeRefusals(route)
  })
  server.removeAllContentTypeParsers()
  server.addContentTypeParser('application/json', { parseAs: 'string' }, (_request, body, done) => {
    try {
      done(null, readJson(String(body)))
    } catch (error) {
      done(error instanceof Error ? error : new Error(String(error)))
    }
  })
  server.setValidatorCompiler(zodValidator)
  server.setSerializerCompiler(zodSerializer(deps.config.checkAnswers))
  server.setErrorHandler(
    (error: Error & { code?: string; statusCode?: number; validation?: unknown }, request, reply) => {
      const refusal = error instanceof Refusal ? error : refusalOfFramework(error.code, error.statusCode)
      if (!refusal) {
        request.log.error({ ...faultOf(error), route: request.routeOptions.url }, 'fault')
        return reply.code(500).send([
          {
            code: 'internal',
            path: '',
            message: 'Something went wrong here. Nothing was changed; please try again.',
          },
        ])
      }
      request.log.debug(
        { route: request.routeOptions.url, codes: refusal.problems.map((item) => item.code) },
        'refused',
      )
      if (refusal.retryAfterS !== undefined) reply.header('retry-after', refusal.retryAfterS)
      return reply.code(statusOf(refusal.kind)).send(refusal.problems)
    },
  )
  server.addHook('onResponse', async (request, reply) => {
    const { method, routeOptions } = request
    const line = {
      method,
      route: routeOptions.url ?? null,
      status: reply.statusCode,
      ms: Math.round(reply.elapsedTime),
    }
    if (reply.statusCode >= 500) request.log.error(line, 'failed')
    else if (reply.statusCode >= 400) request.log.warn(line, 'refused')
    else request.log.info(line, 'done')
  })

  await server.register(cookie)
  const live = liveSockets()
  const pairing = pairingService(deps, (device) => live.dismiss(device))
  const routes = authGuard(server, pairing, deps.config.host)
  const web = deps.config.webFolder
  const page = web !== null && existsSync(web)
  const directives = { ...contentRules, scriptSrc: [...contentRules.scriptSrc, ...(page ? scriptsWithin(web) : [])] }
  await server.register(helmet, { hsts: false, contentSecurityPolicy: { directives } })
  // What the page's build has not made smaller beforehand is made smaller here.
  await server.register(compress, {
    threshold: 2048,
    encodings: ['br', 'gzip'],
    brotliOptions: { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } },
  })
  await server.register(websocket, { options: { maxPayload: 4096 } })
  await server.register(swagger, {
    openapi: {
      info: {
        title: 'Tidy Badger',
        version: '1',
        description: `Every refusal is an array of problems \`{code, path, message}\`.\n\n${problemCodesTable()}`,
      },
    },
    transform: createJsonSchemaTransform({ zodToJsonConfig: { unrepresentable: 'any' } }),
  })
  await server.register(async (docs: HttpApp) => {
    nameAccess(docs, 'fitter')
    await docs.register(swaggerUi, { routePrefix: '/api/docs', staticCSP: false })
  })

  const yard = yardService(deps)
  const dossiers = dossierService(deps)
  const seeded = await dossiers.seedShipped()
  const jobs = jobService(deps, dossiers, live)
  const wiring = wiringService(deps, dossiers, jobs)
  const vehicles = vehicleService(deps, dossiers, jobs)
  const backup = backupService({ deps, jobs, dossiers, pairing, wiring, yard, vehicles })
  await backup.tidy()
  const housekeeping = startHousekeeping(
    backup,
    yard,
    jobs,
    { nowMs: () => Date.parse(deps.now()), hour: () => new Date(deps.now()).getHours() },
    (problem) => server.log.error(problem),
  )
  // Sockets of devices whose thirty days are over are closed as well.
  const sweep = setInterval(() => {
    void pairing.devices().then((all) => {
      const paired = new Set(all.filter((device) => device.state === 'paired').map((device) => device.id))
      for (const device of live.devices()) if (!paired.has(device)) live.dismiss(device)
    })
  }, 60_000).unref()
  server.addHook('onClose', async () => {
    clearInterval(sweep)
    housekeeping.stop()
    await deps.pool.close()
  })

  server.get(
    '/api/health',
    {
      config: { access: 'open' },
      schema: { summary: 'Whether the server is up', response: { 200: z.object({ ok: z.boolean() }) } },
    },
    () => {
      deps.folder.check()
      return { ok: true }
    },
  )
  await server.register(dossiersPlugin(dossiers))
  await server.register(libraryPlugin(deps, dossiers))
  await server.register(instrumentsPlugin(jobs, live))
  await server.register(jobsPlugin(deps, dossiers, jobs, yard, live, vehicles))
  await server.register(vehiclesPlugin(vehicles))
  await server.register(fuelTrimPlugin(deps))
  await server.register(handoverPlugin(deps, jobs))
  await server.register(accessPlugin(deps, dossiers, jobs))
  await server.register(photosPlugin(deps))
  await server.register(electricalPlugin)
  await server.register(setupPlugin)
  await server.register(wakePlugin(dossiers))
  await server.register(levelsPlugin(dossiers))
  await server.register(provingPlugin)
  await server.register(circuitPlugin(deps, dossiers))
  await server.register(routingPlugin(deps, dossiers, jobs))
  await server.register(pairingPlugin(pairing, deps))
  await server.register(wiringPlugin(wiring, dossiers, jobs))
  await server.register(backupPlugin(deps, backup, yard, housekeeping))
  if (page)
    await server.register(async (files: HttpApp) => {
      nameAccess(files, 'open')
      const linksOf = pageLinks(web)
      const sightAt = firstSight(readFileSync(join(web, 'index.html'), 'utf8'), jobs)
      await files.register(fastifyStatic, {
        root: web,
        // What is asked for is answered below: a route for each file would make every start slower.
        serve: false,
        preCompressed: true,
        // Said below: by itself it would say that nothing may be kept.
        cacheControl: false,
        setHeaders: (response, path) => {
          response.setHeader('vary', 'accept-encoding')
          response.setHeader(
            'cache-control',
            /\/assets\//.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
          )
        },
      })
      const known = new Set(
        readdirSync(web, { recursive: true, withFileTypes: true })
          .filter((file) => file.isFile() && !/\.(br|gz)$/.test(file.name))
          .map((file) => relative(web, join(file.parentPath, file.name)).split(sep).join('/'))
          .filter((name) => !name.startsWith('.')),
      )
      // A file of the page by its own name; every other address of the app is the page. What lies under /api is no address of it.
      files.get('/*', { schema: { hide: true } }, async (request, reply) => {
        const file = decoded(request.url.split('?')[0]).slice(1)
        if (known.has(file)) return reply.sendFile(file)
        const wantsPage = request.headers.accept?.includes('text/html') === true
        if (!wantsPage || /^\/api(\/|$)/i.test(decoded(request.url))) return reply.callNotFound()
        const path = request.url.split('?')[0]
        const comes = linksOf(path)
        if (comes !== null) void reply.header('link', comes)
        // Whoever is not paired hears of no job.
        const sight = request.sender === null ? null : await sightAt(path)
        if (sight !== null) return reply.header('cache-control', 'private, no-cache').type('text/html').send(sight)
        return reply.header('cache-control', 'no-cache').sendFile('index.html')
      })
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
    return reply
      .code(404)
      .send([{ code: 'not-found', path: '', message: `There is nothing at ${path.slice(0, 200)}.` }])
  })
  await server.ready()
  return { server, jobs, vehicles, backup, routes, seeded }
}

/** What a page of ours may load. */
const contentRules = {
  defaultSrc: ["'self'"],
  scriptSrc: ["'self'"],
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", 'data:', 'blob:'],
  connectSrc: ["'self'", 'ws:'],
  workerSrc: ["'self'", 'blob:'],
  upgradeInsecureRequests: null,
}

/** Routes that a plugin adds by itself are for this class. */
function nameAccess(app: HttpApp, access: AccessClass): void {
  app.addHook('onRoute', (route) => {
    route.config = { ...route.config, access: route.config?.access ?? access }
  })
}

/** Every route may refuse, and every refusal looks the same. */
function describeRefusals(route: RouteOptions): void {
  if (!route.schema || route.schema.hide) return
  const given: object = route.schema.response ?? {}
  route.schema = { ...route.schema, response: { ...given, '4xx': problemsSchema, '5xx': problemsSchema } }
}

function decoded(url: string): string {
  try {
    return decodeURIComponent(url)
  } catch {
    return url
  }
}
