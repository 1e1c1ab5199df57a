import { inSentence, type Cover, type CoverId, type Machine } from '../dossiers/index.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import { scheduleTasks, simulateMinutes, type MinutesSpread, type Task } from '../scheduling/index.ts'
import {
  compileAccess,
  coversOfWay,
  offMinutes,
  onMinutes,
  priceSeconds,
  removalProblem,
  targetKey,
  toolsOf,
  wayMinutes,
  waysTo,
  type CompiledAccess,
} from './compileAccess.ts'
import { minimumRemoval, type RemovalChoice } from './minimumRemoval.ts'
import type { AccessOptions, AccessPlan, AccessTarget, Closing, OrderBreak, PlannedTarget, Removal } from './model.ts'
import { fewestChanges, orderCovers, type CoverOrder } from './orderCovers.ts'
import { standingPoint, walkCm } from './walk.ts'

const noMinutes = { best: 0, likely: 0, worst: 0 }

/**
 * What must come off to reach all targets, in which order, and back on. Least minutes off and on again first (helpers
 * counted twice), then fewest tool changes, then the shortest way around the machine. Covers in front of the battery come
 * off before the others; what the engine needs is back on before the rest.
 * Targets of which no way is written down are named in `unknown` and left out of the plan.
 */
export function planAccess(
  machine: Machine,
  targets: readonly AccessTarget[],
  options: AccessOptions = {},
): AccessPlan {
  const compiled = compileAccess(machine, options.known)
  const distinct = [...new Map(targets.map((target) => [targetKey(target), target])).values()]
  const unknown = distinct.filter((target) => waysTo(machine, target).length === 0)
  const reached = distinct.filter((target) => !unknown.includes(target))
  const ways = reached.map((target) => {
    const all = waysTo(machine, target)
    const fixed = options.ways?.get(targetKey(target))
    const chosen = all.filter((way) => way.id === fixed)
    return chosen.length > 0 ? chosen : all
  })
  const over = options.over ?? []
  const wanted = [...new Set([...(options.covers ?? []), ...over.map(({ cover }) => cover)])].filter((id) =>
    compiled.place.has(id),
  )
  // Covers wanted for themselves are the one way to themselves.
  const forced = wanted.map((id) => [{ id: `cover-${id}`, needs: [id], minutes: noMinutes }])
  const problem = removalProblem(compiled, [...ways, ...forced])
  const least = minimumRemoval(problem, { enough: options.enough })
  const candidates = least.choices.map((choice) => ({
    choice,
    order: removalOrder(
      machine,
      compiled,
      choice,
      earlyCovers(machine, compiled, choice, ways, reached, options),
      options,
    ),
  }))
  const [first, ...others] = candidates
  const best = others.reduce((a, b) => (betterOrder(b.order, a.order) ? b : a), first)
  const { choice, order } = best
  const planned = reached.map((target, t): PlannedTarget => {
    const way = ways[t][choice.ways[t]]
    return {
      target,
      way,
      covers: coversOfWay(compiled, way).map((i) => compiled.covers[i].id),
      minutes: wayMinutes(compiled, way),
      ...otherwise(machine, compiled, target, choice, way.id),
    }
  })
  const battery = earlyCovers(machine, compiled, choice, ways, reached, options)
  const byHand = handOrder(
    compiled,
    order.order.map((i) => compiled.covers[choice.covers[i]]),
    battery,
    options.order,
  )
  const removals = byHand.order.map((cover): Removal => ({
    cover,
    minutes: offMinutes(compiled, cover),
    tools: toolsOf(cover),
    reaches: [
      ...planned.filter((item) => item.covers.includes(cover.id)).map((item) => item.target.name),
      ...new Set(over.filter((item) => liesUnder(compiled, item.cover, cover.id)).map((item) => item.what)),
    ],
    beforeBattery: battery.has(compiled.place.get(cover.id) ?? -1),
  }))
  const closing = closingOrder(machine, compiled, choice.covers, options).map(({ cover, beforeStart }): Closing => ({
    cover,
    minutes: onMinutes(compiled, cover),
    tools: toolsOf(cover),
    beforeStart,
  }))
  return {
    targets: planned,
    unknown,
    removals,
    closing,
    tools: [...new Set(removals.flatMap((removal) => removal.tools))],
    saved: removals.flatMap(({ cover }) =>
      cover.saves.length > 0 ? [{ cover: cover.id, name: cover.name, items: cover.saves }] : [],
    ),
    ...orderFigures(machine, byHand.order),
    workMinutes: least.seconds / 60,
    clockMinutes: scheduleTasks(accessTasks(planned, removals, closing), options.people ?? 1).minutes,
    exact: least.exact,
    walkProven: least.exact && order.exact,
    changesGap: order.toolChanges - order.leastChanges,
    gapMinutes: Math.max(0, least.seconds - least.provenSeconds) / 60,
    breaks: byHand.breaks,
  }
}

