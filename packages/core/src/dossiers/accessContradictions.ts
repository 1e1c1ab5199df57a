import type { CoverId } from './ids.ts'
import type { Problem } from '../shared/index.ts'
import type { AccessWay, Cover } from './accessModel.ts'
import type { Machine } from './model.ts'

/** What the covers and ways of a machine say about things it does not have, and covers that wait for each other. */
export function accessContradictions(machine: Machine): Problem[] {
  const problems: Problem[] = []
  const covers = machine.covers ?? []
  const known = new Map(covers.map((cover) => [cover.id, cover]))
  const say = (code: string, path: string, message: string) => problems.push({ code, path, message })
  const unknown = (path: string, id: string) =>
    say('unknown-cover', path, `"${id}" is no cover of this machine. Write it down as a cover, or take it out here.`)
  covers.forEach((cover, i) =>
    cover.after.forEach((id, j) => {
      if (!known.has(id)) unknown(`covers.${i}.after.${j}`, id)
    }),
  )
  const ring = coverCycle(covers)
  if (ring)
    say(
      'cover-cycle',
      `covers.${covers.findIndex((cover) => cover.id === ring[0])}.after`,
      `${ring.map((id) => known.get(id)?.name ?? id).join(' waits for ')}: none of them could ever come off. Take one out of "after".`,
    )
  ;(machine.ways ?? []).forEach((way, i) => {
    way.needs.forEach((id, j) => {
      if (!known.has(id)) unknown(`ways.${i}.needs.${j}`, id)
    })
    const [list, id] = targetOf(machine, way)
    if (!list.some((item) => item.id === id))
      say('unknown-target', `ways.${i}.to`, `Nothing on this machine is called "${id}".`)
  })
  ;(machine.places ?? []).forEach((place, i) => {
    if (!machine.zones.some((zone) => zone.id === place.zone))
      say('unknown-zone', `places.${i}.zone`, `"${place.zone}" is no zone of this machine.`)
  })
  ;(machine.batteries ?? []).forEach((id, i) => {
    if (!machine.studs.some((stud) => stud.id === id))
      say('unknown-stud', `batteries.${i}`, `"${id}" is no stud of this machine.`)
  })
  const steps = new Set(machine.steps.map((step) => step.id))
  machine.steps.forEach((step, i) =>
    step.after?.forEach((id, j) => {
      if (!steps.has(id)) say('unknown-step', `steps.${i}.after.${j}`, `"${id}" is no step of this machine.`)
    }),
  )
  return problems
}

function targetOf(machine: Machine, { to }: AccessWay): [readonly { id: string }[], string] {
  if ('zone' in to) return [machine.zones, to.zone]
  if ('connector' in to) return [machine.connectors, to.connector]
  if ('stud' in to) return [machine.studs, to.stud]
  return [machine.places ?? [], to.place]
}

/** Covers that wait for each other, first again at the end; null when there are none. */
export function coverCycle(covers: readonly Cover[]): CoverId[] | null {
  const byId = new Map(covers.map((cover) => [cover.id, cover]))
  const done = new Set<CoverId>()
  const trail: CoverId[] = []
  const walk = (id: CoverId): CoverId[] | null => {
    const at = trail.indexOf(id)
    if (at >= 0) return [...trail.slice(at), id]
    if (done.has(id)) return null
    trail.push(id)
    for (const before of byId.get(id)?.after ?? []) {
      const ring = walk(before)
      if (ring) return ring
    }
    trail.pop()
    done.add(id)
    return null
  }
  for (const cover of covers) {
    const ring = walk(cover.id)
    if (ring) return ring
  }
  return null
}
