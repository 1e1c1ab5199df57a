import { always, speaker } from '../../shared/index.ts'
import { collectFindings, defineRules, type FactsOf } from '../../findings/index.ts'
import type { FindingPlace } from '../../wiring/index.ts'
import type { Capability } from '../capability.ts'
import { greased, greaseWanted } from './entriesCase.ts'
import { freshGrease, type GreaseState } from './stateCase.ts'

const greaseRules = defineRules({
  'grease-missing': { severity: 'stop', liftable: true, means: 'Terminals that should be greased are dry.' },
})

/** What is said of the rule. */
const greaseWords = {
  'grease-missing': ({ where }: { where: string }) => ({ reason: `The ${where} are dry.`, remedy: 'Grease them.' }),
}
type GreaseFacts = FactsOf<typeof greaseWords>
const sayGrease = speaker({ grease: always('Grease the terminals') })

const stateOf = (state: object) => state as GreaseState

export const toy: Capability = {
  name: 'grease',
  entries: [greaseWanted, greased],
  fresh: freshGrease,
  rules: greaseRules,
  findings: (_dossiers, state) => {
    const { wanted, greased: made } = stateOf(state).grease
    const { findings, say } = collectFindings<GreaseFacts, FindingPlace>(greaseRules, greaseWords)
    if (wanted && !made) say('grease-missing', { entry: wanted.entry }, { where: 'terminals' })
    return findings
  },
  work: (_dossiers, state, station) => {
    const { wanted, greased: made } = stateOf(state).grease
    if (!wanted || station !== 'close-up') return []
    const minutes = { best: 1, likely: 1, worst: 2 }
    return [
      { id: 'grease', ...sayGrease('grease', {}), minutes, done: made ?? undefined, makes: [{ kind: 'greased' }] },
    ]
  },
}