/** How long opening, the work at the targets and closing take on the clock, half of the time and nine times in ten. */
export function accessSpread(plan: AccessPlan, people: 1 | 2): MinutesSpread {
  return simulateMinutes(accessTasks(plan.targets, plan.removals, plan.closing), people)
}

/** The same, refusing what nobody can reach. @param path of the targets in the request */
export function planReachable(
  machine: Machine,
  targets: readonly AccessTarget[],
  options: AccessOptions = {},
  path = 'targets',
): Outcome<AccessPlan> {
  const problems = targets.flatMap((target, i): Problem[] =>
    waysTo(machine, target).length > 0
      ? []
      : [
          {
            code: 'unreachable',
            path: `${path}.${i}`,
            message: `Nobody has written down how ${target.name} is reached. Add a way to it, or to its zone "${target.zone}", in the dossier of the ${machine.model}.`,
          },
        ],
  )
  return problems.length > 0 ? failure(...problems) : success(planAccess(machine, targets, options))
}

/** Tool changes and way of an order as it stands. */
function orderFigures(machine: Machine, order: readonly Cover[]): { toolChanges: number; walkM: number } {
  const stands = order.map((cover) => standingPoint(cover, machine.body))
  const walk = stands.reduce<number>((sum, at, i) => (i === 0 ? 0 : sum + walkCm(stands[i - 1], at, machine.body)), 0)
  return { toolChanges: fewestChanges(order.map(toolsOf)), walkM: walk / 100 }
}

function betterOrder(a: CoverOrder, b: CoverOrder): boolean {
  return a.toolChanges < b.toolChanges || (a.toolChanges === b.toolChanges && a.walkCm < b.walkCm)
}

/** Whether one cover must be off for another to come off, or is that one. */
function liesUnder(compiled: CompiledAccess, under: CoverId, cover: CoverId): boolean {
  const closed = compiled.closed[compiled.place.get(under) ?? -1] ?? []
  return closed.some((i) => compiled.covers[i].id === cover)
}

/** Covers that come off before the battery: on the way to it, and to what else is needed while there is power. */
function earlyCovers(
  machine: Machine,
  compiled: CompiledAccess,
  choice: RemovalChoice,
  ways: readonly (readonly { id: string; needs: CoverId[] }[])[],
  targets: readonly AccessTarget[],
  { early, covers = [] }: AccessOptions,
): Set<number> {
  const all = new Set<number>()
  for (const id of covers) for (const i of compiled.closed[compiled.place.get(id) ?? -1] ?? []) all.add(i)
  targets.forEach((target, t) => {
    const battery = target.kind === 'stud' && machine.batteries?.includes(target.id)
    if (!battery && !early?.has(targetKey(target))) return
    const way = ways[t][choice.ways[t]]
    for (const id of way.needs) for (const i of compiled.closed[compiled.place.get(id) ?? -1] ?? []) all.add(i)
  })
  return all
}

function removalOrder(
  machine: Machine,
  compiled: CompiledAccess,
  choice: RemovalChoice,
  battery: ReadonlySet<number>,
  options: AccessOptions,
): CoverOrder {
  const local = new Map(choice.covers.map((cover, i) => [cover, i]))
  return ordered(machine, compiled, choice.covers, options, (cover) => {
    const first = battery.has(cover) ? [] : [...battery]
    return [...new Set([...compiled.closed[cover].filter((other) => other !== cover), ...first])].flatMap(
      (other) => local.get(other) ?? [],
    )
  })
}

function closingOrder(
  machine: Machine,
  compiled: CompiledAccess,
  covers: readonly number[],
  options: AccessOptions,
): { cover: Cover; beforeStart: boolean }[] {
  const early = beforeStart(compiled, covers)
  const local = new Map(covers.map((cover, i) => [cover, i]))
  const order = ordered(machine, compiled, covers, options, (cover) => {
    const above = covers.filter((other) => other !== cover && compiled.closed[other].includes(cover))
    const first = early.has(cover) ? [] : [...early]
    return [...new Set([...above, ...first])].flatMap((other) => local.get(other) ?? [])
  })
  return order.order.map((i) => ({ cover: compiled.covers[covers[i]], beforeStart: early.has(covers[i]) }))
}

