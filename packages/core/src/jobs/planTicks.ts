import { inSentence, type KitEnd, type TapMethod } from '../dossiers/index.ts'
import { checkWiring, sameTarget, targetWords, type ConnectionTarget, type Match } from '../wiring/index.ts'
import type { EntryBody, JobDossiers, JobState } from './model.ts'

/** One thing to do with one end, and the entry it makes. */
export interface Tick {
  id: string
  label: string
  done: boolean
  makes: EntryBody
}

/**
 * The ticks that connect one end as planned, in order: a mating is two and a lock-and-tug, a joint or a ring one and a
 * tug, a closure one. What is connected wrongly is taken off first; another place that does no harm may stay.
 */
export function planTicks(dossiers: JobDossiers, state: JobState, end: KitEnd, match: Match | undefined): Tick[] {
  const { machine } = dossiers
  const made = state.connections.filter((connection) => connection.kitEnd === end.id)
  const planned = match?.target ?? { closed: 'cap' as const }
  const wrong = made.filter(({ to }) => !sameTarget(to, planned))
  const target = wrong.length === 1 && made.length === 1 && mayStay(dossiers, state, end) ? wrong[0].to : planned
  if (wrong.length > 0 && target === planned)
    return [
      {
        id: 'take-off',
        label: takeOffWords(dossiers, end, wrong[0].to),
        done: false,
        makes: { kind: 'disconnected', kitEnd: end.id },
      },
    ]
  const at = (wanted: ConnectionTarget, side?: 'factory' | 'device') =>
    made.some(
      ({ to }) =>
        sameTarget(to, wanted) && (side === undefined || !('side' in to) || to.side === undefined || to.side === side),
    )
  if ('closed' in target) {
    const label = target.closed === 'cap' ? 'Cap on, lead tied back' : 'Terminator in until it clicks'
    return [{ id: 'close', label, done: at(target), makes: { kind: 'connected', kitEnd: end.id, to: target } }]
  }
  const tug: Tick = {
    id: 'tug',
    label: end.type === 'inline-pair' ? 'Locks closed, both tugged' : 'Tugged: it does not move',
    done: made.length > 0 && made.every((connection) => connection.tugged) && at(target),
    makes: { kind: 'tugged', kitEnd: end.id },
  }
  if (end.type === 'inline-pair' && 'connector' in target && !('cavity' in target)) {
    const device = machine.connectors.find((connector) => connector.id === target.connector)?.device ?? 'device'
    const half = (side: 'factory' | 'device', label: string): Tick => ({
      id: side,
      label,
      done: at(target, side),
      makes: { kind: 'connected', kitEnd: end.id, to: { connector: target.connector, side } },
    })
    return [
      half('factory', `Factory plug into loom end ${end.tag}`),
      half('device', `Loom end ${end.tag} onto the ${device}`),
      tug,
    ]
  }
  const method = end.type === 'flying-lead' ? suggestedMethod(dossiers, target) : undefined
  const label =
    end.type === 'ring'
      ? `Ring under the nut: ${inSentence(targetWords(machine, target))}`
      : `Lead ${end.tag} joined${method ? `, ${method}` : ''}`
  return [
    { id: 'join', label, done: at(target), makes: { kind: 'connected', kitEnd: end.id, to: target, method } },
    tug,
  ]
}

function takeOffWords({ machine, kit }: JobDossiers, end: KitEnd, to: ConnectionTarget): string {
  return 'kitEnd' in to && to.kitEnd === end.id
    ? 'Part its two halves from each other'
    : `Take it off: it is at ${inSentence(targetWords(machine, to, kit.ends))}`
}

/** A place other than the planned one may stay when nothing speaks against it. */
function mayStay({ machine, kit }: JobDossiers, state: JobState, end: KitEnd): boolean {
  return !checkWiring(machine, kit, state.connections).some(
    (finding) => finding.at.kitEnd === end.id && finding.severity === 'stop',
  )
}

/** The first way of joining that suits the wire's size and the place's conditions. */
function suggestedMethod({ machine, kit }: JobDossiers, target: ConnectionTarget): TapMethod | undefined {
  if (!('connector' in target) || !('cavity' in target)) return undefined
  const connector = machine.connectors.find((item) => item.id === target.connector)
  const zone = machine.zones.find((item) => item.id === connector?.zone)
  const wire = machine.wires.find((item) =>
    [item.from, item.to].some(
      (place) => 'connector' in place && place.connector === target.connector && place.cavity === target.cavity,
    ),
  )
  return kit.taps.find(
    (tap) =>
      wire !== undefined &&
      wire.areaMm2 >= tap.lowMm2 &&
      wire.areaMm2 <= tap.highMm2 &&
      !tap.barred.some((condition) => zone?.conditions.includes(condition)),
  )?.method
}
