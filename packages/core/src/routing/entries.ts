import { type DossierPair, endName, type PlaceId, type Station } from '../dossiers/index.ts'
import { defineDecision, defineEntry, doneBy, known, type Slot, slotOf } from '../journal/index.ts'
import { sameValue, type Problem } from '../shared/index.ts'
import { trunkPart } from './runBundles.ts'
import { placesFor } from './loomEnds.ts'
import { type RouteState } from './state.ts'
import type { routeForms } from './forms.ts'

const entry = defineEntry<DossierPair, RouteState, Station, typeof routeForms>()
const decision = defineDecision<DossierPair, RouteState, Station, typeof routeForms>()

const passageName = ({ machine }: DossierPair, id: string) =>
  machine.passages?.find((passage) => passage.id === id)?.name ?? id
const placeName = ({ machine }: DossierPair, id: string) => machine.places?.find((place) => place.id === id)?.name ?? id
const passageRefs = ({ machine }: DossierPair, id: string, path: string): Problem[] =>
  known(machine.passages ?? [], id, path, `passage of the ${machine.model}`)

/** Where a branch, or the trunk, really lies: the passages in order. */
export const routed = entry({
  kind: 'routed',
  replaces: true,
  refs: (dossiers, { part, passages: lain }) => [
    ...(part === trunkPart ? [] : known(dossiers.kit.ends, part, 'part', `end of the ${dossiers.kit.model} loom`)),
    ...lain.flatMap((id, i) => passageRefs(dossiers, id, `passages.${i}`)),
  ],
  apply(state, written) {
    const now = state.routes[written.part]?.passages ?? null
    if (!sameValue(now ?? [], written.replaces ?? [])) return 'Somebody else wrote down another way for it meanwhile.'
    state.routes[written.part] = { ...doneBy(written), passages: written.passages }
    return null
  },
  place: () => 'lay-loom',
  words: ({ part, passages: lain }, dossiers) =>
    `${part === trunkPart ? 'Trunk' : endName(dossiers, part)} laid: ${lain.map((id) => passageName(dossiers, id)).join(', ') || 'straight to its place'}`,
})

/** The module is held to its place, or fixed there. */
export const mounted = entry({
  kind: 'mounted',
  refs: ({ machine }, { place }) =>
    known(placesFor(machine, 'module'), place, 'place', `place for a module on the ${machine.model}`),
  apply(state, written) {
    state.mounted = { ...doneBy(written), place: written.place, trial: written.trial }
    state.decided.held = { ...doneBy(written), value: written.place }
    return null
  },
  place: ({ trial }) => (trial ? 'lay-loom' : 'tie-down'),
  words: ({ trial, place }, dossiers) => `Module ${trial ? 'held to' : 'fixed at'} ${placeName(dossiers, place)}`,
})

export const tied = entry({
  kind: 'tied',
  refs: (dossiers, { passage }) => passageRefs(dossiers, passage, 'passage'),
  apply(state, written) {
    state.ties[written.passage] ??= doneBy(written)
    return null
  },
  place: () => 'tie-down',
  words: ({ passage }, dossiers) => `Tied ${passageName(dossiers, passage)}`,
})

export const mountingChosen = decision({
  kind: 'mounting-practice-chosen',
  at: ({ decided }) => slotOf(decided, 'mounting'),
  about: () => 'Mounting',
})

export const tyingChosen = decision({
  kind: 'tying-practice-chosen',
  at: ({ decided }) => slotOf(decided, 'tying'),
  about: () => 'Tying',
})

export const mountPlaceChosen = decision({
  kind: 'mount-place-chosen',
  at({ decided }) {
    const own: Slot<PlaceId> = slotOf(decided, 'mountPlace')
    return {
      get: own.get,
      put(answer) {
        own.put(answer)
        delete decided.held
      },
    }
  },
  refs: ({ machine }, { value }) =>
    value === null ? [] : known(placesFor(machine, 'module'), value, 'value', `mount place of the ${machine.model}`),
  say: (id, dossiers) => placeName(dossiers, id),
  about: () => 'Place of the module',
})

export const farPlaceChosen = decision({
  kind: 'far-place-chosen',
  at: ({ decided }, { use }) => slotOf(decided.far, use),
  refs: ({ machine }, { use, value }) =>
    value === null ? [] : known(placesFor(machine, use), value, 'value', `place for a ${use} on the ${machine.model}`),
  say: (id, dossiers) => placeName(dossiers, id),
  about: ({ use }) => `Place of the ${use}`,
})

export const routeEntries = [routed, mounted, tied, mountingChosen, tyingChosen, mountPlaceChosen, farPlaceChosen]
