import type { JobDossiers, JobState } from './state.ts'
import {
  inRow,
  isJoined,
  isPresent,
  machineIndex,
  type ConnectorId,
  type InlinePair,
  type KitEnd,
  type TapMethod,
} from '../dossiers/index.ts'
import { mendingWords, purposeOf, sameWound, woundOf } from '../vehicles/index.ts'
import type { Spoken } from '../shared/index.ts'
import { sayTick, type tickWords } from './words.ts'
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
export interface Tick extends Spoken<keyof typeof tickWords> {
  id: string
  done: boolean
  makes: EntryBody
}

/**
 * The ticks that connect one end as planned, in order: a mating is two and a lock-and-tug, a joint or a ring one and a
 * tug, a closure one. What is connected wrongly is taken off first; another place that does no harm may stay.
 */
export function planTicks(dossiers: JobDossiers, state: JobState, end: KitEnd, match: Match | undefined): Tick[] {
  if (purposeOf(state) === 'stock' && !isPresent(dossiers.kit, end.id)) return stockTicks(dossiers, state, end)
  const { machine, kit } = dossiers
  const made = state.connections.filter((connection) => connection.kitEnd === end.id)
  const planned = match?.target ?? { closed: 'cap' as const }
  const wrong = made.filter(({ to }) => !sameTarget(to, planned) || onOtherHalf(end, to))
  const target = wrong.length === 1 && made.length === 1 && mayStay(dossiers, state, end) ? wrong[0].to : planned
  if (wrong.length > 0 && target === planned)
    return [
      {
        id: 'take-off',
        ...sayTakeOff(dossiers, end, wrong[0].to),
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
    return [
      {
        id: 'close',
        ...sayTick(target.closed, {}),
        done: at(target),
        makes: { kind: 'connected', kitEnd: end.id, to: target },
      },
    ]
  }
  if ('open' in target)
    return [
      {
        id: 'open',
        ...sayTick('open', {}),
        done: at(target),
        makes: { kind: 'connected', kitEnd: end.id, to: target },
      },
    ]
  const tug: Tick = {
    id: 'tug',
    ...sayTick(end.type === 'inline-pair' ? (end.deviceHalf ? 'tug-pair' : 'tug-plug') : 'tug-lead', {}),
    done: made.length > 0 && made.every((connection) => connection.tugged) && at(target),
    makes: { kind: 'tugged', kitEnd: end.id },
  }
  if (end.type === 'inline-pair' && 'connector' in target && !('cavity' in target)) {
    const device = machine.connectors.find((connector) => connector.id === target.connector)?.device ?? 'device'
    const { before, behind } = neighbours(dossiers, state, end, target.connector)
    const half = (side: 'factory' | 'device', spoken: ReturnType<typeof sayTick>): Tick => ({
      id: side,
      ...spoken,
      done: at(target, side),
      makes: { kind: 'connected', kitEnd: end.id, to: { connector: target.connector, side } },
    })
    return [
      half(
        'factory',
        before
          ? sayTick('factory-behind', { tag: end.deviceHalf ? end.tag : null, end: end.name, before: before.name })
          : sayTick('factory', { tag: end.deviceHalf ? end.tag : null, end: end.name }),
      ),
      ...(end.deviceHalf
        ? [
            half(
              'device',
              behind
                ? sayTick('device-before', { tag: end.tag, behind: behind.name })
                : sayTick('device', { tag: end.tag, device }),
            ),
          ]
        : []),
      tug,
    ]
  }
  const advice = end.type === 'flying-lead' ? adviseJoint(machine, kit, end, target, joinPracticeOf(state)) : null
  const method = advice?.method
  const consent = consentTick(dossiers, state, end)
  return [
    ...(consent ? [consent] : []),
    {
      id: 'join',
      ...sayJoin(dossiers, end, target, method),
      done: at(target),
      makes: { kind: 'connected', kitEnd: end.id, to: halfOf(end, target), method },
    },
    tug,
  ]
}

/** Pairs of other kits on the same plug, as built or as planned: the one towards the control unit, and the one towards the device. */
function neighbours(
  dossiers: JobDossiers,
  state: JobState,
  end: InlinePair,
  plug: ConnectorId,
): { before: KitEnd | undefined; behind: KitEnd | undefined } {
  const { kit } = dossiers
  if (!isJoined(kit)) return { before: undefined, behind: undefined }
  const stands = (to: ConnectionTarget | null | undefined) =>
    to !== null && to !== undefined && 'connector' in to && !('cavity' in to) && to.connector === plug
  const plan = connectionPlan(dossiers, state)
  const pairs = kit.ends.flatMap((item) => {
    if (item.type !== 'inline-pair') return []
    const made = state.connections.filter(({ kitEnd }) => kitEnd === item.id)
    const here =
      item.id === end.id ||
      (made.length > 0
        ? made.some(({ to }) => stands(to))
        : stands(plan.find(({ kitEnd }) => kitEnd === item.id)?.target))
    return here ? [{ end: item }] : []
  })
  const row = inRow(pairs)
  const at = row.findIndex((item) => item.end.id === end.id)
  return { before: row[at - 1]?.end, behind: row[at + 1]?.end }
}

/** What takes an end off that was there when the job was opened: off, and where it hurt a wire, that wire made good. */
function stockTicks(dossiers: JobDossiers, state: JobState, end: KitEnd): Tick[] {
  const { machine, kit } = dossiers
  // What was closed, or sits in the kit itself, comes away with the kit.
  const first = state.began.find(({ kitEnd, to }) => kitEnd === end.id && ('connector' in to || 'stud' in to))
  if (!first) return []
  const plug = 'connector' in first.to ? machineIndex(machine).connectors.get(first.to.connector) : undefined
  const at = targetWords(machine, first.to, kit)
  const off: Tick = {
    id: 'off',
    ...(end.type === 'inline-pair' && plug
      ? sayTick('off-pair', { plug: plug.name, device: plug.device })
      : sayTick('off', { tag: end.tag, at })),
    done: !state.connections.some((made) => made.kitEnd === end.id),
    makes: { kind: 'disconnected', kitEnd: end.id },
  }
  const wound = woundOf(kit, first)
  if (!wound || !isLastOfCut(dossiers, state, end)) return [off]
  const { connector, cavity } = wound
  const how = mendingWords(machine, wound)
  const list = wound.kind === 'cut' ? state.joined : state.sealed
  return [
    off,
    {
      id: 'seal',
      ...sayTick('seal', { how }),
      done: list.some((item) => sameWound(item, wound)),
      makes: { kind: wound.kind === 'cut' ? 'cut-joined' : 'puncture-sealed', connector, cavity, how },
    },
  ]
}

/** The two leads of one cut are one wound: it is closed with the second. */
function isLastOfCut({ kit }: JobDossiers, { began }: JobState, end: KitEnd): boolean {
  const partner = end.type === 'flying-lead' ? end.cut?.partner : undefined
  if (partner === undefined || !began.some(({ kitEnd }) => kitEnd === partner)) return true
  const at = (id: string) => kit.ends.findIndex((item) => item.id === id)
  return at(end.id) > at(partner)
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

function sayTakeOff({ machine, kit }: JobDossiers, end: KitEnd, to: ConnectionTarget) {
  return 'kitEnd' in to && to.kitEnd === end.id
    ? sayTick('part-halves', {})
    : sayTick('take-off', { at: targetWords(machine, to, kit) })
}

function sayJoin({ machine, kit }: JobDossiers, end: KitEnd, target: ConnectionTarget, method?: TapMethod) {
  if (end.type === 'ring') return sayTick('ring', { at: targetWords(machine, target) })
  if (end.type === 'flying-lead' && 'kitEnd' in target)
    return sayTick('outlet', { tag: end.tag, at: targetWords(machine, target, kit) })
  if (end.type === 'plug') return sayTick('plug', { end: end.name, at: targetWords(machine, target, kit) })
  if (end.type === 'flying-lead' && end.intoSpare) return sayTick('pin', { tag: end.tag })
  const half = end.type === 'flying-lead' ? (end.cut?.half ?? null) : null
  return sayTick('lead', { tag: end.tag, half, method: method ?? null })
}

/** A wire is cut only with the owner's word, written down first. */
function consentTick(dossiers: JobDossiers, state: JobState, end: KitEnd): Tick | null {
  if (end.type !== 'flying-lead' || end.cut?.half !== 'device') return null
  const { partner } = end.cut
  const { machine, kit } = dossiers
  const target = connectionPlan(dossiers, state).find((match) => match.kitEnd === end.id)?.target
  return {
    id: 'consent',
    ...sayTick('consent', {}),
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
