import {
  type DossierPair,
  endName,
  isJoined,
  membersOf,
  memberOf,
  type Kit,
  type LoomPartId,
  type PlaceId,
  type Station,
} from '../dossiers/index.ts'
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

/** The trunk of a loom; of several kits each has its own. */
const isTrunk = (kit: Kit, part: LoomPartId) => memberOf(kit, part)?.id === trunkPart
const trunkName = (kit: Kit, part: LoomPartId) =>
  isJoined(kit) ? `Trunk of the ${memberOf(kit, part)?.member.kit.model ?? ''}` : 'Trunk'

/** Which module is meant: of several kits it has to be said, of one it is that one. */
function moduleRefs({ kit }: DossierPair, key: string | undefined): Problem[] {
  if (!isJoined(kit))
    return key === undefined || key === kit.id
      ? []
      : known([], key, 'kit', `kit of this job, which is the ${kit.model}`)
  const keys = membersOf(kit).map((member) => ({ id: member.key }))
  return key === undefined
    ? [{ code: 'kit-missing', path: 'kit', message: `Say which module: ${keys.map(({ id }) => id).join(' or ')}.` }]
    : known(keys, key, 'kit', 'kit of this job')
}

/** A module by its kit, where there are several. */
const moduleName = ({ kit }: DossierPair, key: string | undefined) =>
  isJoined(kit) ? (membersOf(kit).find((member) => member.key === key)?.kit.module.name ?? 'Module') : 'Module'

/** Where a branch, or the trunk, really lies: the passages in order. */
export const routed = entry({
  kind: 'routed',
  replaces: true,
  refs: (dossiers, { part, passages: lain }) => [
    ...(isTrunk(dossiers.kit, part)
      ? []
      : known(dossiers.kit.ends, part, 'part', `end of the ${dossiers.kit.model} loom`)),
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
    `${isTrunk(dossiers.kit, part) ? trunkName(dossiers.kit, part) : endName(dossiers, part)} laid: ${lain.map((id) => passageName(dossiers, id)).join(', ') || 'straight to its place'}`,
})

/** The module is held to its place, or fixed there. */
export const mounted = entry({
  kind: 'mounted',
  refs: (dossiers, { place, kit }) => [
    ...known(
      placesFor(dossiers.machine, 'module'),
      place,
      'place',
      `place for a module on the ${dossiers.machine.model}`,
    ),
    ...moduleRefs(dossiers, kit),
  ],
  apply(state, written, { kit }) {
    const mounted = { ...doneBy(written), place: written.place, trial: written.trial }
    const held = { ...doneBy(written), value: written.place }
    if (isJoined(kit) && written.kit !== undefined) {
      state.mountedOf[written.kit] = mounted
      state.decided.kits = { ...state.decided.kits, [written.kit]: { ...state.decided.kits?.[written.kit], held } }
    } else {
      state.mounted = mounted
      state.decided.held = held
    }
    return null
  },
  place: ({ trial }) => (trial ? 'lay-loom' : 'tie-down'),
  words: ({ trial, place, kit }, dossiers) =>
    `${moduleName(dossiers, kit)} ${trial ? 'held to' : 'fixed at'} ${placeName(dossiers, place)}`,
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
  at({ decided }, { kit }): Slot<PlaceId> {
    if (kit === undefined) {
      const own: Slot<PlaceId> = slotOf(decided, 'mountPlace')
      return {
        get: own.get,
        put(answer) {
          own.put(answer)
          delete decided.held
        },
      }
    }
    return {
      get: () => decided.kits?.[kit]?.mountPlace,
      put(answer) {
        decided.kits = { ...decided.kits, [kit]: answer === undefined ? {} : { mountPlace: answer } }
      },
    }
  },
  refs: (dossiers, { value, kit }) => [
    ...(value === null
      ? []
      : known(placesFor(dossiers.machine, 'module'), value, 'value', `mount place of the ${dossiers.machine.model}`)),
    ...(isJoined(dossiers.kit) || kit === undefined
      ? moduleRefs(dossiers, kit)
      : [{ code: 'one-kit', path: 'kit', message: 'This job has one kit: leave out which.' }]),
  ],
  say: (id, dossiers) => placeName(dossiers, id),
  about: ({ kit }, dossiers) => `Place of the ${kit === undefined ? 'module' : moduleName(dossiers, kit)}`,
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
