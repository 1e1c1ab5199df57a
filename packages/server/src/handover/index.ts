import { handbackSheet, trimCsv } from '@tidy-badger/core/handover'
import { currentTrim } from '@tidy-badger/core/jobs'
import type { FastifyInstance } from 'fastify'
import { z } from 'zod'
import type { JobService } from '../jobs/index.ts'
import type { Rooms } from '../platform/rooms.ts'
import { wiringSvg } from '../wiring/index.ts'
import { sheetPdf } from './sheetPdf.ts'

const params = z.object({ id: z.string().min(1) })

export function handoverPlugin(rooms: Rooms, jobs: JobService) {
  return async (app: FastifyInstance): Promise<void> => {
    app.get(
      '/api/jobs/:id/handback.pdf',
      { schema: { summary: 'The hand-back paper', params } },
      async (request, reply) => {
        const job = await jobs.load(params.parse(request.params).id)
        const sheet = handbackSheet(job.dossiers, job.row, job.state)
        const photos = await Promise.all(
          sheet.photos.map(async ({ hash, says }) => ({ says, jpeg: await rooms.photos.read(hash) })),
        )
        return reply
          .type('application/pdf')
          .send(await sheetPdf(sheet, wiringSvg(job.dossiers, job.state, job.row.title), rooms.now(), photos))
      },
    )

    app.get(
      '/api/jobs/:id/trim.csv',
      { schema: { summary: 'The trim table in force', params } },
      async (request, reply) => {
        const job = await jobs.load(params.parse(request.params).id)
        const { rpm, load } = job.state.trim
        return reply
          .type('text/csv; charset=utf-8')
          .header('content-disposition', `attachment; filename="trim-${job.row.id}.csv"`)
          .send(trimCsv(rpm, load, currentTrim(job.state)))
      },
    )
  }
}
