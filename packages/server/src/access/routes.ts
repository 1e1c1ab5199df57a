import { instant } from '@tidy-badger/core/journal'
import { batteryPractices } from '@tidy-badger/core/access'
import ical, { ICalCalendarMethod } from 'ical-generator'
import { z } from 'zod'
import { cleanText, idText } from '@tidy-badger/core/shared'
import type { AppDeps } from '../platform/deps.ts'
import { fileAnswer, type HttpApp } from '../platform/http.ts'
import type { AccessService } from './service.ts'
import { timesCsv } from './timesCsv.ts'

const planSchema = z.strictObject({
  machine: z.record(z.string(), z.unknown()),
  targets: z.array(cleanText(120)).max(400),
  people: z.union([z.literal(1), z.literal(2)]).optional(),
  /** How the battery comes off; given, its posts are reached as well and what hides them comes off first. */
  school: z.enum(batteryPractices).optional(),
})
const minutes = z.looseObject({ best: z.number(), likely: z.number(), worst: z.number() })
const planAnswer = z.object({
  removals: z.array(z.looseObject({ id: z.string(), name: z.string(), minutes, tools: z.array(z.string()) })),
  closing: z.array(z.looseObject({ id: z.string(), name: z.string(), minutes, beforeStart: z.boolean() })),
  ways: z.array(z.looseObject({ target: z.string(), from: z.string() })),
  minutes: z.looseObject({ p50: z.number(), p90: z.number() }),
  tools: z.array(z.string()),
  toolChanges: z.int(),
  changesGap: z.int().describe('So many tool changes could still be saved at the most.'),
  saved: z.array(z.looseObject({ cover: z.string(), items: z.array(z.string()) })),
  exact: z.boolean(),
  gapMinutes: z.number(),
})
const params = z.object({ id: idText })
const timesSchema = z.object({ machine: cleanText(64), without: cleanText(100).optional() })
/** Calendars of no phone reach further. */
const latestBooking = Date.UTC(2100, 0, 1)
const bookingSchema = z.object({
  start: instant.refine((start) => Date.parse(start) < latestBooking, 'lies after the year 2100'),
})

export function accessRoutes(app: HttpApp, access: AccessService, deps: AppDeps): void {
  app.post(
    '/api/access/plan',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'What must come off to reach these, in order, and back again',
        body: planSchema,
        response: { 200: planAnswer },
      },
    },
    (request) => access.plan(request.body),
  )

  app.get(
    '/api/times',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Minutes of finished jobs on a machine, piece by piece',
        querystring: timesSchema,
        response: { 200: z.array(z.object({ job: z.string(), key: z.string(), minutes: z.number() })) },
      },
    },
    (request) => access.samples(request.query.machine, request.query.without),
  )

  app.get(
    '/api/jobs/:id/booking.ics',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'The job as a booking for a calendar',
        params,
        querystring: bookingSchema,
        ...fileAnswer('text/calendar'),
      },
    },
    async (request, reply) => {
      const { job, left } = await access.day(request.params.id)
      const from = new Date(request.query.start)
      const calendar = ical({
        prodId: { company: 'Tidy Badger', product: 'booking' },
        method: ICalCalendarMethod.PUBLISH,
      })
      calendar.createEvent({
        id: `${job.row.id}@tidy-badger`,
        stamp: new Date(deps.now()),
        start: from,
        end: new Date(from.getTime() + Math.ceil(left.p90) * 60_000),
        summary: job.row.title,
        description: `${job.dossiers.machine.model} + ${job.dossiers.kit.model}. Half of such days take up to ${Math.round(left.p50)} min, nine in ten up to ${Math.round(left.p90)} min.`,
      })
      return reply
        .type('text/calendar; charset=utf-8')
        .header('content-disposition', `attachment; filename="booking-${encodeURIComponent(job.row.id)}.ics"`)
        .send(calendar.toString())
    },
  )

  app.get(
    '/api/jobs/:id/steps.pdf',
    {
      config: { access: 'fitter' },
      schema: { summary: 'The steps of the job on paper', params, ...fileAnswer('application/pdf') },
    },
    async (request, reply) => reply.type('application/pdf').send(await access.stepsPdf(request.params.id)),
  )

  app.get(
    '/api/jobs/:id/time-report',
    {
      config: { access: 'fitter' },
      schema: {
        summary: 'Where the time went',
        params,
        response: { 200: z.looseObject({ rows: z.array(z.looseObject({ station: z.string() })) }) },
      },
    },
    async (request) => (await access.report(request.params.id)).report,
  )

  app.get(
    '/api/jobs/:id/times.csv',
    {
      config: { access: 'fitter' },
      schema: { summary: 'The time report as CSV', params, ...fileAnswer('text/csv') },
    },
    async (request, reply) => {
      const { job, report } = await access.report(request.params.id)
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="times-${encodeURIComponent(job.row.id)}.csv"`)
        .send(timesCsv(report))
    },
  )
}
