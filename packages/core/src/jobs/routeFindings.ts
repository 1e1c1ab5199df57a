import { mountPlaceOf } from './mountPlace.ts'
import type { JobDossiers, JobState } from './state.ts'
import { asHeading, inSentence } from '../dossiers/index.ts'
import { collectFindings, type SayOf } from '../findings/index.ts'
import {
  judgeRoute,
  placeAgainst,
  routeRules,
  type RankedPlace,
  type RouteRule,
  type RoutedBranch,
} from '../routing/index.ts'
import type { Finding, FindingPlace } from '../wiring/index.ts'
import { loomPassages, plannedRoute } from './jobRoute.ts'

const mm = (metres: number) => `${Math.round(metres * 1000)} mm`

/** What is left of a branch at a stop of the steering, measured, mm. */
export const lockCard = (kitEnd: string, side: 'left' | 'right') => `lock.${kitEnd}.${side}`

/** Findings of the loom's way: what the plan leaves short, and where what was built differs to the worse. */
export function routeFindings(dossiers: JobDossiers, state: JobState): Finding<RouteRule>[] {
  const { findings, say } = collectFindings<RouteRule, FindingPlace>(routeRules)
  const { mounted } = state
  const place = mountPlaceOf(dossiers, state)
  const at = dossiers.machine.places?.find((item) => item.id === mounted?.place)
  if (mounted && at && place && place.id !== at.id)
    say(
      'module-elsewhere',
      {},
      `The module is ${mounted.trial ? 'held' : 'fixed'} at ${inSentence(at.name)}, and was to go to ${inSentence(place.name)} since.`,
      'Move it and write down that it is there, or choose the place where it is.',
    )
  const route = plannedRoute(dossiers, state)
  if (route && !route.ok)
    for (const { message } of route.problems)
      say('place-unfit', {}, message, 'Choose another place, or write down the passage a loom would take.')
  if (route?.ok) {
    const loom = route.value
    for (const against of placeAgainst(loom.place, dossiers.kit))
      say('place-unfit', {}, against, 'Choose another place: the others stand beside it with what they are better at.')
    for (const bundle of loom.bundles)
      if (bundle.over)
        say(
          'bundle-over',
          { passage: bundle.passage },
          `${asHeading(bundle.name)}: the bundle takes ${Math.round(bundle.areaMm2)} mm², ${Math.round(bundle.freeMm2 ?? 0)} mm² are free.`,
          "Lead part of it another way, or enlarge the passage with the owner's word.",
        )
    for (const branch of loom.branches) branchFindings(dossiers, state, loom, branch, say)
    trunkFindings(dossiers, state, loom, say)
    tieFindings(dossiers, state, say)
  }
  return findings
}

type Say = SayOf<RouteRule, FindingPlace>

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
  const tail = built ? 'as it lies' : `from ${inSentence(loom.place.name)}`
  if (branch.reach === 'unreachable')
    say(
      'place-unfit',
      at,
      `No passage leads to ${inSentence(end.target?.name ?? end.name)} with room for ${inSentence(end.name)}.`,
      'Choose another place, or write down the passage a loom would take.',
    )
  if (branch.reach !== 'unreachable' && spareM < -0.0005) {
    if (end.never !== null)
      say(
        'lead-never',
        at,
        `${end.name} is ${mm(-spareM)} short ${tail}, and ${end.never}.`,
        'Another place for the module or the sensor; never an extension here.',
      )
    else
      say(
        'lead-short',
        at,
        `${end.name} is ${mm(-spareM)} short ${tail}.`,
        `Extend it by ${branch.extensionM > 0 && !built ? branch.extensionM.toFixed(2) : (Math.ceil(-spareM / 0.05 + 1) * 0.05).toFixed(2)} m of the same wire, or lay it another way.`,
      )
  }
  if (built) {
    for (const { passage, name, what, remedy, rule } of judged.met)
      say(rule, { ...at, passage }, `${end.name} lies ${name}: ${what}.`, remedy)
    for (const gap of judged.gaps)
      say(
        'route-gap',
        { ...at, passage: gap.passage },
        `${end.name}: ${gap.says}`,
        'Tap the passage between, or take this one out.',
      )
    if (judged.differs && judged.met.length === 0 && judged.gaps.length === 0)
      say(
        'route-differs',
        at,
        `${end.name} lies another way than planned.`,
        'It may stay there. Note why, so that the next one finds it.',
      )
  }
  const crossing = branch.steering
  if (crossing)
    for (const side of ['left', 'right'] as const) {
      const measured = state.readings.findLast((reading) => reading.card === lockCard(end.id, side))
      if (measured && measured.value < 0)
        say(
          'short-at-lock',
          { ...at, passage: crossing.passage },
          `${end.name} is ${Math.round(-measured.value)} mm short at the ${side} lock.`,
          'It would be torn out, or hold the steering. Let slack through to the head, or lay it closer to the steering axis, and turn lock to lock again.',
        )
    }
}

function trunkFindings(dossiers: JobDossiers, state: JobState, loom: RankedPlace, say: Say): void {
  const built = state.routes.trunk
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
    say(rule, { passage }, `The trunk lies ${name}: ${what}.`, remedy)
  for (const gap of judged.gaps)
    say(
      'route-gap',
      { passage: gap.passage },
      `The trunk: ${gap.says}`,
      'Tap the passage between, or take this one out.',
    )
}

/** Once the loom is being tied, every passage it lies in wants its ties. */
function tieFindings(dossiers: JobDossiers, state: JobState, say: Say): void {
  if (Object.keys(state.ties).length === 0) return
  const names = new Map((dossiers.machine.passages ?? []).map((passage) => [passage.id, passage.name]))
  for (const passage of loomPassages(dossiers, state))
    if (!(passage in state.ties))
      say(
        'loom-untied',
        { passage },
        `The loom is not tied ${names.get(passage) ?? passage}.`,
        'Tie it there, or write down that it lies elsewhere.',
      )
}
