import { stations, type Station } from './model.ts'

/** What a job is for: to fit kits, to take them off, to tune what is in, to look after it. */
export const purposes = ['fit', 'stock', 'retune', 'look'] as const
export type Purpose = (typeof purposes)[number]

export const purposeNames: Record<Purpose, string> = {
  fit: 'Fit',
  stock: 'Back to stock',
  retune: 'Retune',
  look: 'Look after it',
}

const needed: Record<Purpose, readonly Station[]> = {
  fit: stations,
  stock: ['take-in', 'make-safe', 'open-up', 'hook-up', 'set-up', 'wake', 'close-up', 'hand-back'],
  retune: ['take-in', 'set-up', 'trim', 'prove', 'hand-back'],
  look: ['take-in', 'make-safe', 'open-up', 'tie-down', 'close-up', 'hand-back'],
}

/** The stations a job goes through, in working order. */
export function stationsOf(purpose: Purpose): readonly Station[] {
  return needed[purpose]
}
