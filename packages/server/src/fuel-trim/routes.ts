import {
  largestLogBytes,
  readSuggestRequest,
  suggestRequestSchema,
  type TrimSuggestion,
} from '@tidy-badger/core/fuel-trim'
import type { FastifyInstance } from 'fastify'
import { Readable } from 'node:stream'
import { z } from 'zod'
import { notFound, Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import type { FitPool } from './fitPool.ts'

const suggestLimitBytes = 32 * 1024 * 1024
const petrolStoichAfr = 14.7
const hashParams = z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/, 'must be a SHA-256 in 64 hex digits') })

/** What the contract promises, no more. */
function answer(suggestion: TrimSuggestion) {
  const { delaySeconds, usedRows, rejected, filtersOff, cells } = suggestion
  return { delaySeconds, usedRows, rejected, filtersOff, cells }
}

export function fuelTrimRoutes(app: FastifyInstance, rooms: Rooms, pool: FitPool): void {
  app.post(
    '/api/fuel-trim/suggest',
    {
      bodyLimit: suggestLimitBytes,
      schema: { summary: 'What a ride log earned in a trim table', body: suggestRequestSchema },
    },
    async (request) => {
      const asked = readSuggestRequest(request.body)
      if (!asked.ok) throw new Refusal('malformed', ...asked.problems)
      const { log } = asked.value.request
      const outcome = await pool.fit({
        csv: log.csv,
        reading: { columns: log.columns, units: log.units, dropUnreadable: log.dropUnreadable },
        problem: asked.value.problem,
        stoichAfr: petrolStoichAfr,
      })
      if (!outcome.ok)
        throw new Refusal(
          'unprocessable',
          ...outcome.problems.map((problem) => ({
            ...problem,
            path: problem.path === '' ? 'log.csv' : `log.${problem.path}`,
          })),
        )
      return answer(outcome.value)
    },
  )

  app.register(async (raw) => {
    raw.removeAllContentTypeParsers()
    raw.addContentTypeParser('*', (_request, payload, done) => done(null, payload))
    raw.put(
      '/api/logs/:hash',
      {
        bodyLimit: largestLogBytes + 1,
        schema: { summary: 'Keep the bytes of a log under their SHA-256', params: hashParams },
      },
      async (request, reply) => {
        const { hash } = hashParams.parse(request.params)
        if (!(request.body instanceof Readable))
          throw new Refusal('malformed', { code: 'body-empty', path: '', message: 'The log itself is missing.' })
        await rooms.files.put(hash, request.body, largestLogBytes)
        return reply.code(204).send()
      },
    )
  })

  app.get(
    '/api/logs/:hash',
    { schema: { summary: 'The bytes of a log', params: hashParams } },
    async (request, reply) => {
      const { hash } = hashParams.parse(request.params)
      if (!(await rooms.files.has(hash))) throw notFound('log', hash)
      return reply.type('text/csv').send(rooms.files.stream(hash))
    },
  )
}
