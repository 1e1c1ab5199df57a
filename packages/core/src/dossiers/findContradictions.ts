import type { KitPlaceId } from './ids.ts'
import { type Problem, asWritten } from '../shared/index.ts'
import { accessContradictions } from './accessContradictions.ts'
import type { Kit } from './kitModel.ts'
import { orderSteps } from './orderSteps.ts'
import { routeContradictions } from './routeContradictions.ts'
import { comesTo } from './sourceOf.ts'
import { variantLists, type Machine, type Step, type WirePlace } from './model.ts'

/** What a machine document says twice or about things it does not have; paths as in the document. */
export function machineContradictions(machine: Machine): Problem[] {
  const problems: Problem[] = []
  const say = (code: string, path: string, message: string) => problems.push({ code, path, message })
  for (const list of [...variantLists, 'variants'] as const)
    twice((machine[list] ?? []).map((item) => item.id)).forEach(({ id, index }) =>
      say('duplicate-id', `${list}.${index}.id`, `"${id}" stands twice in ${list}. Every id may stand once.`),
    )
  const zones = new Set(machine.zones.map((zone) => zone.id))
  const nets = new Set(machine.nets.map((net) => net.id))
  const studs = new Set(machine.studs.map((stud) => stud.id))
  machine.connectors.forEach((connector, i) => {
    if (!zones.has(connector.zone))
      say('unknown-zone', `connectors.${i}.zone`, `"${connector.zone}" is no zone of this machine.`)
    if (connector.mates !== undefined && !machine.connectors.some((other) => other.id === connector.mates))
      say('unknown-connector', `connectors.${i}.mates`, `"${connector.mates}" is no connector of this machine.`)
    for (const cavity of connector.contacts?.flat() ?? [])
      if (!connector.cavities.some(({ number, blank }) => number === cavity && !blank))
        say('unknown-cavity', `connectors.${i}.contacts`, `"${connector.id}" has no cavity ${cavity} for a contact.`)
    twice(connector.cavities.map((cavity) => String(cavity.number))).forEach(({ id, index }) =>
      say('duplicate-cavity', `connectors.${i}.cavities.${index}`, `Cavity ${id} stands twice on "${connector.id}".`),
    )
  })
  machine.studs.forEach((stud, i) => {
    if (!zones.has(stud.zone)) say('unknown-zone', `studs.${i}.zone`, `"${stud.zone}" is no zone of this machine.`)
    if (!nets.has(stud.net)) say('unknown-net', `studs.${i}.net`, `"${stud.net}" is no circuit of this machine.`)
  })
  const taken = new Map<string, { id: string; net: string; count: number }>()
  const spliced = new Map<string, number>()
  for (const end of machine.wires.flatMap((wire) => [wire.from, wire.to]))
    if ('splice' in end) spliced.set(end.splice, (spliced.get(end.splice) ?? 0) + 1)
  machine.wires.forEach((wire, i) => {
    if (!nets.has(wire.net)) say('unknown-net', `wires.${i}.net`, `"${wire.net}" is no circuit of this machine.`)
    if (wire.colour.base === wire.colour.stripe)
      say(
        'same-stripe',
        `wires.${i}.colour.stripe`,
        `A ${wire.colour.base} stripe on ${wire.colour.base} cannot be seen. Leave the stripe out.`,
      )
    for (const side of ['from', 'to'] as const) {
      const place: WirePlace = wire[side]
      if ('splice' in place) {
        const { splice } = place
        if ((spliced.get(splice) ?? 0) < 2 && !machine.draft)
          say('splice-alone', `wires.${i}.${side}.splice`, `Only one wire ends in splice "${splice}".`)
        continue
      }
      if ('stud' in place) {
        if (!studs.has(place.stud))
          say('unknown-stud', `wires.${i}.${side}.stud`, `"${place.stud}" is no stud of this machine.`)
        continue
      }
      const connector = machine.connectors.find((candidate) => candidate.id === place.connector)
      const cavity = connector?.cavities.find((candidate) => candidate.number === place.cavity)
      if (!connector)
        say(
          'unknown-connector',
          `wires.${i}.${side}.connector`,
          `"${place.connector}" is no connector of this machine.`,
        )
      else if (!cavity || cavity.blank)
        say(
          'unknown-cavity',
          `wires.${i}.${side}.cavity`,
          `"${place.connector}" has no cavity ${place.cavity} for a wire.`,
        )
      const key = `${place.connector}:${place.cavity}`
      const other = taken.get(key)
      const shared = cavity?.double === true && other?.net === wire.net && other.count < 2
      if (other !== undefined && !shared)
        say(
          'cavity-taken',
          `wires.${i}.${side}`,
          cavity?.double === true
            ? `Cavity ${place.cavity} of "${place.connector}" takes two wires of one circuit: "${other.id}" is there already.`
            : `Cavity ${place.cavity} of "${place.connector}" holds "${other.id}" already.`,
        )
      taken.set(key, { id: wire.id, net: wire.net, count: (other?.count ?? 0) + 1 })
    }
  })
  machine.nets.forEach(({ id, source }, i) => {
    if (source && !machine.draft && !comesTo(machine, id, source))
      say('source-elsewhere', `nets.${i}.source`, `Nothing of circuit "${id}" ends where it is said to come from.`)
  })
  problems.push(...accessContradictions(machine), ...routeContradictions(machine), ...orderProblems(machine.steps))
  machine.steps.forEach((step, i) => {
    const covers = new Set((machine.covers ?? []).map((cover) => cover.id))
    for (const id of step.needs?.covers ?? [])
      if (!covers.has(id)) say('unknown-cover', `steps.${i}.needs.covers`, `"${id}" is no cover of this machine.`)
    for (const target of step.needs?.reach ?? []) {
      const known =
        ('stud' in target && studs.has(target.stud)) ||
        ('connector' in target && machine.connectors.some((connector) => connector.id === target.connector)) ||
        ('place' in target && machine.places?.some((place) => place.id === target.place))
      if (!known)
        say('unknown-reference', `steps.${i}.needs.reach`, `"${Object.values(target)[0]}" is nothing of this machine.`)
    }
  })
  if (machine.target) {
    const { rpm, load, afr } = machine.target
    if (afr.length !== rpm.length || afr.some((row) => row.length !== load.length))
      say('table-size', 'target.afr', `The target table must have ${rpm.length} rows of ${load.length} figures.`)
  }
  return problems
}

