import { z } from 'zod'
import { refOf } from '../dossiers/index.ts'
import { nameField, type EntryForms } from '../journal/index.ts'
import { levelPlaces } from './state.ts'

const volts = z.number().min(-1).max(16)
/** The kit that is meant, by its name in the job; of one alone it may be left away. */
const kit = refOf.kit.optional()
const rpm = z.number().min(0).max(100_000)
const height = z.number().min(0.1).max(3)
const speed = z.number().min(5).max(400)
const choice = z.union([z.int().min(0).max(20), z.string().min(1).max(40)])
const ratio = z.number().min(0.5).max(15).optional()

/** What the entries of this capability hold beside their heads, by kind. */
export const setupForms = {
  setting: { setting: refOf.setting, value: z.string().min(1).max(200), replaces: z.string().max(200).nullable() },
  /* what the unit itself shows */
  'setting-read': { setting: refOf.setting, value: z.string().min(1).max(200) },
  'throttle-captured': {
    track: z.int().min(1).max(2),
    shutV: volts,
    openV: volts,
    verdict: z.enum(['pass', 'fail']),
    kit,
  },
  'level-agreed': {
    /* 0 is stock; or the level as the unit calls it */
    level: choice,
    use: z.string().min(1).max(200),
    with: nameField,
    kit,
  },
  'pedal-proved': {
    verdict: z.enum(['pass', 'fail']),
    points: z
      .array(
        z.strictObject({
          level: z.string().min(1).max(40),
          pct: z.number().min(0).max(100),
          ...{ v1: volts, v2: volts },
          /* the same position with the factory plug on the pedal, read before anything was unplugged */
          ...{ plain1: volts.optional(), plain2: volts.optional() },
        }),
      )
      .max(200),
    kit,
  },
  'speed-compared': {
    displayedRpm: rpm,
    trueRpm: rpm,
    currentSetting: z.number().min(0.5).max(120),
    setting: refOf.setting,
  },
  'tyre-measured': { standardHeightM: height, fittedHeightM: height, standardAxle: ratio, fittedAxle: ratio },
  'speed-checked': { socketKmh: speed, satelliteKmh: speed },
  'level-seen': { where: z.enum(levelPlaces), level: choice, kit },
  /* every click from stock up, with what the module shows then (0 is stock), and the room round the knob */
  'selector-proved': {
    clicks: z
      .array(z.strictObject({ position: z.int().min(0).max(20), shown: z.int().min(0).max(20) }))
      .min(1)
      .max(40),
    clearanceMm: z.number().min(0).max(500).optional(),
    kit,
  },
  /* the numbers that stand on the unit; whether a phone pairs with it where it sits */
  'unit-identified': {
    part: z.string().trim().min(1).max(60),
    serial: z.string().trim().min(1).max(60),
    pairs: z.boolean(),
    kit,
  },
  /* a module or a control unit that was programmed: what, its version before and after, the least volts meanwhile */
  updated: {
    what: z.string().min(1).max(200),
    before: z.string().min(1).max(80),
    after: z.string().min(1).max(80),
    supplyV: z.number().min(0).max(20),
  },
} satisfies EntryForms
