import { collectFindings } from '../findings/index.ts'
import { endName, machineIndex, type ConnectorId, type DossierPair } from '../dossiers/index.ts'
import { changeableIn, unknownIn } from './earlierWork.ts'
import type { Finding } from './model.ts'
import { wiringRules, type WiringRule } from './ruleCatalogue.ts'
import type { WiringState } from './state.ts'
import { wiringWords, type WiringFacts } from './words.ts'

type Known = Pick<WiringState, 'connections' | 'disputes' | 'irreversible' | 'found'>

/** Findings of the wiring that only the journal knows: two places, cuts without a word, earlier work, joints made live. */
export function workFindings(dossiers: DossierPair, state: Known): Finding<WiringRule>[] {
  const { findings, say } = collectFindings<WiringFacts, Finding['at']>(wiringRules, wiringWords)
  const { kit } = dossiers
  for (const dispute of state.disputes)
    say('two-places', { kitEnd: dispute.kitEnd }, { end: endName(dossiers, dispute.kitEnd) })
  for (const end of kit.ends) {
    if (end.type !== 'flying-lead' || end.cut?.half !== 'device') continue
    const { partner } = end.cut
    const cut = state.connections.some((made) => [end.id, partner].includes(made.kitEnd) && 'cavity' in made.to)
    const agreed = state.irreversible.some(
      (act) => act.act === 'cut' && [end.id, partner].some((id) => id === act.about?.kitEnd),
    )
    if (cut && !agreed) say('cut-no-consent', { kitEnd: end.id }, { end: end.name })
  }
  for (const found of state.found)
    if (!found.dealt && found.own) say('puncture-open', { ...found.about, entry: found.entry }, { text: found.text })
    else if (!found.dealt && found.plugs) {
      const still = unknownIn(found)
      const { connectors } = machineIndex(dossiers.machine)
      const name = (id: ConnectorId) => connectors.get(id)?.name ?? id
      const { text } = found
      say(
        'unknown-module',
        { connector: still[0], entry: found.entry },
        { text, plugs: still.map(name), changes: changeableIn(dossiers, still) },
      )
      for (const end of kit.ends) {
        const on = state.connections.find(({ kitEnd, to }) => kitEnd === end.id && 'connector' in to)?.to
        if (on && 'connector' in on && still.includes(on.connector))
          say(
            'unknown-in-way',
            { kitEnd: end.id, connector: on.connector },
            { end: end.name, plug: name(on.connector), text },
          )
      }
    } else if (!found.dealt)
      say('earlier-work', { ...found.about, entry: found.entry }, { what: found.what, text: found.text })
  for (const made of state.connections)
    if (made.live) say('joined-live', { kitEnd: made.kitEnd }, { end: endName(dossiers, made.kitEnd) })
  return findings
}
