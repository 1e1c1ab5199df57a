import {
  joinedId,
  memberNamed,
  membersOf,
  memberOf,
  ownMembers,
  type DossierPair,
  type Kit,
  type Station,
} from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import type { Problem } from '../shared/index.ts'
import { notOurs } from './codes.ts'
import type { wakeForms } from './forms.ts'
import type { WakeState } from './state.ts'

const entry = defineEntry<DossierPair, WakeState, Station, typeof wakeForms>()

/** The kit that is meant: the first of the job's own where none is named. */
function keyOf(kit: Kit, named: string | undefined): string | null {
  const member = named === undefined ? (ownMembers(kit)[0] ?? membersOf(kit)[0]) : memberNamed(kit, named)
  return member?.key ?? null
}

const kitRefs = ({ kit }: DossierPair, { kit: named }: { kit?: string }): Problem[] =>
  keyOf(kit, named) === null
    ? [{ code: 'unknown-reference', path: 'kit', message: `"${named ?? ''}" is no kit of this job.` }]
    : []

/** Whether a kit has a hand on the engine, or only seems to. */
export const authorityTested = entry({
  kind: 'authority-tested',
  refs: kitRefs,
  apply(state, { how, verdict, reason, kit: named, ...head }, { kit }) {
    const key = keyOf(kit, named)
    if (key === null) return 'There is no such kit in this job.'
    state.authority[key] = [...(state.authority[key] ?? []), { ...doneBy(head), how, verdict, reason }]
    return null
  },
  place: ({ how }) => (how === 'level' ? 'trim' : 'wake'),
  words: ({ how, verdict, reason }) =>
    `Proof by ${how}: ${verdict === 'pass' ? 'it has a hand on it' : verdict}. ${reason}`,
})

/** Trouble codes as they were read. */
export const codesRead = entry({
  kind: 'codes-read',
  apply(state, { when, codes, ...head }) {
    state.codes[when] = { ...doneBy(head), codes }
    return null
  },
  place: ({ when }) => (when === 'before' ? 'make-safe' : when === 'after' ? 'wake' : 'hand-back'),
  words: ({ when, codes }) => `Codes ${when}: ${codes.length === 0 ? 'none' : codes.join(', ')}`,
})

/** Codes that were cleared: only those of this job. */
export const codesCleared = entry({
  kind: 'codes-cleared',
  bars(_dossiers, state, { codes }) {
    const strange = notOurs(state, codes)
    return strange.length === 0
      ? null
      : {
          code: 'not-ours',
          message: state.codes.before
            ? `${strange.join(', ')} came with the machine: it is not cleared, the owner is told.`
            : 'Nobody read the codes before the work: what this job caused cannot be told, and nothing is cleared.',
        }
  },
  apply(state, { codes, ...head }) {
    state.cleared.push({ ...doneBy(head), codes })
    return null
  },
  words: ({ codes }) => `Codes of this job cleared: ${codes.join(', ')}`,
})

/** One start of the engine. */
export const started = entry({
  kind: 'started',
  apply(state, { verdict, text, ...head }) {
    state.starts.push({ ...doneBy(head), verdict, text })
    return null
  },
  place: () => 'wake',
  words: ({ verdict, text }) => `Start ${verdict === 'pass' ? 'in order' : 'failed'}${text === '' ? '' : `: ${text}`}`,
})

/** What a lamp said. */
export const lampSeen = entry({
  kind: 'lamp-seen',
  refs(dossiers, written) {
    const { kit } = dossiers
    const wrong = kitRefs(dossiers, written)
    if (wrong.length > 0 || written.pattern === null) return wrong
    const key = keyOf(kit, written.kit) ?? ''
    const ids = (kit.lamps ?? []).map(({ id }) => ({ id: memberOf(kit, id)?.id ?? id }))
    return known(ids, written.pattern, 'pattern', `sign of the lamp of ${key === '' ? `the ${kit.model}` : key}`)
  },
  apply(state, { pattern, means, kit: named, ...head }, { kit }) {
    const key = keyOf(kit, named)
    if (key === null) return 'There is no such kit in this job.'
    state.lamps.push({ ...doneBy(head), kit: key, pattern: pattern === null ? null : joinedId(key, pattern), means })
    return null
  },
  words: ({ means }) => `Lamp: ${means}`,
})

/** Something of the machine's health, looked at. */
export const healthChecked = entry({
  kind: 'health-checked',
  apply(state, { what, ok, says, ...head }) {
    state.health[what] = { ...doneBy(head), ok, says }
    return null
  },
  words: ({ what, ok, says }) => `${what}: ${ok ? 'in order' : 'not in order'}${says === '' ? '' : `, ${says}`}`,
})

export const wakeEntries = [authorityTested, codesRead, codesCleared, started, lampSeen, healthChecked]
