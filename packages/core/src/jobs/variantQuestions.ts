import { replay } from './jobJournal.ts'
import type { JobDossiers } from './state.ts'
import { composeVariant, type Kit, type Machine } from '../dossiers/index.ts'
import { connectionPlan, targetWords, type Match } from '../wiring/index.ts'
import { accessOf } from './jobAccess.ts'

/** A year or market of a machine, and what it changes for this kit. */
export interface VariantQuestion {
  id: string
  name: string
  /** How it is known on the machine. */
  tells: string
  /** One sentence each; empty: the job is the same. */
  changes: string[]
}

/** For every variant of a machine what would be done otherwise with this kit. Only those that change something need asking. */
export function variantQuestions(machine: Machine, kit: Kit): VariantQuestion[] {
  const base: JobDossiers = { machine, kit }
  return machine.variants.map(({ id, name, tells }): VariantQuestion => {
    const composed = composeVariant(machine, id)
    return { id, name, tells, changes: composed.ok ? changes(base, { machine: composed.value, kit }) : [] }
  })
}

function changes(base: JobDossiers, other: JobDossiers): string[] {
  const fresh = replay(other, [])
  const before = new Map(connectionPlan(base).map((match) => [match.kitEnd, match]))
  const ends = connectionPlan(other).flatMap((match) => {
    const was = before.get(match.kitEnd)
    if (!was || placeOf(base, was) === placeOf(other, match)) return []
    const name = other.kit.ends.find((end) => end.id === match.kitEnd)?.name ?? match.kitEnd
    return [`${name}: ${placeOf(other, match)} instead of ${placeOf(base, was)}.`]
  })
  const off = (dossiers: JobDossiers) => accessOf(dossiers, fresh)?.removals.map(({ cover }) => cover.name) ?? []
  const [had, has] = [off(base), off(other)]
  const more = has.filter((name) => !had.includes(name))
  const less = had.filter((name) => !has.includes(name))
  const plugs = new Set(
    connectionPlan(other).flatMap(({ target }) => (target && 'connector' in target ? [target.connector] : [])),
  )
  const otherPlugs = other.machine.connectors.filter((connector) => {
    const was = base.machine.connectors.find((item) => item.id === connector.id)
    return plugs.has(connector.id) && was !== undefined && JSON.stringify(was) !== JSON.stringify(connector)
  })
  return [
    ...ends,
    ...otherPlugs.map((connector) => `${connector.name} is another plug.`),
    ...(more.length > 0 ? [`Comes off as well: ${more.join(', ')}.`] : []),
    ...(less.length > 0 ? [`Stays on: ${less.join(', ')}.`] : []),
  ]
}

function placeOf({ machine, kit }: JobDossiers, { target }: Match): string {
  return target === null ? 'capped' : targetWords(machine, target, kit)
}
