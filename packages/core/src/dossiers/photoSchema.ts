import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { knownLists, type DossierPhoto, type PhotoPin } from './model.ts'
import { id, words } from './partSchemas.ts'

const part = z.number().min(0).max(1)
const side = z.int().min(1).max(20_000)

export const photos = z
  .array(
    z.strictObject({
      photo: z.string().regex(/^[0-9a-f]{64}$/, 'a photo is known by the SHA-256 of its bytes, 64 small hex digits'),
      widthPx: side,
      heightPx: side,
      says: words,
      pins: z
        .array(z.strictObject({ of: z.enum(knownLists.machine), id, x: part, y: part } satisfies ShapeOf<PhotoPin>))
        .max(200),
    } satisfies ShapeOf<DossierPhoto>),
  )
  .max(20)
  .optional()
