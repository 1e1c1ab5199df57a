import { largestLogBytes, suggestRequestSchema } from '@tidy-badger/core/fuel-trim'
import { Readable } from 'node:stream'
import { z } from 'zod'
import { notFound, Refusal, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { fileAnswer, hashText, type HttpApp } from '../platform/http.ts'
import type { SuggestAnswer } from './worker.ts'

const suggestLimitBytes = 32 * 1024 * 1024
const params = z.object({ hash: hashText })
const suggestAnswer = z.object({
  delaySeconds: z.number(),
  usedRows: z.int(),
  rejected: z.record(z.string(), z.int()),
  filtersOff: z.array(z.string()),
  cells: z.array(z.array(z.looseObject({ trimPct: z.number(), changePct: z.number(), earned: z.boolean() }))),
})

export function fuelTrimRoutes(app: HttpApp, deps: AppDeps): void {
  app.register(async (raw: HttpApp) => {
    raw.removeAllContentTypeParsers()
    raw.addContentTypeParser('application/json', { parseAs: 'buffer' }, (_request, body, done) => done(null, body))
    // The body is checked where it is read, in a worker; its schema is there for who asks what to send.
    raw.setValidatorCompiler(() => () => true)
    raw.post(
      '/api/fuel-trim/suggest',
      {
        config: { access: 'fitter' },
        bodyLimit: suggestLimitBytes,
        schema: {
          summary: 'What a ride log earned in a trim table',
          body: suggestRequestSchema,
          response: { 200: suggestAnswer },
        },
      },
      async (request) => {
        const body: unknown = request.body
        if (!Buffer.isBuffer(body)) throw refusal('malformed', 'body-empty', 'The request itself is missing.')
        const result = await deps.pool.run<SuggestAnswer>(
          new URL('./worker.ts', import.meta.url),
          'suggest',
          body,
          deps.config.fitLimitMs,
          (limitMs) =>
            refusal(
              'unavailable',
              'fit-too-slow',
              `The fit took longer than ${limitMs / 1000} s and was ended. Send a shorter log or a smaller table.`,
              'log.csv',
            ),
        )
        if (result.kind !== 'answer') throw new Refusal(result.kind, ...result.problems)
        return result.answer
      },
    )
  })

  app.register(async (raw: HttpApp) => {
    raw.removeAllContentTypeParsers()
    raw.addContentTypeParser('*', (_request, payload, done) => done(null, payload))
    raw.put(
      '/api/logs/:hash',
      {
        config: { access: 'fitter' },
        bodyLimit: largestLogBytes + 1,
        schema: { summary: 'Keep the bytes of a log under their SHA-256', params, response: { 204: z.null() } },
      },
      async (request, reply) => {
        if (!(request.body instanceof Readable)) throw refusal('malformed', 'body-empty', 'The log itself is missing.')
        await deps.files.put(request.params.hash, request.body, largestLogBytes)
        return reply.code(204).send()
      },
    )
  })

  app.get(
    '/api/logs/:hash',
    { config: { access: 'fitter' }, schema: { summary: 'The bytes of a log', params, ...fileAnswer('text/csv') } },
    async (request, reply) => {
      const { hash } = request.params
      if (!(await deps.files.has(hash))) throw notFound('log', hash)
      return reply.type('text/csv').send(deps.files.stream(hash))
    },
  )
}
