import { z } from 'zod'
import { refOf, stations } from '../dossiers/index.ts'
import { entryIdField, hashField, type EntryForms } from '../journal/index.ts'
import { photoShows } from './state.ts'

/** What the entries of this capability hold beside their heads, by kind. */
export const photoForms = {
  photo: {
    photo: hashField,
    bytes: z.int().positive(),
    widthPx: z.int().positive().max(20_000),
    heightPx: z.int().positive().max(20_000),
    shows: z.enum(photoShows),
    caption: z.string().min(1).max(300).optional(),
    handBack: z.boolean(),
    about: z
      .strictObject({
        station: z.enum(stations).optional(),
        entry: z.string().max(100).optional(),
        step: refOf.step.optional(),
        cover: refOf.cover.optional(),
        kitEnd: refOf.kitEnd.optional(),
        passage: refOf.passage.optional(),
      })
      .optional(),
  },
  'photo-packed': { photo: entryIdField, handBack: z.boolean() },
} satisfies EntryForms
