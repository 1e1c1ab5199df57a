import type { FastifyInstance } from 'fastify'
import ical, { ICalCalendarMethod } from 'ical-generator'
import { z } from 'zod'
import { accessSpread } from '@tidy-badger/core/access'
import { batterySchools } from '@tidy-badger/core/jobs'
import type { DossierService } from '../dossiers/index.ts'
import type { Rooms } from '../platform/rooms.ts'
import type { AccessService } from './service.ts'
import { stepsPdf } from './stepsPdf.ts'
import { timesCsv } from './timesCsv.ts'

const planSchema = z.strictObject({
  machine: z.record(z.string(), z.unknown()),
  targets: z.array(z.string().min(1).max(120)).max(400),
  people: z.union([z.literal(1), z.literal(2)]).optional(),
  /** How the battery comes off; given, its posts are reached as well and what hides them comes off first. */
  school: z.enum(batterySchools).optional(),
})
const params = z.object({ id: z.string().min(1) })
const timesSchema = z.object({ machine: z.string().min(1).max(64), without: z.string().max(64).optional() })
const bookingSchema = z.object({ start: z.iso.datetime({ offset: true }) })

export function accessRoutes(
  app: FastifyInstance,
  access: AccessService,
  dossiers: DossierService,
  rooms: Rooms,
): void {
  app.post(
    '/api/access/plan',
    { schema: { summary: 'What must come off to reach these, in order, and back again', body: planSchema } },
    async (request) => {
      const asked = planSchema.parse(request.body)
      const { document } = await dossiers.machine(asked.machine)
      const plan = access.plan(document, asked.targets, asked.people ?? 1, asked.school)
      return {
        removals: plan.removals.map(({ cover, minutes, tools, reaches, beforeBattery }) => ({
          id: cover.id,
          name: cover.name,
          minutes,
          tools,
          reaches,
          beforeBattery,
          fasteners: cover.fasteners,
          helper: cover.helper ?? false,
          ...(cover.caution ? { caution: cover.caution } : {}),
        })),
        closing: plan.closing.map(({ cover, minutes, beforeStart }) => ({
          id: cover.id,
          name: cover.name,
          minutes,
          beforeStart,
          fasteners: cover.fasteners,
          back: cover.saves,
        })),
        ways: plan.targets.map(({ target, way }) => ({ target: target.id, from: way.from, needs: way.needs })),
        minutes: accessSpread(plan, asked.people ?? 1),
        tools: plan.tools,
        saved: plan.saved,
        exact: plan.exact,
        gapMinutes: plan.gapMinutes,
      }
    },
  )

  app.get(
    '/api/times',
    { schema: { summary: 'Minutes of finished jobs on a machine, piece by piece', querystring: timesSchema } },
    (request) => {
      const { machine, without } = timesSchema.parse(request.query)
      return access.samples(machine, without)
    },
  )

  app.get(
    '/api/jobs/:id/booking.ics',
    { schema: { summary: 'The job as a booking for a calendar', params, querystring: bookingSchema } },
    async (request, reply) => {
      const { job, left } = await access.day(params.parse(request.params).id)
      const { start } = bookingSchema.parse(request.query)
      const from = new Date(start)
      const calendar = ical({
        prodId: { company: 'Tidy Badger', product: 'booking' },
        method: ICalCalendarMethod.PUBLISH,
      })
      calendar.createEvent({
        id: `${job.row.id}@tidy-badger`,
        stamp: new Date(rooms.now()),
        start: from,
        end: new Date(from.getTime() + Math.ceil(left.p90) * 60_000),
        summary: job.row.title,
        description: `${job.dossiers.machine.model} + ${job.dossiers.kit.model}. Half of such days take up to ${Math.round(left.p50)} min, nine in ten up to ${Math.round(left.p90)} min.`,
      })
      return reply
        .type('text/calendar; charset=utf-8')
        .header('content-disposition', `attachment; filename="booking-${job.row.id}.ics"`)
        .send(calendar.toString())
    },
  )

  app.get(
    '/api/jobs/:id/steps.pdf',
    { schema: { summary: 'The steps of the job on paper', params } },
    async (request, reply) => {
      const { job, left } = await access.day(params.parse(request.params).id)
      return reply.type('application/pdf').send(await stepsPdf(job, left, rooms.now()))
    },
  )

  app.get('/api/jobs/:id/time-report', { schema: { summary: 'Where the time went', params } }, async (request) => {
    const { report } = await access.report(params.parse(request.params).id)
    return report
  })

  app.get(
    '/api/jobs/:id/times.csv',
    { schema: { summary: 'The time report as CSV', params } },
    async (request, reply) => {
      const { job, report } = await access.report(params.parse(request.params).id)
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="times-${job.row.id}.csv"`)
        .send(timesCsv(report))
    },
  )
}
