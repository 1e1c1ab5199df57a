import { inSentence, type PairStand } from '../dossiers/index.ts'
import { said } from '../findings/index.ts'

/** What is said of what other kits do on one plug, and of what other fitters left. */
export const otherWords = {
  'row-clash': ({ end, other, plug, at }: { end: string; other: string; plug: string; at: PairStand | 'last' }) =>
    said(
      `${end} and ${inSentence(other)} on ${inSentence(plug)} both ${
        at === 'last'
          ? "take the device's place"
          : `have to be nearest to the ${at === 'device side' ? 'device' : 'control unit'}`
      }: there is room for one.`,
      'The two kits do not go together on this plug: leave one of them out.',
    ),
  'changed-twice': ({ end, other, circuit }: { end: string; other: string; circuit: string }) =>
    said(
      `${other} changes ${inSentence(circuit)} already, and ${inSentence(end)} would change it once more: what comes out nobody can tell or prove.`,
      'Leave one of the two out.',
    ),
  'unknown-module': ({
    text,
    plugs,
    changes,
  }: {
    text: string
    plugs: readonly string[]
    changes: readonly string[]
  }) =>
    said(
      `A module nobody knows, ${inSentence(text)}, sits in ${plugs.map(inSentence).join(', ')}. It can change ${changes.length > 0 ? changes.map(inSentence).join(', ') : 'nothing that is known'}: no reading there is the machine's own.`,
      'Take it out at each plug, in the order of the list at open up.',
    ),
  'unknown-in-way': ({ end, plug, text }: { end: string; plug: string; text: string }) =>
    said(
      `${end} is on ${inSentence(plug)}, where a module nobody knows still sits (${inSentence(text)}): two modules change one signal.`,
      `Take the unknown one out at ${inSentence(plug)} first.`,
    ),
  'earlier-work': ({ what, text }: { what: string; text: string }) =>
    said(
      `Left by an earlier fitter, ${what}: ${text}`,
      'Restore it or seal it, and write down how; until then it stays on the list.',
    ),
  'puncture-open': ({ text }: { text: string }) =>
    said(
      `${text}. The factory wire is open there.`,
      'Seal it against water and write down how; until then it stays on the list.',
    ),
}
