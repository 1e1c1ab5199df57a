import { defineRules, fix, stop } from '../findings/index.ts'

/** What may be left of a kit that is to come off. */
export const stockRules = defineRules({
  'stock-joined': stop('A kit that is to come off is joined to the machine still.'),
  'stock-cut': stop('A factory wire that the kit had cut is not whole again.'),
  'stock-puncture': fix('A factory wire that the kit had pierced or bared is not sealed.'),
})
export type StockRule = keyof typeof stockRules
