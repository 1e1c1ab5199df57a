import { endName, inSentence, isPresent, machineIndex, type DossierPair } from '../dossiers/index.ts'
import { collectFindings } from '../findings/index.ts'
import { outletOf, targetWords, type Finding, type FindingPlace, type WiringState } from '../wiring/index.ts'
import { stockRules, type StockRule } from './rules.ts'
import { purposeOf, sameWound, type VehicleState } from './state.ts'
import { stockWords, type StockFacts } from './words.ts'
import { mendingWords, woundsOf } from './wounds.ts'

/** What is left of the kits that are to come off: joined still, a wire that is cut, one that is open to the wet. Nothing for other jobs. */
export function stockFindings(
  dossiers: DossierPair,
  state: VehicleState & Pick<WiringState, 'connections'>,
): Finding<StockRule>[] {
  const { findings, say } = collectFindings<StockFacts, FindingPlace>(stockRules, stockWords)
  if (purposeOf(state) !== 'stock') return findings
  const { machine, kit } = dossiers
  const goes = (kitEnd: string) => !isPresent(kit, kitEnd)
  const said = new Set<string>()
  for (const { kitEnd, to } of state.connections)
    if (!goes(kitEnd) || said.has(kitEnd)) continue
    else if ('connector' in to || 'stud' in to) {
      said.add(kitEnd)
      say('stock-joined', { kitEnd }, { end: endName(dossiers, kitEnd), at: inSentence(targetWords(machine, to, kit)) })
    }
  for (const { kitEnd, to } of state.connections)
    if (!goes(kitEnd) && 'kitEnd' in to && goes(to.kitEnd) && outletOf(kit, to.kitEnd))
      say('stock-feeds', { kitEnd }, { end: endName(dossiers, kitEnd), outlet: targetWords(machine, to, kit) })
  const { connectors } = machineIndex(machine)
  for (const wound of woundsOf(
    kit,
    [...state.began, ...state.connections].filter(({ kitEnd }) => goes(kitEnd)),
  )) {
    if (state.connections.some(({ to }) => 'cavity' in to && sameWound(to, wound))) continue
    const list = wound.kind === 'cut' ? state.joined : state.sealed
    if (list.some((item) => sameWound(item, wound))) continue
    const { connector, cavity } = wound
    say(
      wound.kind === 'cut' ? 'stock-cut' : 'stock-puncture',
      { kitEnd: wound.end.id, connector, cavity },
      { plug: connectors.get(connector)?.name ?? connector, cavity, how: mendingWords(machine, wound) },
    )
  }
  return findings
}
