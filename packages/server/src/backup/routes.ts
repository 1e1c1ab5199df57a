import { Readable } from 'node:stream'
import { z } from 'zod'
import { refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { fileAnswer, type HttpApp } from '../platform/http.ts'
import { backupSettingsSchema, type YardService } from '../yard/index.ts'
import type { Housekeeping } from './nightly.ts'
import type { BackupService } from './service.ts'

const copySchema = z.object({ name: z.string(), bytes: z.int(), madeAt: z.string() })
const settingsAnswer = backupSettingsSchema.extend({
  dataFolder: z.string(),
  folder: z.string().describe('Where nightly copies lie.'),
  copies: z.array(copySchema).describe('The newest first.'),
  problem: z.string().nullable().describe('Why the last nightly copy was not made.'),
})
const restoreAnswer = z.object({
  added: z.int(),
  merged: z.int(),
  unchanged: z.int(),
  entries: z.int(),
  files: z.int(),
  dossiers: z.int(),
})
/** No yard is larger; the file passes through to the disk. */
const largestBackupBytes = 256 * 1024 ** 3

export function backupRoutes(
  app: HttpApp,
  deps: AppDeps,
  backup: BackupService,
  yard: YardService,
  housekeeping: Housekeeping,
): void {
  const config = { access: 'keeper' } as const

  app.get(
    '/api/backup',
    {
      config,
      schema: { summary: 'The whole yard as one zip, made while work goes on', ...fileAnswer('application/zip') },
    },
    async (_request, reply) =>
      reply
        .type('application/zip')
        .header('content-disposition', `attachment; filename="yard-${deps.now().slice(0, 10)}.zip"`)
        .send(await backup.create()),
  )

  const settings = async () => ({
    ...(await yard.backupSettings()),
    dataFolder: deps.config.dataFolder,
    folder: backup.folder,
    copies: await backup.copies(),
    problem: housekeeping.lastProblem(),
  })
  app.get(
    '/api/backup/settings',
    {
      config,
      schema: { summary: 'Nightly copies: whether, how many, which are there', response: { 200: settingsAnswer } },
    },
    settings,
  )
  app.put(
    '/api/backup/settings',
    {
      config,
      schema: {
        summary: 'Whether a copy is made every night, and how many are kept',
        body: backupSettingsSchema,
        response: { 200: settingsAnswer },
      },
    },
    async (request) => {
      await yard.saveBackupSettings(request.body)
      return settings()
    },
  )
  app.post(
    '/api/backup/copies',
    { config, schema: { summary: 'Make a copy now, beside the nightly ones', response: { 201: copySchema } } },
    async (_request, reply) => reply.code(201).send(await backup.copy()),
  )

  app.register(async (raw: HttpApp) => {
    raw.removeAllContentTypeParsers()
    for (const type of ['application/zip', 'application/octet-stream', 'application/x-zip-compressed'])
      raw.addContentTypeParser(type, (_request, payload, done) => done(null, payload))
    raw.post(
      '/api/restore',
      {
        config,
        bodyLimit: largestBackupBytes,
        schema: {
          summary: 'Bring a backup in: what is missing comes, what is here stays',
          consumes: ['application/zip'],
          response: { 200: restoreAnswer },
        },
      },
      async (request) => {
        if (!(request.body instanceof Readable))
          throw refusal('malformed', 'body-empty', 'The backup itself is missing.')
        return backup.restore(request.body)
      },
    )
  })
}