/** What must be on before the engine runs, and whatever must be on before that can go on. */
export function beforeStart(compiled: CompiledAccess, covers: readonly number[]): Set<number> {
  const needed = covers.filter((cover) => compiled.covers[cover].run)
  return new Set(covers.filter((cover) => needed.some((run) => compiled.closed[cover].includes(run))))
}

function ordered(
  machine: Machine,
  compiled: CompiledAccess,
  covers: readonly number[],
  options: AccessOptions,
  beforeOf: (cover: number) => number[],
): CoverOrder {
  const stands = covers.map((cover) => standingPoint(compiled.covers[cover], machine.body))
  return orderCovers(
    {
      before: covers.map(beforeOf),
      tools: covers.map((cover) => toolsOf(compiled.covers[cover])),
      walkCm: (a, b) => walkCm(stands[a], stands[b], machine.body),
    },
    options.width ?? (covers.length > 18 ? Math.max(1, Math.floor(3_000 / covers.length ** 2)) : 4000),
  )
}

/** The planned order, or the one a person laid down with what it breaks. */
function handOrder(
  compiled: CompiledAccess,
  planned: readonly Cover[],
  battery: ReadonlySet<number>,
  wanted: readonly CoverId[] | undefined,
): { order: Cover[]; breaks: OrderBreak[] } {
  if (!wanted) return { order: [...planned], breaks: [] }
  const named = wanted.flatMap((id) => planned.filter((cover) => cover.id === id))
  const order = [...named, ...planned.filter((cover) => !named.includes(cover))]
  const at = new Map(order.map((cover, i) => [cover.id, i]))
  const breaks = order.flatMap((cover, i): OrderBreak[] => {
    const late = cover.after.flatMap((id) => order.filter((other) => other.id === id && (at.get(id) ?? 0) > i))
    const live = battery.has(compiled.place.get(cover.id) ?? -1)
      ? []
      : order.filter((other, o) => o > i && battery.has(compiled.place.get(other.id) ?? -1))
    return [
      ...late.map((other) => ({
        cover: cover.id,
        says: `${cover.name} cannot come off before ${inSentence(other.name)}.`,
      })),
      ...live.map((other) => ({
        cover: cover.id,
        says: `The battery is behind ${inSentence(other.name)}: it comes off first, before anything live is uncovered.`,
      })),
    ]
  })
  return { order, breaks }
}

function otherwise(
  machine: Machine,
  compiled: CompiledAccess,
  target: AccessTarget,
  choice: RemovalChoice,
  taken: string,
): Pick<PlannedTarget, 'otherwise'> {
  const off = new Set(choice.covers)
  const all = waysTo(machine, target).map((way) => ({
    way,
    seconds:
      priceSeconds([wayMinutes(compiled, way)], way.helper) +
      coversOfWay(compiled, way)
        .filter((cover) => !off.has(cover))
        .map((i) => compiled.covers[i])
        .reduce(
          (sum, cover) => sum + priceSeconds([offMinutes(compiled, cover), onMinutes(compiled, cover)], cover.helper),
          0,
        ),
  }))
  const mine = all.find((item) => item.way.id === taken)
  const next = all.filter((item) => item.way.id !== taken).sort((a, b) => a.seconds - b.seconds)[0]
  return mine && next ? { otherwise: { way: next.way, moreMinutes: (next.seconds - mine.seconds) / 60 } } : {}
}

/** Opening, work at the targets and closing as tasks on the clock. */
function accessTasks(
  planned: readonly PlannedTarget[],
  removals: readonly Removal[],
  closing: readonly Closing[],
): Task[] {
  const taken = new Set(removals.map((removal) => removal.cover.id))
  return [
    ...removals.map(({ cover, minutes }): Task => ({
      id: `off.${cover.id}`,
      minutes,
      after: cover.after.filter((id) => taken.has(id)).map((id) => `off.${id}`),
      hands: cover.helper ? 2 : 1,
    })),
    ...planned.map(({ target, way, minutes, covers }): Task => ({
      id: targetKey(target),
      minutes,
      after: covers.map((id) => `off.${id}`),
      hands: way.helper ? 2 : 1,
    })),
    ...closing.map(({ cover, minutes }): Task => ({
      id: `on.${cover.id}`,
      minutes,
      after: [
        `off.${cover.id}`,
        ...planned.filter((item) => item.covers.includes(cover.id)).map((item) => targetKey(item.target)),
        ...closing.filter((item) => item.cover.after.includes(cover.id)).map((item) => `on.${item.cover.id}`),
      ],
      hands: cover.helper ? 2 : 1,
    })),
  ]
}
