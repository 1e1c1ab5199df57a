import { toolOf, type AccessWay, type Cover, type CoverId, type Machine, type Minutes } from '../dossiers/index.ts'
import { failure, success, type Outcome, type Problem } from '../shared/index.ts'
import { expectedMinutes } from '../scheduling/index.ts'
import type { AccessTarget, KnownMinutes } from './model.ts'
import type { RemovalProblem, RemovalWay } from './minimumRemoval.ts'

/** The name of a target in choices and maps. */
export function targetKey(target: Pick<AccessTarget, 'kind' | 'id'>): string {
  return `${target.kind}:${target.id}`
}

/** A thing of the machine by its id: a plug, a stud or a mount place; `kind:id` where one id stands for several. */
export function findTarget(machine: Machine, text: string): AccessTarget | null {
  const [kind, id] = text.includes(':') ? text.split(':') : [null, text]
  const wanted = (candidate: string) => kind === null || kind === candidate
  const find = <T extends { id: string }>(list: readonly T[] = []) => list.find((item) => item.id === id)
  const connector = wanted('connector') ? find(machine.connectors) : undefined
  if (connector) return { kind: 'connector', id: connector.id, name: connector.name, zone: connector.zone }
  const stud = wanted('stud') ? find(machine.studs) : undefined
  if (stud) return { kind: 'stud', id: stud.id, name: stud.name, zone: stud.zone }
  const place = wanted('place') ? find(machine.places) : undefined
  return place ? { kind: 'place', id: place.id, name: place.name, zone: place.zone } : null
}

/** Targets named in a request. @param path of the list, for the problems */
export function readTargets(machine: Machine, texts: readonly string[], path = 'targets'): Outcome<AccessTarget[]> {
  const problems: Problem[] = []
  const targets = texts.flatMap((text, i) => {
    const target = findTarget(machine, text)
    if (!target)
      problems.push({
        code: 'unknown-target',
        path: `${path}.${i}`,
        message: `"${text}" is no plug, stud or mount place of the ${machine.model}.`,
      })
    return target ? [target] : []
  })
  return problems.length > 0 ? failure(...problems) : success(targets)
}

/** Ways to a target: its own, or else those to its zone. Empty: nobody has written one down. */
export function waysTo(machine: Machine, target: AccessTarget): AccessWay[] {
  const ways = machine.ways ?? []
  const own = ways.filter(({ to }) => {
    switch (target.kind) {
      case 'connector':
        return 'connector' in to && to.connector === target.id
      case 'stud':
        return 'stud' in to && to.stud === target.id
      case 'place':
        return 'place' in to && to.place === target.id
    }
  })
  const zone = ways.filter(({ to }) => 'zone' in to && to.zone === target.zone)
  const froms = new Set(own.map((way) => way.from))
  return own.length > 0 ? [...own, ...zone.filter((way) => !froms.has(way.from))] : zone
}

/** Tools a cover takes, in the order they are needed. */
export function toolsOf(cover: Cover): string[] {
  return [
    ...new Set([
      ...cover.fasteners.flatMap((fastener) => {
        const tool = toolOf(fastener)
        return tool === undefined ? [] : [tool]
      }),
      ...(cover.tools ?? []),
    ]),
  ]
}

export interface CompiledAccess {
  covers: Cover[]
  place: Map<CoverId, number>
  /** Everything that must be off for a cover to be off, itself in it, by number. */
  closed: number[][]
  known: KnownMinutes
}

/** @param machine a document without cycles, as parsing makes sure */
export function compileAccess(machine: Machine, known: KnownMinutes = new Map()): CompiledAccess {
  const covers = machine.covers ?? []
  const place = new Map(covers.map((cover, i) => [cover.id, i]))
  const closed: number[][] = []
  const close = (i: number): number[] => {
    const made = closed[i]
    if (made) return made
    const all = new Set([i])
    for (const id of covers[i].after) {
      const at = place.get(id)
      if (at === undefined) throw new Error(`access: cover "${covers[i].id}" waits for "${id}", which is no cover`)
      for (const under of close(at)) all.add(under)
    }
    closed[i] = [...all].sort((a, b) => a - b)
    return closed[i]
  }
  covers.forEach((_, i) => close(i))
  return { covers, place, closed, known }
}

export function offMinutes({ known }: CompiledAccess, cover: Cover): Minutes {
  return known.get(`off.${cover.id}`) ?? cover.off
}

export function onMinutes({ known }: CompiledAccess, cover: Cover): Minutes {
  return known.get(`on.${cover.id}`) ?? cover.on
}

/** What a way costs. Covers wanted for themselves are a way without one in the dossier. */
type WayWork = Pick<AccessWay, 'needs' | 'minutes' | 'helper'> & { id: string }

export function wayMinutes({ known }: CompiledAccess, way: WayWork): Minutes {
  return known.get(`way.${way.id}`) ?? way.minutes
}

/** Whole seconds, so that equal prices are equal. */
export function priceSeconds(minutes: readonly Minutes[], helper: boolean | undefined): number {
  const sum = minutes.reduce((total, item) => total + expectedMinutes(item), 0)
  return Math.round(sum * 60) * (helper ? 2 : 1)
}

export function coversOfWay(compiled: CompiledAccess, way: Pick<AccessWay, 'needs'>): number[] {
  const all = new Set(way.needs.flatMap((id) => compiled.closed[compiled.place.get(id) ?? -1] ?? []))
  return [...all].sort((a, b) => a - b)
}

/** The plain arithmetic of it: prices in seconds, covers by number. */
export function removalProblem(compiled: CompiledAccess, ways: readonly (readonly WayWork[])[]): RemovalProblem {
  return {
    coverSeconds: compiled.covers.map((cover) =>
      priceSeconds([offMinutes(compiled, cover), onMinutes(compiled, cover)], cover.helper),
    ),
    targets: ways.map((list) =>
      list.map((way): RemovalWay => ({
        seconds: priceSeconds([wayMinutes(compiled, way)], way.helper),
        covers: coversOfWay(compiled, way),
      })),
    ),
  }
}
