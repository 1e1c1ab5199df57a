import { joinedId, memberOf, membersOf, type Kit } from '../dossiers/index.ts'
import type { JobDossiers, JobState } from './state.ts'
import { meterFigures, moduleSupply, type FittedKit, type MeterFigure, type SupplyFigures } from '../circuit/index.ts'
import {
  connectionPlan,
  crossLinks,
  joinPracticeOf,
  memberWiring,
  meterCards,
  outletOf,
  plannedConnections,
  type Connection,
  type MeterCard,
  type MeterPlace,
} from '../wiring/index.ts'

/** What is measured on a job, with what the circuit gives for it. */
export interface JobMeter {
  cards: MeterCard[]
  /** In the order of the cards. */
  figures: MeterFigure[]
}

/** Every measurement of a job's ends. Takes up to some hundred milliseconds: for a worker. */
export function jobMeter(dossiers: JobDossiers, state: Pick<JobState, 'decided' | 'connections'>): JobMeter {
  const { machine, kit } = dossiers
  const plan = connectionPlan(dossiers, state)
  const cards = kit.ends.flatMap((end) =>
    meterCards(
      machine,
      kit,
      end,
      plan.find((match) => match.kitEnd === end.id),
    ),
  )
  const planned = fittedOf(kit, connectionsPlanned(dossiers, state))
  const built = fittedOf(kit, builtConnections(state))
  // A lead is known to the circuit by its kit and by its name there.
  const asked = cards.map((card) => ({ ...card, red: ownPlace(kit, card.red), black: ownPlace(kit, card.black) }))
  return { cards, figures: meterFigures(machine, planned, built, asked) }
}

/** Each kit with its own connections. */
function fittedOf(kit: Kit, connections: readonly Connection[]): FittedKit[] {
  const links = crossLinks(kit, connections)
  return memberWiring(kit, connections).map(({ member, connections: own }): FittedKit => {
    const fedBy = links.flatMap(({ kitEnd, to }) => {
      const [from, outlet] = [memberOf(kit, kitEnd), outletOf(kit, to)]
      return outlet && from?.member === member ? [{ kitEnd: from.id, kit: outlet.owner.kit.id }] : []
    })
    return { kit: member.kit, connections: own, ...(fedBy.length > 0 ? { fedBy } : {}) }
  })
}

function ownPlace(kit: Kit, place: MeterPlace): MeterPlace {
  return 'kitEnd' in place ? { ...place, kitEnd: memberOf(kit, place.kitEnd)?.id ?? place.kitEnd } : place
}

/** How one module is fed, as planned and as joined now, with all others that are joined. */
export interface JobSupply {
  /** Its kit: of one alone ''. */
  key: string
  name: string
  planned: SupplyFigures
  built: SupplyFigures
}

/** Supply, ground, fuses and standing draw of each module of the job. Builds eight circuits a module: for a worker. */
export function jobSupplies(dossiers: JobDossiers, state: Pick<JobState, 'decided' | 'connections'>): JobSupply[] {
  const { machine, kit } = dossiers
  const planned = fittedOf(kit, connectionsPlanned(dossiers, state))
  const built = fittedOf(kit, builtConnections(state))
  return membersOf(kit).map(({ key, kit: own }) => ({
    key,
    name: own.module.name,
    planned: namedFeeds(key, moduleSupply(machine, planned, own)),
    built: namedFeeds(key, moduleSupply(machine, built, own)),
  }))
}

/** Its feeds as the job names them. */
function namedFeeds(key: string, supply: SupplyFigures): SupplyFigures {
  return { ...supply, feeds: supply.feeds.map((feed) => ({ ...feed, kitEnd: joinedId(key, feed.kitEnd) })) }
}

/** What the plan joins, with the choices of the job. */
export function connectionsPlanned(dossiers: JobDossiers, state: Pick<JobState, 'decided'>): Connection[] {
  return plannedConnections(dossiers.machine, dossiers.kit, connectionPlan(dossiers, state), joinPracticeOf(state))
}

/** What is joined now. */
export function builtConnections({ connections }: Pick<JobState, 'connections'>): FittedKit['connections'] {
  return connections.map(({ kitEnd, to, method, tugged, fuseA }) => ({
    kitEnd,
    to,
    ...(method ? { method } : {}),
    tugged,
    ...(fuseA === undefined ? {} : { fuseA }),
  }))
}
