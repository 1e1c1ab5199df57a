import { asHeading, inSentence } from '../dossiers/index.ts'
import { said, type FactsOf } from '../findings/index.ts'

const mm = (metres: number) => `${Math.round(metres * 1000)} mm`
/** As it lies, or from where the module is to sit. */
const asLaid = (from: string | null) => (from === null ? 'as it lies' : `from ${inSentence(from)}`)

/** What a loom meets in a passage; the trunk has no name of its own. */
interface Met {
  end: string | null
  passage: string
  what: string
  remedy: string
}
const met = ({ end, passage, what, remedy }: Met) => said(`${end ?? 'The trunk'} lies ${passage}: ${what}.`, remedy)

const anotherPlace = 'Choose another place, or write down the passage a loom would take.'

/** What is said of each rule about the way of the loom and the place of the module. */
export const routeWords = {
  'module-elsewhere': ({ fixed, at, wanted }: { fixed: boolean; at: string; wanted: string }) =>
    said(
      `The module is ${fixed ? 'fixed' : 'held'} at ${inSentence(at)}, and was to go to ${inSentence(wanted)} since.`,
      'Move it and write down that it is there, or choose the place where it is.',
    ),
  'place-unfit': (
    facts:
      | { kind: 'no way'; says: string }
      | { kind: 'against'; says: string }
      | { kind: 'no room'; end: string; target: string }
      | { kind: 'shared'; place: string; modules: readonly string[] },
  ) => {
    switch (facts.kind) {
      case 'shared':
        return said(
          `${facts.modules.join(' and ')} are both to sit at ${inSentence(facts.place)}, and it is not known to have room for both.`,
          'Hold both there before one is fixed, or choose another place for one.',
        )
      case 'no way':
        return said(facts.says, anotherPlace)
      case 'against':
        return said(facts.says, 'Choose another place: the others stand beside it with what they are better at.')
      case 'no room':
        return said(
          `No passage leads to ${inSentence(facts.target)} with room for ${inSentence(facts.end)}.`,
          anotherPlace,
        )
    }
  },
  'bundle-over': ({ passage, areaMm2, freeMm2 }: { passage: string; areaMm2: number; freeMm2: number }) =>
    said(
      `${asHeading(passage)}: the bundle takes ${Math.round(areaMm2)} mm², ${Math.round(freeMm2)} mm² are free.`,
      "Lead part of it another way, or enlarge the passage with the owner's word.",
    ),
  'lead-never': ({ end, shortM, from, why }: { end: string; shortM: number; from: string | null; why: string }) =>
    said(
      `${end} is ${mm(shortM)} short ${asLaid(from)}, and ${why}.`,
      'Another place for the module or the sensor; never an extension here.',
    ),
  'lead-short': ({
    end,
    shortM,
    from,
    extensionM,
  }: {
    end: string
    shortM: number
    from: string | null
    extensionM: number
  }) =>
    said(
      `${end} is ${mm(shortM)} short ${asLaid(from)}.`,
      `Extend it by ${extensionM.toFixed(2)} m of the same wire, or lay it another way.`,
    ),
  'route-barred': met,
  'route-hot': met,
  'route-hazard': met,
  'route-gap': ({ end, says }: { end: string | null; says: string }) =>
    said(`${end ?? 'The trunk'}: ${says}`, 'Tap the passage between, or take this one out.'),
  'route-differs': ({ end }: { end: string }) =>
    said(`${end} lies another way than planned.`, 'It may stay there. Note why, so that the next one finds it.'),
  'short-at-lock': ({ end, shortMm, side }: { end: string; shortMm: number; side: 'left' | 'right' }) =>
    said(
      `${end} is ${Math.round(shortMm)} mm short at the ${side} lock.`,
      'It would be torn out, or hold the steering. Let slack through to the head, or lay it closer to the steering axis, and turn lock to lock again.',
    ),
  'loom-untied': ({ passage }: { passage: string }) =>
    said(`The loom is not tied ${passage}.`, 'Tie it there, or write down that it lies elsewhere.'),
}

export type RouteFacts = FactsOf<typeof routeWords>
