import { cleanText, idText } from '@tidy-badger/core/shared'
import { connectionTargetSchema } from '@tidy-badger/core/wiring'
import { purposes, refOf, tapMethods } from '@tidy-badger/core/dossiers'
import { dossierRefSchema } from '@tidy-badger/core/jobs'
import { meterUnits } from '@tidy-badger/core/vehicles'
import { z } from 'zod'
import type { HttpApp } from '../platform/http.ts'
import type { VehicleService } from './service.ts'

const params = z.object({ id: idText })
const plain = (most: number) => z.string().trim().pipe(cleanText(most))
const owner = z.strictObject({ name: plain(200), contact: plain(200).optional() })
const wound = { connector: refOf.connector, cavity: z.int() }

const vehicle = z.object({
  id: z.string(),
  machine: dossierRefSchema,
  machineName: z.string(),
  plate: z.string().nullable(),
  frame: z.string().nullable(),
  owner: owner.nullable(),
  createdAt: z.string(),
  fitted: z.array(
    z.object({
      ...{ kit: z.string(), name: z.string(), jobId: z.string(), place: z.string().nullable() },
      placeName: z.string().nullable(),
      as: z.string().describe('Its name in that job; empty where it was the only one'),
    }),
  ),
  connections: z.array(
    z.object({
      kit: z.string(),
      kitEnd: refOf.kitEnd,
      to: connectionTargetSchema,
      method: z.enum(tapMethods).optional(),
      jobId: z.string(),
      says: z.string().describe('End and place in words'),
    }),
  ),
  punctures: z.array(z.object({ ...wound, sealed: z.boolean(), inUse: z.boolean() })),
  cuts: z.array(z.object({ ...wound, joined: z.boolean() })),
  jobs: z.array(
    z.object({
      ...{ id: z.string(), title: z.string(), purpose: z.enum(purposes) },
      ...{ finished: z.boolean(), openedAt: z.string() },
      meter: z.object({ value: z.number(), unit: z.enum(meterUnits) }).nullable(),
      gain: z.string().nullable().describe('What its pulls showed'),
    }),
  ),
  open: z.array(z.object({ what: z.string(), since: z.string() })),
  cameOff: z.array(
    z.object({ ...{ kit: z.string(), name: z.string(), jobId: z.string() }, ...{ as: z.string(), at: z.string() } }),
  ),
  alike: z.array(z.string()).describe('Machines on file with the same plate'),
})
const listed = z.object({
  ...{ id: z.string(), machine: dossierRefSchema, machineName: z.string() },
  ...{ plate: z.string().nullable(), frame: z.string().nullable(), owner: owner.nullable() },
  ...{ jobs: z.int(), open: z.int(), title: z.string().nullable(), changedAt: z.string() },
})
const onShelf = z.object({
  ...{ id: z.string(), kit: dossierRefSchema, name: z.string(), fits: z.array(z.string()) },
  ...{ since: z.string(), vehicle: z.string().nullable(), jobId: z.string(), missing: z.array(z.string()) },
  settings: z.array(z.object({ setting: z.string(), value: z.string() })),
})

export function vehicleRoutes(app: HttpApp, vehicles: VehicleService): void {
  const fitter = { config: { access: 'fitter' as const } }
  app.get(
    '/api/vehicles',
    {
      ...fitter,
      schema: {
        summary: 'Machines on file, the latest first; words are looked for in plate, frame, owner and model',
        querystring: z.object({ q: cleanText(200, 0).default('') }),
        response: { 200: z.array(listed) },
      },
    },
    (request) => vehicles.list(request.query.q),
  )
  app.post(
    '/api/vehicles',
    {
      ...fitter,
      schema: {
        summary: 'Put a machine on file',
        body: z.strictObject({
          machine: z.record(z.string(), z.unknown()),
          plate: plain(100).optional(),
          frame: plain(100).optional(),
          owner: owner.optional(),
        }),
        response: { 201: vehicle },
      },
    },
    async (request, reply) => reply.code(201).send(await vehicles.register(request.body)),
  )
  app.get(
    '/api/vehicles/:id',
    { ...fitter, schema: { summary: 'What is in a machine, and all its jobs', params, response: { 200: vehicle } } },
    (request) => vehicles.byId(request.params.id),
  )
  app.patch(
    '/api/vehicles/:id',
    {
      ...fitter,
      schema: {
        summary: 'Change plate, frame number or owner; what was there stays in its entries',
        params,
        body: z.strictObject({
          plate: plain(100).nullable().optional(),
          frame: plain(100).nullable().optional(),
          owner: owner.nullable().optional(),
        }),
        response: { 200: vehicle },
      },
    },
    (request) => vehicles.change(request.params.id, request.body),
  )
  app.post(
    '/api/vehicles/:id/merge',
    {
      ...fitter,
      schema: {
        summary: 'Another one on file is the same machine: its jobs come here',
        params,
        body: z.strictObject({ vehicle: idText }),
        response: { 200: vehicle },
      },
    },
    (request) => vehicles.merge(request.params.id, request.body.vehicle),
  )
  app.post(
    '/api/vehicles/:id/split',
    {
      ...fitter,
      schema: {
        summary: 'Some of its jobs were of another machine: they get one of their own',
        params,
        body: z.strictObject({ jobs: z.array(idText).min(1).max(1000) }),
        response: { 201: vehicle },
      },
    },
    async (request, reply) => reply.code(201).send(await vehicles.split(request.params.id, request.body.jobs)),
  )
  app.get(
    '/api/shelf',
    {
      ...fitter,
      schema: { summary: 'Kits that came off and wait for their next machine', response: { 200: z.array(onShelf) } },
    },
    () => vehicles.shelf(),
  )
}
