import type { DossierPair, KitEndId, TapMethod } from '../dossiers/index.ts'
import { doneBy, type EntryHead } from '../journal/index.ts'
import type { ConnectionTarget, PairSide } from './model.ts'
import { sameTarget, targetWords } from './places.ts'
import type { WiringState } from './state.ts'

type Side = PairSide | 'both'

function sideOf(to: ConnectionTarget): Side {
  return ('side' in to && to.side) || 'both'
}

function overlap(a: Side, b: Side): boolean {
  return a === b || a === 'both' || b === 'both'
}

interface Connected extends EntryHead {
  kitEnd: KitEndId
  to: ConnectionTarget
  method?: TapMethod
  fuseA?: number
}

/** A tick made twice is one connection; another place for the same half is a dispute until it is taken off. In place. */
export function connectEnd(state: WiringState, written: Connected, { kit }: DossierPair): void {
  const { kitEnd, to, method } = written
  const side = sideOf(to)
  if (written.fuseA !== undefined) state.fuses[kitEnd] = written.fuseA
  const fuse = kitEnd in state.fuses ? { fuseA: state.fuses[kitEnd] } : {}
  const known = state.connections.find(
    (made) => made.kitEnd === kitEnd && [side, 'both'].includes(sideOf(made.to)) && sameTarget(made.to, to),
  )
  if (known) {
    known.method = method ?? known.method
    Object.assign(known, fuse)
    if ('cavity' in to && 'cavity' in known.to && to.half !== undefined && to.half !== known.to.half) {
      known.to = to
      known.tugged = false
    }
    return
  }
  const end = kit.ends.find((item) => item.id === kitEnd)
  const pair = end?.type === 'inline-pair'
  state.connections = state.connections.filter((made) => {
    if (made.kitEnd !== kitEnd || (pair && !overlap(sideOf(made.to), side))) return true
    if (!sameTarget(made.to, to)) state.disputes.push({ kitEnd, entries: [made.entry, written.id] })
    return false
  })
  const joins = end?.type === 'flying-lead' || end?.type === 'ring'
  state.connections.push({
    entry: written.id,
    kitEnd,
    to,
    method,
    tugged: false,
    ...fuse,
    ...(joins && !('closed' in to) && state.power === 'on' ? { live: true } : {}),
    by: written.by,
    at: written.at,
  })
}

/**
 * Takes an end off, in place. A wire that was pierced, bared or cut stays so: it is on the list until it is sealed.
 * @returns null, or why it does not fit
 */
export function disconnectEnd(
  state: WiringState,
  written: EntryHead & { kitEnd: KitEndId; side?: PairSide },
  { kit, machine }: DossierPair,
): string | null {
  const { kitEnd, side } = written
  const off = state.connections.filter(
    (made) => made.kitEnd === kitEnd && (side === undefined || overlap(sideOf(made.to), side)),
  )
  if (off.length === 0) return 'Nothing was connected there.'
  const end = kit.ends.find((item) => item.id === kitEnd)
  const wounds = end?.type === 'flying-lead' && !end.intoSpare
  for (const { to, method } of off)
    if (wounds && 'cavity' in to)
      state.found.push({
        ...doneBy(written),
        what: 'puncture',
        own: true,
        text: `${end.name} was joined to ${targetWords(machine, to)}${method ? ` by ${method}` : ''} and taken off again`,
        about: { connector: to.connector, cavity: to.cavity },
      })
  state.connections = state.connections.filter((made) => !off.includes(made))
  state.disputes = state.disputes.filter((dispute) => dispute.kitEnd !== kitEnd)
  return null
}
