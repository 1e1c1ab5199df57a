import type { KitEndId, MountPlace } from '../dossiers/index.ts'
import { findingsOfMembers } from './members.ts'
import { mountPlacesOf, placeOfMember, type MemberPlace } from './mountPlace.ts'
import type { JobDossiers, JobState } from './state.ts'
import { collectFindings, type SayOf } from '../findings/index.ts'
import {
  extensionFor,
  hasRoomFor,
  judgeRoute,
  placeAgainst,
  routeRules,
  routeWords,
  type RankedPlace,
  type RouteFacts,
  type RouteRule,
  type RoutedBranch,
  trunkPart,
} from '../routing/index.ts'
import type { Finding, FindingPlace } from '../wiring/index.ts'
import { loomPassages, routeFrom } from './jobRoute.ts'

/** What is left of a branch at a stop of the steering, measured, mm. */
export const lockCard = (kitEnd: KitEndId, side: 'left' | 'right') => `lock.${kitEnd}.${side}`

/** Findings of the looms' ways: what the plan leaves short, and where what was built differs to the worse. */
export function routeFindings(dossiers: JobDossiers, state: JobState): Finding<RouteRule>[] {
  return [
    ...findingsOfMembers(dossiers, state, (own, ofOwn, member) =>
      oneLoom(own, ofOwn, placeOfMember(dossiers, state, member)),
    ),
    ...placesTogether(dossiers, state),
  ]
}

/** Modules that are to sit where there is no room for both. */
function placesTogether(dossiers: JobDossiers, state: JobState): Finding<RouteRule>[] {
  const { findings, say } = collectFindings<RouteFacts, FindingPlace>(routeRules, routeWords)
  const at = new Map<string, MemberPlace[]>()
  for (const item of mountPlacesOf(dossiers, state))
    if (item.place) at.set(item.place.id, [...(at.get(item.place.id) ?? []), item])
  for (const items of at.values()) {
    const [first] = items
    if (
      !first?.place ||
      hasRoomFor(
        first.place,
        items.map(({ member }) => member.kit),
      )
    )
      continue
    say(
      'place-unfit',
      {},
      { kind: 'shared', place: first.place.name, modules: items.map(({ member }) => member.kit.module.name) },
    )
  }
  return findings
}

/** @param place where its module goes */
function oneLoom(dossiers: JobDossiers, state: JobState, place: MountPlace | undefined): Finding<RouteRule>[] {
  const { findings, say } = collectFindings<RouteFacts, FindingPlace>(routeRules, routeWords)
  const { mounted } = state
  const at = dossiers.machine.places?.find((item) => item.id === mounted?.place)
  if (mounted && at && place && place.id !== at.id)
    say('module-elsewhere', {}, { fixed: !mounted.trial, at: at.name, wanted: place.name })
  const route = routeFrom(dossiers, state, place)
  if (route && !route.ok)
    for (const { message } of route.problems) say('place-unfit', {}, { kind: 'no way', says: message })
  if (route?.ok) {
    const loom = route.value
    for (const against of placeAgainst(loom.place, dossiers.kit))
      say('place-unfit', {}, { kind: 'against', says: against })
    for (const bundle of loom.bundles)
      if (bundle.over)
        say(
          'bundle-over',
          { passage: bundle.passage },
          { passage: bundle.name, areaMm2: bundle.areaMm2, freeMm2: bundle.freeMm2 ?? 0 },
        )
    for (const branch of loom.branches) branchFindings(dossiers, state, loom, branch, say)
    trunkFindings(dossiers, state, loom, say)
    tieFindings(dossiers, state, say)
  }
  return findings
}

type Say = SayOf<RouteFacts, FindingPlace>

function branchFindings(
  { machine }: JobDossiers,
  state: JobState,
  loom: RankedPlace,
  branch: RoutedBranch,
  say: Say,
): void {
  const { end } = branch
  const at = { kitEnd: end.id }
  const built = state.routes[end.id]
  const judged = judgeRoute(machine, {
    planned: branch.stretches,
    built: built?.passages ?? null,
    suppliedM: end.branchM,
    loopM: end.loopM,
    lastM: branch.lastM,
    from: loom.trunk.stretches.map((stretch) => stretch.passage),
    target: end.target,
  })
  const spareM = built ? judged.spareM : branch.spareM
  const from = built ? null : loom.place.name
  if (branch.reach === 'unreachable')
    say('place-unfit', at, { kind: 'no room', end: end.name, target: end.target?.name ?? end.name })
  if (branch.reach !== 'unreachable' && spareM < -0.0005) {
    if (end.never !== null) say('lead-never', at, { end: end.name, shortM: -spareM, from, why: end.never })
    else say('lead-short', at, { end: end.name, shortM: -spareM, from, extensionM: extensionFor(-spareM) })
  }
  if (built) {
    for (const { passage, name, what, remedy, rule } of judged.met)
      say(rule, { ...at, passage }, { end: end.name, passage: name, what, remedy })
    for (const gap of judged.gaps) say('route-gap', { ...at, passage: gap.passage }, { end: end.name, says: gap.says })
    if (judged.differs && judged.met.length === 0 && judged.gaps.length === 0)
      say('route-differs', at, { end: end.name })
  }
  const crossing = branch.steering
  if (crossing)
    for (const side of ['left', 'right'] as const) {
      const measured = state.readings.findLast((reading) => reading.card === lockCard(end.id, side))
      if (measured && measured.value < 0)
        say('short-at-lock', { ...at, passage: crossing.passage }, { end: end.name, shortMm: -measured.value, side })
    }
}

function trunkFindings(dossiers: JobDossiers, state: JobState, loom: RankedPlace, say: Say): void {
  const built = state.routes[trunkPart]
  if (!built) return
  const judged = judgeRoute(dossiers.machine, {
    planned: loom.trunk.stretches,
    built: built.passages,
    suppliedM: dossiers.kit.trunkM,
    loopM: 0,
    lastM: 0,
    from: [],
    target: null,
  })
  for (const { passage, name, what, remedy, rule } of judged.met)
    say(rule, { passage }, { end: null, passage: name, what, remedy })
  for (const gap of judged.gaps) say('route-gap', { passage: gap.passage }, { end: null, says: gap.says })
}

/** Once the loom is being tied, every passage it lies in wants its ties. */
function tieFindings(dossiers: JobDossiers, state: JobState, say: Say): void {
  if (Object.keys(state.ties).length === 0) return
  const names = new Map((dossiers.machine.passages ?? []).map((passage) => [passage.id, passage.name]))
  for (const passage of loomPassages(dossiers, state))
    if (!(passage in state.ties)) say('loom-untied', { passage }, { passage: names.get(passage) ?? passage })
}