function orderProblems(steps: readonly Step[]): Problem[] {
  const ordered = orderSteps(steps)
  return ordered.ok ? [] : [...ordered.problems]
}

/** What every machine does between: the battery comes off, and on again before the engine is woken. */
const anyMachine = asWritten<Step[]>([
  { id: '~off', station: 'make-safe', text: 'Battery off', power: 'off' },
  { id: '~on', station: 'set-up', text: 'Battery on', power: 'on' },
])

/** The same for a kit document. */
export function kitContradictions(kit: Kit): Problem[] {
  const problems: Problem[] = [...orderProblems([...anyMachine, ...kit.steps])]
  for (const list of ['ends', 'parts', 'settings', 'steps', 'sockets', 'naming', 'lamps'] as const)
    twice((kit[list] ?? []).map((item) => item.id)).forEach(({ id, index }) =>
      problems.push({
        code: 'duplicate-id',
        path: `${list}.${index}.id`,
        message: `"${id}" stands twice in ${list}. Every id may stand once.`,
      }),
    )
  const say = (code: string, path: string, message: string) => problems.push({ code, path, message })
  // What has no loom has no step that lays, places or ties one.
  const handheld = kit.steps.length > 0 && kit.steps.every(({ marks }) => marks === undefined)
  if (kit.ends.length === 0 && !kit.figures && !handheld)
    say(
      'no-ends',
      'ends',
      'A kit has at least one end, unless it is an instrument that says how its figures are named, or an interface that says what is done with it.',
    )
  const columns = (kit.figures ?? []).map(({ column }) => column.trim().toLowerCase())
  twice(columns).forEach(({ id, index }) =>
    say('duplicate-column', `figures.${index}.column`, `Column "${id}" is said twice.`),
  )
  const endIds = new Set<KitPlaceId>(kit.ends.map((end) => end.id))
  const sockets = new Set<KitPlaceId>((kit.sockets ?? []).map((socket) => socket.id))
  const fused = kit.ends.some(
    (end) => end.type === 'ring' && end.wants.signal === 'supply-always' && end.fuseA !== undefined,
  )
  ;(kit.sockets ?? []).forEach((socket, i) => {
    if (endIds.has(socket.id))
      say('duplicate-id', `sockets.${i}.id`, `"${socket.id}" is an end already; a socket needs an id of its own.`)
    if ((socket.style === 'relay outlet') !== (socket.givesA !== undefined))
      say(
        'outlet-current',
        `sockets.${i}.givesA`,
        'An outlet of the relay says how much other kits may take there, A; no other socket does.',
      )
    if (socket.style === 'relay outlet' && !fused)
      say(
        'outlet-unfused',
        `sockets.${i}.style`,
        'Others may hang on a relay only behind a fuse: no ring of this kit has one.',
      )
  })
  kit.ends.forEach((end, i) => {
    const at = `ends.${i}`
    if (end.type === 'inline-pair')
      end.lines.forEach((line, j) => {
        if (!end.cavities.some((cavity) => cavity.number === line.cavity && !cavity.blank))
          say('unknown-cavity', `${at}.lines.${j}.cavity`, `"${end.id}" has no cavity ${line.cavity} for a wire.`)
      })
    if (end.type === 'plug')
      for (const socket of new Set([end.into, ...end.enters]))
        if (!sockets.has(socket)) say('unknown-socket', `${at}.into`, `"${socket}" is no socket of this kit.`)
    if (end.type === 'flying-lead' && end.cut) {
      const { cut } = end
      const partner = kit.ends.find((other) => other.id === cut.partner)
      if (partner?.type !== 'flying-lead' || partner.cut?.partner !== end.id || partner.cut.half === cut.half)
        say(
          'cut-partner',
          `${at}.cut.partner`,
          `"${end.id}" takes one half of a cut wire; "${cut.partner}" must be a lead that takes the other half and names it.`,
        )
    }
  })
  kit.naming?.forEach((rule, i) => {
    for (const id of rule.ends)
      if (!endIds.has(id)) say('unknown-end', `naming.${i}.ends`, `"${id}" is no end of this kit.`)
  })
  return problems
}

function twice(ids: readonly string[]): { id: string; index: number }[] {
  const seen = new Set<string>()
  return ids.flatMap((id, index) => {
    if (seen.has(id)) return [{ id, index }]
    seen.add(id)
    return []
  })
}
