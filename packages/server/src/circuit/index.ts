import { readingAnswerSchema, readingAskedSchema, type ReadingAnswer } from '@tidy-badger/core/circuit'
import type { Outcome } from '@tidy-badger/core/shared'
import { z } from 'zod'
import type { DossierService } from '../dossiers/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import { orRefuse, refusal } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'
import type { ReadingTask } from './worker.ts'

const worker = new URL('./worker.ts', import.meta.url)

const dossier = z.record(z.string(), z.unknown())
const asked = z.strictObject({
  machine: dossier,
  kit: dossier.optional(),
  kits: z.array(dossier).max(6).optional(),
  ...readingAskedSchema.shape,
})

/** What a meter shows on a machine with its kits, joined as asked, with the faults asked for. */
export function circuitPlugin({ pool }: AppDeps, dossiers: DossierService) {
  return async (app: HttpApp): Promise<void> => {
    app.post(
      '/api/circuit/reading',
      {
        config: { access: 'fitter' },
        schema: {
          summary: 'What a meter shows between two probes',
          body: asked,
          response: { 200: readingAnswerSchema },
        },
      },
      async ({ body: { machine, kit, kits = [], ...question } }) => {
        if (kit && kits.length > 0)
          throw refusal(
            'unprocessable',
            'invalid-value',
            'Name one kit with kit, or several with kits, not both.',
            'kits',
          )
        const { document } = await dossiers.machine(machine)
        const fitted = await Promise.all([...(kit ? [kit] : []), ...kits].map((item) => dossiers.kit(item)))
        const task: ReadingTask = { machine: document, kits: fitted.map((item) => item.document), asked: question }
        return orRefuse(await pool.run<Outcome<ReadingAnswer>>(worker, 'reading', task))
      },
    )
  }
}
