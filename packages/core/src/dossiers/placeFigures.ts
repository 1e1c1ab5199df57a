import { z } from 'zod'
import type { ShapeOf } from '../shared/index.ts'
import { positive } from './partSchemas.ts'
import type { PlaceFigures } from './accessModel.ts'

/** What a mount place offers; all of it may be missing. */
export const placeFigures = {
  roomMm: z.tuple([positive, positive, positive]).optional(),
  surface: z.enum(['flat', 'bracket', 'tray', 'strap']).optional(),
  maxC: z.number().min(-40).max(300).optional(),
  vibration: z.enum(['low', 'some', 'high']).optional(),
  wet: z.boolean().optional(),
  hidden: z.boolean().optional(),
  lampSeen: z.boolean().optional(),
  dash: z.boolean().optional(),
} satisfies ShapeOf<PlaceFigures>
