import { said, type FactsOf } from '../findings/index.ts'

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
