import { inSentence, type TapMethod } from '../dossiers/index.ts'
import { said, type FactsOf } from '../findings/index.ts'
import { always, speaker } from '../shared/index.ts'

/** A figure that a step asked for, out of its range; a missing end is open. */
interface StepFigure {
  quantity: string
  value: number
  unit: string
  low: number | null
  high: number | null
}

function rangeWords({ low, high }: StepFigure): string {
  if (low === null) return `at most ${high}`
  return high === null ? `at least ${low}` : `${low} to ${high}`
}

const figure = (facts: StepFigure) =>
  `${facts.quantity[0].toUpperCase()}${facts.quantity.slice(1)}: ${facts.value} ${facts.unit} instead of ${rangeWords(facts)} ${facts.unit}.`
const readAgain = 'Find out why and read it again; the last figure counts.'

/** What is said of each rule about what was measured. */
export const workWords = {
  'reading-note': (facts: StepFigure) => said(figure(facts), readAgain),
  'reading-stop': (facts: StepFigure) => said(figure(facts), readAgain),
  'proof-failed': (facts: StepFigure) =>
    said(figure(facts), 'Take the pair out and find out why; this is never lifted.'),
  'reading-off': (
    facts:
      | ({ kind: 'step' } & StepFigure)
      | { kind: 'card'; circuit: string; state: string; says: string; cause: string; next: string },
  ) =>
    facts.kind === 'step'
      ? said(figure(facts), readAgain)
      : said(`${facts.circuit}, ${facts.state}: ${facts.says} Likely ${facts.cause}.`, `Next: ${facts.next}`),
}

export type WorkFacts = FactsOf<typeof workWords>

/** What is said of each thing to do with one end. */
export const tickWords = {
  'part-halves': always('Part its two halves from each other'),
  'take-off': ({ at }: { at: string }) => `Take it off: it is at ${inSentence(at)}`,
  cap: always('Cap on, lead tied back'),
  terminator: always('Terminator in until it clicks'),
  open: always('Open and clear, looked at'),
  factory: ({ tag, end }: { tag: string | null; end: string }) =>
    tag === null ? `Factory plug into the ${inSentence(end)}` : `Factory plug into loom end ${tag}`,
  device: ({ tag, device }: { tag: string; device: string }) => `Loom end ${tag} onto the ${device}`,
  'factory-behind': ({ tag, end, before }: { tag: string | null; end: string; before: string }) =>
    `The device half of ${inSentence(before)} into ${tag === null ? inSentence(end) : `loom end ${tag}`}`,
  'device-before': ({ tag, behind }: { tag: string; behind: string }) =>
    `Loom end ${tag} into the factory half of ${inSentence(behind)}`,
  ring: ({ at }: { at: string }) => `Ring under the nut: ${inSentence(at)}`,
  plug: ({ end, at }: { end: string; at: string }) => `${end} into ${inSentence(at)}`,
  outlet: ({ tag, at }: { tag: string; at: string }) => `Lead ${tag} under ${inSentence(at)}`,
  pin: ({ tag }: { tag: string }) => `Pin ${tag} pushed home, seal in`,
  lead: ({ tag, half, method }: { tag: string; half: 'ecu' | 'device' | null; method: TapMethod | null }) =>
    `Lead ${tag} joined${half === null ? '' : half === 'ecu' ? ' to the ECU half' : ' to the other half'}${method === null ? '' : `, ${method}`}`,
  consent: always('Owner agrees that this wire is cut'),
  'tug-pair': always('Locks closed, both tugged'),
  'tug-plug': always('Lock closed, tugged'),
  'off-pair': ({ plug, device }: { plug: string; device: string }) =>
    `Both halves out, ${inSentence(plug)} back onto the ${device} until it clicks`,
  off: ({ tag, at }: { tag: string; at: string }) => `Lead ${tag} off: ${inSentence(at)}`,
  seal: ({ how }: { how: string }) => how,
  'tug-lead': always('Tugged: it does not move'),
}
export const sayTick = speaker(tickWords)

/** What is said of each task of the day; the words of steps are the dossiers' own. */
export const taskWords = {
  step: ({ text }: { text: string }) => text,
  'cover-off': ({ cover }: { cover: string }) => `${cover} off`,
  'cover-on': ({ cover }: { cover: string }) => `${cover} on`,
  wait: ({ why }: { why: string }) => why,
  'check-kit': always('Lay out the kit'),
  bulkhead: ({ passage }: { passage: string }) => `Through the bulkhead ${passage}`,
  extend: ({ end }: { end: string }) => `${end} lengthened`,
  sleeves: always('Heat sleeves on'),
  'boss-place': always('Place of the boss measured'),
  'pipe-off': always('Pipe off for the boss'),
  weld: always('the boss is welded in'),
  'weld-cool': always('until the weld is cold'),
  'pipe-on': always('Pipe back on'),
  ride: always('A ride through the table, and its review'),
  end: ({ end }: { end: string }) => end,
  fuse: ({ end }: { end: string }) => `Fuse into ${inSentence(end)}, last`,
}
export const sayTask = speaker(taskWords)

/** Words of a step that are made for this job, where the dossier's own would be another machine's or want a figure. */
export const stepWords = {
  'set-module': ({ module, place, where }: { module: string; place: string; where: string }) =>
    `Set the ${inSentence(module)} at ${inSentence(place)} (${where}), do not fix it yet.`,
  'lay-loom': ({ place }: { place: string | null }) =>
    `Lay the loom${place === null ? '' : ` from ${inSentence(place)}`} through the passages the plan shows, plugged into nothing: every branch must reach its place.`,
  'bench-supply': ({
    volts,
    sizeA,
    peakA,
  }: {
    volts: readonly [number, number]
    sizeA: number | null
    peakA: number
  }) =>
    `${volts[0]} to ${volts[1]} V${sizeA === null ? '' : `, ${sizeA} A`} (${peakA.toFixed(1)} A at the pump’s prime)`,
  'bench-supply-unknown': always('of 12.5 to 13.5 V'),
}
export const sayStep = speaker(stepWords)

/** What is said of what holds up a tick or a station. */
export const barWords = {
  'figure-asked': ({ quantity, unit }: { quantity: string; unit: string }) =>
    `It asks for a figure: ${quantity}, ${unit}.`,
  'words-asked': ({ asked }: { asked: string }) => `It asks for something written down: ${asked}.`,
  'reason-asked': always('Say why in a few words: one word is no reason.'),
  'wait-runs': ({ minutes, why }: { minutes: number; why: string }) => `${minutes} min to wait yet, ${why}.`,
  'run-cover-off': ({ covers }: { covers: readonly string[] }) =>
    `The engine must not run without it: ${covers.map(inSentence).join(', ')} is still off. Put it on first, or write down why it stays off.`,
  'tray-not-empty': ({ covers }: { covers: readonly string[] }) =>
    `Still in the tray: ${covers.map(inSentence).join(', ')}. Put it back, or write down why it stays off.`,
}
export const sayBar = speaker(barWords)
