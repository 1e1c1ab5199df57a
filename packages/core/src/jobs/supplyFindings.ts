import { isJoined, type KitEndId, type ConnectorId, type NetId } from '../dossiers/index.ts'
import type { JobDossiers, JobState } from './state.ts'
import {
  feedCardOf,
  judgeFeed,
  judgeGround,
  netOfMatch,
  sharedFeeds,
  supplyOf,
  supplyRules,
  supplyWords,
  type SupplyFacts,
  type SupplyRule,
} from '../electrical/index.ts'
import { collectFindings } from '../findings/index.ts'
import { connectionPlan, type Finding } from '../wiring/index.ts'
import { electricsOf } from './jobRoute.ts'
import { findingsOfMembers } from './members.ts'

/** Meter card of the ground check, by the end that is grounded. */
export const groundCard = (kitEnd: KitEndId) => `ground.${kitEnd}`

/** Findings of feed and ground: what was measured, and what the figures give. */
export function supplyFindings(dossiers: JobDossiers, state: JobState): Finding<SupplyRule>[] {
  return [...findingsOfMembers(dossiers, state, ofOneSupply), ...ofSharedFeeds(dossiers, state)]
}

/** What hangs on one relay together, as built. */
function ofSharedFeeds(dossiers: JobDossiers, state: JobState): Finding<SupplyRule>[] {
  const { findings, say } = collectFindings<SupplyFacts, Finding['at']>(supplyRules, supplyWords)
  const { machine, kit } = dossiers
  if (!isJoined(kit)) return findings
  for (const { name, users, checks } of sharedFeeds(machine, kit, state.connections, connectionPlan(dossiers, state)))
    for (const { ok, rule, value, limit, unit } of checks)
      if (!ok) say('shared-feed', { kitEnd: users.at(-1)?.kitEnd }, { name, rule, value, limit, unit })
  return findings
}

function ofOneSupply(dossiers: JobDossiers, state: JobState): Finding<SupplyRule>[] {
  const { findings, say } = collectFindings<SupplyFacts, Finding['at']>(supplyRules, supplyWords)
  const { machine, kit } = dossiers
  const latest = new Map(state.readings.flatMap((reading) => (reading.card ? [[reading.card, reading]] : [])))
  const plan = connectionPlan(dossiers, state)
  const { feeds, coil } = supplyOf(kit)
  const fedBy = [...feeds, ...(coil ? [coil] : [])].flatMap(({ id }) => netOfMatch(machine, plan, id)?.id ?? [])
  for (const [id, reading] of latest) {
    const card = feedCardOf(machine, id)
    if (!card) continue
    const verdict = judgeFeed(card, reading.value)
    const inUse = state.connections.some(
      ({ to }) =>
        'cavity' in to &&
        machine.wires.some(
          (wire) =>
            wire.net === card.net &&
            [wire.from, wire.to].some(
              (end) => 'connector' in end && end.connector === to.connector && end.cavity === to.cavity,
            ),
        ),
    )
    const planned = fedBy.includes(card.net)
    if (!verdict.good && (inUse || planned))
      say('feed-test', { connector: placeOf(dossiers, card.net) }, { test: card.title, says: verdict.says })
  }
  const { ground, continuousA } = supplyOf(kit)
  const reading = ground && latest.get(groundCard(ground.id))
  if (ground && reading) {
    const made = state.connections.find((connection) => connection.kitEnd === ground.id)
    const { grounds } = electricsOf(dossiers, state)
    const tried = made && 'stud' in made.to ? made.to.stud : (grounds[0]?.stud ?? null)
    const verdict = judgeGround(reading.value / 1000, continuousA, grounds, tried)
    if (!verdict.ok)
      say(
        'ground-drop',
        { kitEnd: ground.id },
        {
          end: ground.name,
          says: verdict.says,
          next: verdict.next && { name: verdict.next.name, place: verdict.next.place },
        },
      )
  }
  const { feed } = supplyOf(kit)
  for (const check of electricsOf(dossiers, state).line.checks)
    if (!check.ok && feed && check.rule.startsWith('Drop'))
      say(
        'feed-drop',
        { kitEnd: check.rule.includes('ground') ? (ground?.id ?? feed.id) : feed.id },
        { what: check.rule, dropV: check.value, limitV: check.limit },
      )
  return findings
}

function placeOf({ machine }: JobDossiers, net: NetId): ConnectorId | undefined {
  return machine.wires
    .flatMap((wire) => (wire.net === net ? [wire.from, wire.to] : []))
    .flatMap((end) => ('connector' in end ? [end.connector] : []))[0]
}
