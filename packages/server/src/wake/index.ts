import { colourNames } from '@tidy-badger/core/dossiers'
import { judgeAuthority, readLamp, standIn, standInWays } from '@tidy-badger/core/wake'
import { z } from 'zod'
import type { DossierService } from '../dossiers/index.ts'
import { orRefuse } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'

const figure = z.number()
const two = z.strictObject({ module: figure, independent: figure })
const lampSchema = z.strictObject({
  kit: z.record(z.string(), z.unknown()),
  edgesMs: z.array(figure).max(2000),
  colour: z.enum(colourNames).optional(),
  observedMs: figure.min(0).optional(),
})
const authoritySchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('connection'), samples: z.array(two).max(5000), tolerance: figure }),
  z.strictObject({
    kind: z.literal('level'),
    stock: two,
    level: two,
    stepDeclared: figure,
    tolerance: figure,
    gateMet: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('mute'),
    rpmBefore: figure,
    channels: z
      .array(z.strictObject({ channel: z.int(), rpmMuted: figure, cylinderThatDropped: z.int().nullable() }))
      .max(64),
  }),
])

const standInSchema = z.object({
  way: z.enum(standInWays),
  quantity: z.string(),
  unit: z.string(),
  lines: z.array(
    z.object({ t: figure, rpm: figure, module: figure.nullable(), socket: figure, afr: figure.nullable() }),
  ),
  lamp: z.object({ colour: z.string(), edgesMs: z.array(figure), observedMs: figure }).nullable(),
  mute: z
    .object({
      kind: z.literal('mute'),
      rpmBefore: figure,
      channels: z.array(z.object({ channel: figure, rpmMuted: figure, cylinderThatDropped: figure.nullable() })),
    })
    .nullable(),
  level: z
    .object({
      stock: two,
      level: two,
      run: z.object({ coolantC: figure, rpm: figure, load: figure }),
    })
    .nullable(),
})

const config = { access: 'fitter' } as const

/** What a module says by its lamp, and whether it has a hand on the engine. */
export function wakePlugin(dossiers: DossierService) {
  return async (app: HttpApp): Promise<void> => {
    app.post(
      '/api/wake/lamp',
      {
        config,
        schema: {
          summary: "A tapped rhythm against the signs of a kit's lamps",
          body: lampSchema,
          response: {
            200: z.object({
              pattern: z.string().nullable(),
              means: z.string().nullable(),
              next: z.string().nullable(),
              confidence: figure,
            }),
          },
        },
      },
      async ({ body: { kit, ...asked } }) => {
        const { document } = await dossiers.kit(kit)
        return orRefuse(readLamp({ ...asked, lamps: document.lamps ?? [] }))
      },
    )
    app.post(
      '/api/wake/stand-in',
      {
        config,
        schema: {
          summary: 'A stand-in of module, wideband and diagnostic socket: a fixed script by its seed',
          body: z.strictObject({
            machine: z.record(z.string(), z.unknown()),
            kit: z.record(z.string(), z.unknown()),
            way: z.enum(standInWays).default('right'),
            seed: z.int().min(0).max(2_147_483_646).default(1),
          }),
          response: { 200: standInSchema },
        },
      },
      async ({ body: { machine, kit, way, seed } }) => {
        const [{ document: on }, { document: of }] = [await dossiers.machine(machine), await dossiers.kit(kit)]
        return standIn(on, of, { way, seed })
      },
    )
    app.post(
      '/api/wake/authority',
      {
        config,
        schema: {
          summary: 'Whether a module has a hand on the engine, or only seems to',
          body: authoritySchema,
          response: {
            200: z.object({
              verdict: z.enum(['pass', 'bypassed', 'crossed', 'sensor', 'unclear']),
              reason: z.string(),
              pairs: z.array(z.tuple([z.int(), z.int()])).optional(),
            }),
          },
        },
      },
      (request) => orRefuse(judgeAuthority(request.body)),
    )
  }
}
