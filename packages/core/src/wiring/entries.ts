import { z } from 'zod'
import { endName, stepOf, tapMethods, type DossierPair, type Station, refOf, type KitEndId } from '../dossiers/index.ts'
import {
  defineDecision,
  defineEntry,
  doneBy,
  entryIdField,
  known,
  nameField,
  textField,
  slotOf,
} from '../journal/index.ts'
import type { Problem } from '../shared/index.ts'
import { connectEnd, disconnectEnd } from './connectEnd.ts'
import { joinPractices } from './joinMethods.ts'
import { pairSides } from './model.ts'
import { targetWords } from './places.ts'
import { connectionTargetSchema, placeFields, plannedPlaceSchema } from './schema.ts'
import { differenceKey, earlierWorks, irreversibleActs, type WiringState } from './state.ts'

const entry = defineEntry<DossierPair, WiringState, Station>()
const decision = defineDecision<DossierPair, WiringState, Station>()

const about = z.strictObject(placeFields).optional()

const ofLoom = ({ kit }: DossierPair) => `end of the ${kit.model} loom`
const endRefs = (dossiers: DossierPair, { kitEnd }: { kitEnd: KitEndId }): Problem[] =>
  known(dossiers.kit.ends, kitEnd, 'kitEnd', ofLoom(dossiers))

export const reading = entry({
  kind: 'reading',
  shape: {
    quantity: z.string().min(1).max(200),
    value: z.number(),
    unit: z.string().max(20),
    step: refOf.step.optional(),
    /* the meter card it answers */
    card: z.string().min(1).max(120).optional(),
    about,
  },
  apply(state, { quantity, value, unit, step, card, about: at, ...head }) {
    state.readings.push({ ...doneBy(head), quantity, value, unit, step, card, about: at })
    return null
  },
  place: ({ step }, dossiers) => (step === undefined ? undefined : stepOf(dossiers, step)?.station) ?? 'hook-up',
  words: ({ quantity, value, unit }) => `${quantity}: ${value} ${unit}`,
})

export const connected = entry({
  kind: 'connected',
  shape: {
    kitEnd: refOf.kitEnd,
    to: connectionTargetSchema,
    method: z.enum(tapMethods).optional(),
    /* fuse put into the lead, A, where it is another than the kit's */
    fuseA: z.number().positive().max(500).optional(),
  },
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
  shape: { kitEnd: refOf.kitEnd, side: z.enum(pairSides).optional() },
  refs: endRefs,
  apply: disconnectEnd,
  place: () => 'hook-up',
  words: ({ kitEnd, side }, dossiers) => `${endName(dossiers, kitEnd)} taken off${side ? ` (${side} half)` : ''}`,
})

export const tugged = entry({
  kind: 'tugged',
  shape: { kitEnd: refOf.kitEnd },
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
  shape: { act: z.enum(irreversibleActs), text: textField, consentBy: nameField, about },
  apply(state, { act, text, consentBy, about: at, ...head }) {
    state.irreversible.push({ ...doneBy(head), act, text, consentBy, about: at })
    return null
  },
  words: ({ act, text, consentBy }) => `${text} (${act}), agreed by ${consentBy}`,
})

/** What an earlier fitter left behind; stays on the list until dealt with. */
export const found = entry({
  kind: 'found',
  shape: { what: z.enum(earlierWorks), text: textField, about },
  apply(state, { what, text, about: at, ...head }) {
    state.found.push({ ...doneBy(head), what, text, about: at })
    return null
  },
  words: ({ what, text }) => `Found from earlier work, ${what}: ${text}`,
})

export const dealtWith = entry({
  kind: 'dealt-with',
  shape: { found: entryIdField, how: textField },
  apply(state, written) {
    const item = state.found.find((one) => one.entry === written.found)
    if (!item) return 'What it deals with is not on the list.'
    item.dealt = { ...doneBy(written), how: written.how }
    return null
  },
  words: ({ how }) => `Earlier work dealt with: ${how}`,
})

export const differenceAccepted = entry({
  kind: 'difference-accepted',
  shape: { kitEnd: refOf.kitEnd, reason: textField },
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
  of: {},
  value: z.enum(joinPractices),
  at: ({ decided }) => slotOf(decided, 'joining'),
  about: () => 'Joining',
})

/** The place of an end, fixed by hand: a plug, a cavity, a stud, or capped. */
export const placeChosen = decision({
  kind: 'place-chosen',
  of: { kitEnd: refOf.kitEnd },
  value: plannedPlaceSchema,
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
