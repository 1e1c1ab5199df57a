import { inSentence } from '../dossiers/index.ts'
import { said, type FactsOf } from '../findings/index.ts'
import type { FuseVerdict } from './chooseFuse.ts'

/** What is said of each rule about feed and ground. */
export const supplyWords = {
  'feed-test': ({ test, says }: { test: string; says: string }) =>
    said(`${test}: ${says}`, 'Choose another feed; the others are listed with what speaks for and against them.'),
  'fuse-over-wire': ({ end, verdict, kitA }: FuseFacts) =>
    said(`${end}: ${verdict.why}`, kitA === null ? 'Put in one that the wire bears.' : ownFuse(kitA)),
  'fuse-under-load': ({ end, verdict, kitA }: FuseFacts) =>
    said(
      `${end}: ${verdict.why}`,
      kitA === null ? 'Put in one that carries the load and that the wire still bears.' : ownFuse(kitA),
    ),
  'shared-feed': ({
    name,
    rule,
    value,
    limit,
    unit,
  }: {
    name: string
    rule: string
    value: number
    limit: number
    unit: string
  }) =>
    said(
      `${name}: ${rule.charAt(0).toLowerCase()}${rule.slice(1)} is ${value} ${unit}, at most ${limit} ${unit}.`,
      'Give the last of them a feed of its own.',
    ),
  'ground-drop': ({ end, says, next }: { end: string; says: string; next: { name: string; place: string } | null }) =>
    said(`${end}: ${says}`, next ? `Next: ${inSentence(next.name)}, ${next.place}.` : 'Clean it to bright metal.'),
  'feed-drop': ({ what, dropV, limitV }: { what: string; dropV: number; limitV: number }) =>
    said(`${what}: ${dropV.toFixed(2)} V, at most ${limitV} V.`, 'Thicker wire, or a nearer place to join it.'),
}

interface FuseFacts {
  end: string
  verdict: FuseVerdict
  /** The kit's own, A, where that would be right; null where it has none, or it is in. */
  kitA: number | null
}

const ownFuse = (amps: number) => `Put in the kit's own ${amps} A.`

export type SupplyFacts = FactsOf<typeof supplyWords>
