import { currentTrim } from '@tidy-badger/core/fuel-trim'
import { proofCsv, proofPage, trimCsv } from '@tidy-badger/core/handover'
import { idText } from '@tidy-badger/core/shared'
import { z } from 'zod'
import type { JobService } from '../jobs/index.ts'
import { photoForPaper } from '../photos/index.ts'
import { refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { fileAnswer, type HttpApp } from '../platform/http.ts'
import { proofSchema } from '../proving/index.ts'
import type { SheetTask } from './worker.ts'

const params = z.object({ id: idText })

export function handoverPlugin(deps: AppDeps, jobs: JobService) {
  /** A photo ready for paper; null when its bytes are lost or cannot be drawn: the paper then says so. */
  const photoOf = async (hash: string) =>
    deps.photos.read(hash).then(
      (bytes) => photoForPaper(bytes),
      () => null,
    )
  return async (app: HttpApp): Promise<void> => {
    app.get(
      '/api/jobs/:id/handback.pdf',
      {
        config: { access: 'fitter' },
        schema: { summary: 'The hand-back paper', params, ...fileAnswer('application/pdf') },
      },
      async (request, reply) => {
        const { row, dossiers, state } = await jobs.load(request.params.id)
        const photos: [string, Buffer | null][] = []
        for (const { photo, handBack } of state.photos) if (handBack) photos.push([photo, await photoOf(photo)])
        const { title, createdAt } = row
        const task: SheetTask = {
          row: { title, createdAt },
          dossiers,
          state,
          madeAt: deps.now(),
          photos: new Map(photos),
        }
        const pdf = await deps.pool.run<Uint8Array>(new URL('./worker.ts', import.meta.url), 'sheet', task)
        return reply.type('application/pdf').send(Buffer.from(pdf))
      },
    )

    const papers = {
      roadside: 'The card that stays in the machine: how to get home',
      proof: 'What it brought: two curves, three numbers, plain words',
    } as const
    for (const [name, summary] of Object.entries(papers))
      app.get(
        `/api/jobs/:id/${name}.pdf`,
        { config: { access: 'fitter' }, schema: { summary, params, ...fileAnswer('application/pdf') } },
        async (request, reply) => {
          const { row, dossiers, state } = await jobs.load(request.params.id)
          const { title, createdAt } = row
          const task = { row: { title, createdAt }, dossiers, state, madeAt: deps.now() }
          const pdf = await deps.pool.run<Uint8Array>(new URL('./worker.ts', import.meta.url), name, task)
          return reply.type('application/pdf').send(Buffer.from(pdf))
        },
      )

    app.get(
      '/api/jobs/:id/proof.csv',
      {
        config: { access: 'fitter' },
        schema: { summary: 'Both curves of the proof', params, ...fileAnswer('text/csv') },
      },
      async (request, reply) => {
        const { row, dossiers, state } = await jobs.load(request.params.id)
        const { comparison, words } = proofPage(dossiers, row, state)
        if (!comparison) throw refusal('unprocessable', 'no-pull', words.join(' '), 'pulls')
        return reply
          .type('text/csv; charset=utf-8')
          .header('content-disposition', `attachment; filename="proof-${encodeURIComponent(row.id)}.csv"`)
          .send(proofCsv(comparison))
      },
    )

    app.get(
      '/api/jobs/:id/proof',
      {
        config: { access: 'fitter' },
        schema: {
          summary: 'What the owner reads of the gain',
          params,
          response: { 200: proofSchema },
        },
      },
      async (request) => {
        const { row, dossiers, state } = await jobs.load(request.params.id)
        return proofPage(dossiers, row, state)
      },
    )

    app.get(
      '/api/jobs/:id/trim.csv',
      {
        config: { access: 'fitter' },
        schema: { summary: 'The trim table in force', params, ...fileAnswer('text/csv') },
      },
      async (request, reply) => {
        const job = await jobs.load(request.params.id)
        const { rpm, load } = job.state.trim
        return reply
          .type('text/csv; charset=utf-8')
          .header('content-disposition', `attachment; filename="trim-${encodeURIComponent(job.row.id)}.csv"`)
          .send(trimCsv(rpm, load, currentTrim(job.state)))
      },
    )
  }
}
