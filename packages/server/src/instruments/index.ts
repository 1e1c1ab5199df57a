import { idText } from '@tidy-badger/core/shared'
import { z } from 'zod'
import type { JobService, Live } from '../jobs/index.ts'
import { refusal } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'
import { longestLine, relay } from './relay.ts'

const params = z.object({ id: idText })
/** Close code of a socket for a job that is not there. */
const closedUnknown = 4404

/** Routes an instrument sends its lines to, and a screen gets them from. */
export function instrumentsPlugin(jobs: JobService, live: Live) {
  const lines = relay(() => Date.now())
  return async (app: HttpApp): Promise<void> => {
    // Instruments send text; nothing else of the yard does.
    app.addContentTypeParser('text/plain', { parseAs: 'string' }, (_request, body, done) => done(null, body))
    app.get(
      '/api/jobs/:id/figures',
      {
        websocket: true,
        config: { access: 'fitter' },
        schema: { hide: true, params, querystring: z.object({ as: z.enum(['instrument', 'screen']) }) },
      },
      async (socket, request) => {
        const { id } = request.params
        const { sender } = request
        if (sender?.role === 'fitter') live.hold(sender.device, socket)
        // Asked for before anything comes: what comes meanwhile waits in the socket.
        socket.pause()
        const known = await jobs.load(id).catch(() => null)
        socket.resume()
        if (!known) return socket.close(closedUnknown, 'no such job')
        if (request.query.as === 'screen') return lines.watch(id, socket)
        socket.on('message', (data: Buffer, binary: boolean) => {
          if (!binary) lines.pass(id, data.toString('utf-8'))
        })
      },
    )
    app.post(
      '/api/jobs/:id/figures',
      {
        config: { access: 'fitter' },
        bodyLimit: 4 * longestLine,
        schema: {
          summary: 'A line of figures from an instrument, as text, for the screens that look at the job',
          params,
          body: z.string().min(1).max(longestLine),
          consumes: ['text/plain'],
          response: { 204: z.null() },
        },
      },
      async (request, reply) => {
        await jobs.load(request.params.id)
        if (!lines.pass(request.params.id, request.body))
          throw refusal('too-many', 'too-many-lines', 'More lines in a second than anybody reads. Send fewer.')
        return reply.code(204).send(null)
      },
    )
  }
}
