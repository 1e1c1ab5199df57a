import { endName, stepOf, type DossierPair, type Station, type KitEndId } from '../dossiers/index.ts'
import { defineDecision, defineEntry, doneBy, known, slotOf } from '../journal/index.ts'
import type { Problem } from '../shared/index.ts'
import { connectEnd, disconnectEnd } from './connectEnd.ts'
import { targetWords } from './places.ts'
import { differenceKey, type WiringState } from './state.ts'
import type { wiringForms } from './forms.ts'

const entry = defineEntry<DossierPair, WiringState, Station, typeof wiringForms>()
const decision = defineDecision<DossierPair, WiringState, Station, typeof wiringForms>()

const ofLoom = ({ kit }: DossierPair) => `end of the ${kit.model} loom`
const endRefs = (dossiers: DossierPair, { kitEnd }: { kitEnd: KitEndId }): Problem[] =>
  known(dossiers.kit.ends, kitEnd, 'kitEnd', ofLoom(dossiers))

export const reading = entry({
  kind: 'reading',
  apply(state, { quantity, value, unit, step, card, about: at, ...head }) {
    state.readings.push({ ...doneBy(head), quantity, value, unit, step, card, about: at })
    return null
  },
  place: ({ step }, dossiers) => (step === undefined ? undefined : stepOf(dossiers, step)?.station) ?? 'hook-up',
  words: ({ quantity, value, unit }) => `${quantity}: ${value} ${unit}`,
})

export const connected = entry({
  kind: 'connected',
  refs(dossiers, written) {
    const { machine, kit } = dossiers
    const { to } = written
    return [
      ...endRefs(dossiers, written),
      ...('kitEnd' in to ? known([...kit.ends, ...(kit.sockets ?? [])], to.kitEnd, 'to.kitEnd', ofLoom(dossiers)) : []),
      ...('stud' in to ? known(machine.studs, to.stud, 'to.stud', `stud of the ${machine.model}`) : []),
      ...('connector' in to
        ? known(machine.connectors, to.connector, 'to.connector', `plug of the ${machine.model}`)
        : []),
    ]
  },
  apply(state, written, dossiers) {
    connectEnd(state, written, dossiers)
    return null
  },
  place: () => 'hook-up',
  words({ kitEnd, to, method, fuseA }, dossiers) {
    const side = 'side' in to && to.side ? (to.side === 'factory' ? ', factory half' : ', device half') : ''
    return `${endName(dossiers, kitEnd)} → ${targetWords(dossiers.machine, to, dossiers.kit)}${side}${method ? `, ${method}` : ''}${fuseA === undefined ? '' : `, fuse of ${fuseA} A in its lead`}`
  },
})

export const disconnected = entry({
  kind: 'disconnected',
  refs: endRefs,
  apply: disconnectEnd,
  place: () => 'hook-up',
  words: ({ kitEnd, side }, dossiers) => `${endName(dossiers, kitEnd)} taken off${side ? ` (${side} half)` : ''}`,
})

export const tugged = entry({
  kind: 'tugged',
  refs: endRefs,
  apply(state, { kitEnd }) {
    const made = state.connections.filter((connection) => connection.kitEnd === kitEnd)
    if (made.length === 0) return 'Nothing is connected there to tug.'
    for (const connection of made) connection.tugged = true
    return null
  },
  place: () => 'hook-up',
  words: ({ kitEnd }, dossiers) => `${endName(dossiers, kitEnd)} tugged`,
})

/** Something done to the machine that cannot be taken back, with the owner's word. */
export const irreversible = entry({
  kind: 'irreversible',
  apply(state, { act, text, consentBy, about: at, ...head }) {
    state.irreversible.push({ ...doneBy(head), act, text, consentBy, about: at })
    return null
  },
  words: ({ act, text, consentBy }) => `${text} (${act}), agreed by ${consentBy}`,
})

/** What an earlier fitter left behind; stays on the list until dealt with. */
export const found = entry({
  kind: 'found',
  refs({ machine }, { what, plugs = [] }): Problem[] {
    const unknown = plugs.flatMap((plug, i) =>
      known(machine.connectors, plug, `plugs.${i}`, `plug of the ${machine.model}`),
    )
    return what === 'unknown module' || plugs.length === 0
      ? unknown
      : [{ code: 'plugs-of-module', path: 'plugs', message: 'Only an unknown module sits in several plugs.' }]
  },
  apply(state, { what, text, about: at, plugs = [], ...head }) {
    const sits = [...new Set(plugs)].map((connector) => ({ connector }))
    state.found.push({ ...doneBy(head), what, text, about: at, ...(sits.length > 0 ? { plugs: sits } : {}) })
    return null
  },
  words: ({ what, text, plugs = [] }, { machine }) =>
    `Found from earlier work, ${what}: ${text}${plugs.length > 0 ? `; in ${plugs.map((plug) => targetWords(machine, { connector: plug })).join(', ')}` : ''}`,
})

export const dealtWith = entry({
  kind: 'dealt-with',
  apply(state, written) {
    const item = state.found.find((one) => one.entry === written.found)
    if (!item) return 'What it deals with is not on the list.'
    if (written.connector !== undefined) {
      const plug = item.plugs?.find(({ connector }) => connector === written.connector)
      if (!plug) return 'It was not found in that plug.'
      plug.out ??= doneBy(written)
      if (item.plugs?.some(({ out }) => !out)) return null
    }
    item.dealt ??= { ...doneBy(written), how: written.how }
    return null
  },
  words: ({ how, connector }, { machine }) =>
    `Earlier work dealt with${connector === undefined ? '' : ` at ${targetWords(machine, { connector })}`}: ${how}`,
})

export const differenceAccepted = entry({
  kind: 'difference-accepted',
  refs: endRefs,
  apply(state, written) {
    const made = state.connections.find((connection) => connection.kitEnd === written.kitEnd)
    if (!made) return 'Nothing is connected there.'
    state.accepted[differenceKey(written.kitEnd, made.to)] = { ...doneBy(written), reason: written.reason }
    return null
  },
  words: ({ kitEnd, reason }, dossiers) => `${endName(dossiers, kitEnd)} stays where it is: ${reason}`,
})

export const joiningChosen = decision({
  kind: 'joining-practice-chosen',
  at: ({ decided }) => slotOf(decided, 'joining'),
  about: () => 'Joining',
})

/** The place of an end, fixed by hand: a plug, a cavity, a stud, or capped. */
export const placeChosen = decision({
  kind: 'place-chosen',
  at: ({ decided }, { kitEnd }) => slotOf(decided.places, kitEnd),
  refs(dossiers, written) {
    const { machine } = dossiers
    const to = written.value
    return [
      ...endRefs(dossiers, written),
      ...(to && 'stud' in to ? known(machine.studs, to.stud, 'value', `stud of the ${machine.model}`) : []),
      ...(to && 'connector' in to
        ? known(machine.connectors, to.connector, 'value', `plug of the ${machine.model}`)
        : []),
    ]
  },
  say: (to, { machine, kit }) => targetWords(machine, to, kit),
  about: ({ kitEnd }, dossiers) => `Place of ${endName(dossiers, kitEnd)}`,
})

export const wiringEntries = [
  reading,
  connected,
  disconnected,
  tugged,
  irreversible,
  found,
  dealtWith,
  differenceAccepted,
  joiningChosen,
  placeChosen,
]
