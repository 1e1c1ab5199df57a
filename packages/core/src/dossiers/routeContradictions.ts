import type { Problem } from '../shared/index.ts'
import type { Machine } from './model.ts'

/** What spots and passages say about things the machine does not have, and what they say twice. */
export function routeContradictions(machine: Machine): Problem[] {
  const problems: Problem[] = []
  const say = (code: string, path: string, message: string) => problems.push({ code, path, message })
  const zones = new Set<string>(machine.zones.map((zone) => zone.id))
  const points = new Set<string>([...zones, ...(machine.spots ?? []).map((spot) => spot.id)])
  const lists = {
    connector: new Set<string>(machine.connectors.map((item) => item.id)),
    stud: new Set<string>(machine.studs.map((item) => item.id)),
    place: new Set<string>((machine.places ?? []).map((item) => item.id)),
  }
  const covers = new Set<string>((machine.covers ?? []).map((item) => item.id))
  const served = new Map<string, string>()
  ;(machine.spots ?? []).forEach((spot, i) => {
    if (zones.has(spot.id))
      say('duplicate-id', `spots.${i}.id`, `"${spot.id}" is a zone already. Give the spot a name of its own.`)
    spot.serves.forEach((item, j) => {
      const [kind, id] =
        'connector' in item
          ? (['connector', item.connector] as const)
          : 'stud' in item
            ? (['stud', item.stud] as const)
            : (['place', item.place] as const)
      if (!lists[kind].has(id))
        say('unknown-target', `spots.${i}.serves.${j}`, `Nothing on this machine is called "${id}".`)
      const other = served.get(`${kind}:${id}`)
      if (other !== undefined)
        say(
          'served-twice',
          `spots.${i}.serves.${j}`,
          `"${id}" is reached from "${other}" already. A thing is at one spot; take it out of the other.`,
        )
      served.set(`${kind}:${id}`, spot.id)
    })
  })
  ;(machine.passages ?? []).forEach((passage, i) => {
    for (const side of ['from', 'to'] as const)
      if (!points.has(passage[side]))
        say(
          'unknown-point',
          `passages.${i}.${side}`,
          `"${passage[side]}" is no zone or spot of this machine. A passage leads from one to another.`,
        )
    if (passage.from === passage.to)
      say(
        'passage-to-itself',
        `passages.${i}.to`,
        `${passage.name} leads from "${passage.from}" back to itself. Name the point at its other end.`,
      )
    passage.under?.forEach((id, j) => {
      if (!covers.has(id))
        say(
          'unknown-cover',
          `passages.${i}.under.${j}`,
          `"${id}" is no cover of this machine. Name what lies over the passage "${passage.name}" as the covers are.`,
        )
    })
    if (passage.steering && !machine.steering)
      say(
        'steering-unknown',
        `passages.${i}.steering`,
        `${passage.name} crosses the steering, but how far it turns is not written down. Add "steering" with radius and lock.`,
      )
  })
  return problems
}
