import type { JobDossiers, JobState } from './state.ts'
import { inSentence, type KitEnd, type TapMethod } from '../dossiers/index.ts'
import {
  adviseJoint,
  checkWiring,
  connectionPlan,
  joinPracticeOf,
  sameTarget,
  targetWords,
  type ConnectionTarget,
  type Match,
} from '../wiring/index.ts'
import type { EntryBody } from './model.ts'

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
  const { machine, kit } = dossiers
  const made = state.connections.filter((connection) => connection.kitEnd === end.id)
  const planned = match?.target ?? { closed: 'cap' as const }
  const wrong = made.filter(({ to }) => !sameTarget(to, planned) || onOtherHalf(end, to))
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
  if ('open' in target)
    return [
      {
        id: 'open',
        label: 'Open and clear, looked at',
        done: at(target),
        makes: { kind: 'connected', kitEnd: end.id, to: target },
      },
    ]
  const tug: Tick = {
    id: 'tug',
    label:
      end.type === 'inline-pair'
        ? end.deviceHalf
          ? 'Locks closed, both tugged'
          : 'Lock closed, tugged'
        : 'Tugged: it does not move',
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
      half(
        'factory',
        `Factory plug into ${end.deviceHalf ? 'loom end' : 'the'} ${end.deviceHalf ? end.tag : inSentence(end.name)}`,
      ),
      ...(end.deviceHalf ? [half('device', `Loom end ${end.tag} onto the ${device}`)] : []),
      tug,
    ]
  }
  const advice = end.type === 'flying-lead' ? adviseJoint(machine, kit, end, target, joinPracticeOf(state)) : null
  const method = advice?.method
  const label = joinLabel(dossiers, end, target, method)
  const consent = consentTick(dossiers, state, end)
  return [
    ...(consent ? [consent] : []),
    {
      id: 'join',
      label,
      done: at(target),
      makes: { kind: 'connected', kitEnd: end.id, to: halfOf(end, target), method },
    },
    tug,
  ]
}

function onOtherHalf(end: KitEnd, to: ConnectionTarget): boolean {
  return (
    end.type === 'flying-lead' &&
    end.cut !== undefined &&
    'cavity' in to &&
    to.half !== undefined &&
    to.half !== end.cut.half
  )
}

/** Of a wire that is cut, a lead takes one half, and which is written down. */
function halfOf(end: KitEnd, target: ConnectionTarget): ConnectionTarget {
  return end.type === 'flying-lead' && end.cut && 'cavity' in target ? { ...target, half: end.cut.half } : target
}

function takeOffWords({ machine, kit }: JobDossiers, end: KitEnd, to: ConnectionTarget): string {
  return 'kitEnd' in to && to.kitEnd === end.id
    ? 'Part its two halves from each other'
    : `Take it off: it is at ${inSentence(targetWords(machine, to, kit))}`
}

function joinLabel({ machine, kit }: JobDossiers, end: KitEnd, target: ConnectionTarget, method?: TapMethod): string {
  if (end.type === 'ring') return `Ring under the nut: ${inSentence(targetWords(machine, target))}`
  if (end.type === 'plug') return `${end.name} into ${inSentence(targetWords(machine, target, kit))}`
  if (end.type === 'flying-lead' && end.intoSpare) return `Pin ${end.tag} pushed home, seal in`
  const half =
    end.type === 'flying-lead' && end.cut ? (end.cut.half === 'ecu' ? ' to the ECU half' : ' to the other half') : ''
  return `Lead ${end.tag} joined${half}${method ? `, ${method}` : ''}`
}

/** A wire is cut only with the owner's word, written down first. */
function consentTick(dossiers: JobDossiers, state: JobState, end: KitEnd): Tick | null {
  if (end.type !== 'flying-lead' || end.cut?.half !== 'device') return null
  const { partner } = end.cut
  const { machine, kit } = dossiers
  const target = connectionPlan(dossiers, state).find((match) => match.kitEnd === end.id)?.target
  return {
    id: 'consent',
    label: 'Owner agrees that this wire is cut',
    done: state.irreversible.some(
      (act) => act.act === 'cut' && [end.id, partner].some((id) => id === act.about?.kitEnd),
    ),
    makes: {
      kind: 'irreversible',
      act: 'cut',
      text: `Cut for ${end.name}${target ? `: ${targetWords(machine, target, kit)}` : ''}`,
      consentBy: 'the owner, asked by the fitter',
      about: { kitEnd: end.id },
    },
  }
}

/** A place other than the planned one may stay when nothing speaks against it. */
function mayStay({ machine, kit }: JobDossiers, state: JobState, end: KitEnd): boolean {
  return !checkWiring(machine, kit, state.connections).some(
    (finding) => finding.at.kitEnd === end.id && finding.severity === 'stop',
  )
}
