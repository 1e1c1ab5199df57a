import { defineRules, fix } from '../findings/index.ts'

/** What may be left of a kit that is to come off. */
export const stockRules = defineRules({
  'stock-joined': fix('A kit that is to come off is joined to the machine still.'),
  'stock-cut': fix('A factory wire that the kit had cut is not whole again.'),
  'stock-puncture': fix('A factory wire that the kit had pierced or bared is not sealed.'),
  'stock-feeds': fix('A kit that stays lives from the relay of one that is to come off.'),
})
/** What keeps the engine off and the machine here, whoever says what: a circuit that is not the factory's again. */
export const stockBars: readonly StockRule[] = ['stock-joined', 'stock-cut']
export type StockRule = keyof typeof stockRules
