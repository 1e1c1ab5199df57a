import { inSentence } from '../dossiers/index.ts'
import { said, type FactsOf } from '../findings/index.ts'

interface Where {
  plug: string
  cavity: number
  how: string
}

/** What is said of each rule about going back to stock. */
export const stockWords = {
  'stock-joined': ({ end, at }: { end: string; at: string }) =>
    said(`${end} is at ${at} still.`, 'Take it off; where it was a pair, the factory plug goes back onto its device.'),
  'stock-feeds': ({ end, outlet }: { end: string; outlet: string }) =>
    said(
      `${end} stays and lives from ${inSentence(outlet)}, which comes off.`,
      'Give it a feed of its own first: the plan for it alone says where.',
    ),
  'stock-cut': ({ plug, cavity, how }: Where) =>
    said(`The wire in cavity ${cavity} of ${inSentence(plug)} is cut.`, `${how}.`),
  'stock-puncture': ({ plug, cavity, how }: Where) =>
    said(`The wire in cavity ${cavity} of ${inSentence(plug)} was pierced and is open to the wet.`, `${how}.`),
}
export type StockFacts = FactsOf<typeof stockWords>
