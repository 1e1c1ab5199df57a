import { type DossierPair, type Kit, type SettingId, type Station } from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import type { Problem } from '../shared/index.ts'
import { changesPedal, isThrottle, levelChoice, pedalLevels } from './kitNeeds.ts'
import { pedalProof } from './pedalProof.ts'
import type { SetupState } from './state.ts'
import type { setupForms } from './forms.ts'
import { hasLevels, levelOf, meant, noSuch, outOfRange } from './meantKit.ts'
import { tyreError } from './tyreError.ts'
import { unitEntries } from './unitEntries.ts'

const entry = defineEntry<DossierPair, SetupState, Station, typeof setupForms>()

/** What a setting may not be: none of its choices, no figure, too low, too high. */
function valueProblems({ kit }: DossierPair, id: SettingId, text: string): Problem[] {
  const found = kit.settings.find((item) => item.id === id)
  if (!found) return known([], id, 'setting', `setting of the ${kit.model}`)
  if (found.choices)
    return found.choices.includes(text) ? [] : outOfRange('value', `${found.name} may be: ${found.choices.join(', ')}.`)
  const value = Number(text)
  if (!Number.isFinite(value)) return outOfRange('value', `${found.name} must be a number in ${found.unit}.`)
  if (found.low !== undefined && value < found.low)
    return outOfRange('value', `${found.name} is at least ${found.low} ${found.unit}.`)
  if (found.high !== undefined && value > found.high)
    return outOfRange('value', `${found.name} is at most ${found.high} ${found.unit}.`)
  return []
}

/** One setting of the unit, with the value it takes the place of. */
export const setting = entry({
  kind: 'setting',
  replaces: true,
  refs: (dossiers, { setting: id, value }) => valueProblems(dossiers, id, value),
  apply(state, written) {
    const now = state.settings[written.setting]?.value ?? null
    if (now !== written.replaces)
      return `It was ${written.replaces ?? 'not set'} when this was chosen, and is ${now ?? 'not set'} now.`
    state.settings[written.setting] = { ...doneBy(written), value: written.value }
    return null
  },
  place: () => 'set-up',
  words: ({ setting: id, value }, { kit }) =>
    `${kit.settings.find((item) => item.id === id)?.name ?? id} set to ${value}`,
})

/** What the unit shows for a setting. */
export const settingRead = entry({
  kind: 'setting-read',
  refs: ({ kit }, { setting: id }) => known(kit.settings, id, 'setting', `setting of the ${kit.model}`),
  apply(state, written) {
    state.readBack[written.setting] = { ...doneBy(written), value: written.value }
    return null
  },
  place: () => 'set-up',
  words: ({ setting: id, value }, { kit }) =>
    `${kit.settings.find((item) => item.id === id)?.name ?? id} reads back ${value}`,
})

const hasThrottle = (kit: Kit) => kit.settings.some(isThrottle)

/** A throttle as captured, one track. */
export const throttleCaptured = entry({
  kind: 'throttle-captured',
  refs({ kit }, { kit: named, shutV, openV, verdict }) {
    if (!meant(kit, named, hasThrottle))
      return noSuch(`${named ?? `The ${kit.model}`} has no throttle that is captured.`)
    return verdict === 'pass' && openV - shutV < leastSpanV
      ? outOfRange('openV', `From ${shutV} to ${openV} V is no way of a throttle: that is a capture that failed.`)
      : []
  },
  apply(state, { track, shutV, openV, verdict, kit: named, ...head }, { kit }) {
    const member = meant(kit, named, hasThrottle)
    if (!member) return 'No kit here captures a throttle.'
    const others = (state.captured[member.key] ?? []).filter((item) => item.track !== track)
    state.captured[member.key] = [...others, { ...doneBy(head), track, shutV, openV, verdict }]
    return null
  },
  place: () => 'set-up',
  words: ({ track, shutV, openV, verdict }) =>
    `Throttle captured, track ${track}: shut ${shutV} V, open ${openV} V, ${verdict === 'pass' ? 'in order' : 'failed'}`,
})

/** A half-voltage track still goes through so much, V. */
const leastSpanV = 1

/** The level the owner is to get, for a use. */
export const levelAgreed = entry({
  kind: 'level-agreed',
  refs({ kit }, { kit: named, level }) {
    const member = meant(kit, named, hasLevels)
    const found = member && levelOf(member.kit)
    if (!member || !found) return noSuch(`${named ?? `The ${kit.model}`} has no levels.`)
    return levelChoice(found, level) === null
      ? outOfRange('level', `${found.name} of the ${member.kit.model} may be: ${(found.choices ?? []).join(', ')}.`)
      : []
  },
  apply(state, { level, use, with: owner, kit: named, ...head }, { kit }) {
    const member = meant(kit, named, hasLevels)
    const found = member && levelOf(member.kit)
    const choice = found ? levelChoice(found, level) : null
    if (!member || choice === null) return 'There is no such level.'
    state.agreed[member.key] = { ...doneBy(head), level: choice, use, with: owner }
    return null
  },
  words: ({ level, use, with: owner }) => `Level ${level === 0 ? 'stock' : level} agreed with ${owner} for ${use}`,
})

/** A pedal module proved at every sensitivity, key on, engine not started. */
export const pedalProved = entry({
  kind: 'pedal-proved',
  refs({ kit }, { kit: named, verdict, points }) {
    const member = meant(kit, named, changesPedal)
    if (!member) return noSuch(`${named ?? `The ${kit.model}`} changes nothing at the pedal.`)
    const levels = pedalLevels(member.kit)
    const strange = points.findIndex(({ level }) => !levels.includes(level))
    if (strange >= 0)
      return outOfRange(`points.${strange}.level`, `The ${member.kit.model} has these curves: ${levels.join(', ')}.`)
    const judged = pedalProof(points, levels)
    return verdict === 'pass' && judged.verdict === 'fail'
      ? [
          {
            code: 'proof-not-borne-out',
            path: 'verdict',
            message: `The points do not say so. ${judged.reasons[0] ?? ''}`.trim(),
          },
        ]
      : []
  },
  apply(state, { verdict, points, kit: named, ...head }, { kit }) {
    const member = meant(kit, named, changesPedal)
    if (!member) return 'No kit here changes the pedal.'
    state.pedal[member.key] = { ...doneBy(head), verdict, points }
    return null
  },
  place: () => 'set-up',
  words: ({ verdict, points }) =>
    verdict === 'pass' ? `Pedal proved at ${points.length} points` : 'Pedal proof failed: it is not driven like this',
})

/** Engine speed as a unit shows it, and as it is. */
export const speedCompared = entry({
  kind: 'speed-compared',
  refs: ({ kit }, { setting: id, trueRpm }) => [
    ...known(kit.settings, id, 'setting', `setting of the ${kit.model}`),
    ...(trueRpm < 1 ? outOfRange('trueRpm', 'The engine has to turn for that.') : []),
  ],
  apply(state, { displayedRpm, trueRpm, currentSetting, setting: id, ...head }) {
    state.compared[id] = { ...doneBy(head), displayedRpm, trueRpm, currentSetting }
    return null
  },
  words: ({ displayedRpm, trueRpm }) => `Engine speed: the unit shows ${displayedRpm}, it is ${trueRpm} 1/min`,
})

/** Heights of the wheels, ground to top. */
export const tyreMeasured = entry({
  kind: 'tyre-measured',
  refs(_dossiers, { standardHeightM, fittedHeightM, standardAxle, fittedAxle }) {
    const error = tyreError({
      ...{ standardHeightM, fittedHeightM },
      ...(standardAxle === undefined ? {} : { standardAxle }),
      ...(fittedAxle === undefined ? {} : { fittedAxle }),
    })
    return error.ok ? [] : [...error.problems]
  },
  apply(state, { standardHeightM, fittedHeightM, standardAxle, fittedAxle, ...head }) {
    state.tyre = {
      ...doneBy(head),
      ...{ standardHeightM, fittedHeightM },
      ...(standardAxle === undefined ? {} : { standardAxle }),
      ...(fittedAxle === undefined ? {} : { fittedAxle }),
    }
    return null
  },
  place: () => 'set-up',
  words: ({ standardHeightM, fittedHeightM }) =>
    `Wheels measured, ground to top: ${fittedHeightM} m, as it came ${standardHeightM} m`,
})

/** Speed at the diagnostic socket against a satellite reading. */
export const speedChecked = entry({
  kind: 'speed-checked',
  apply(state, { socketKmh, satelliteKmh, ...head }) {
    state.roadCheck = { ...doneBy(head), socketKmh, satelliteKmh }
    return null
  },
  words: ({ socketKmh, satelliteKmh }) => `Speed: ${socketKmh} km/h at the socket, ${satelliteKmh} by satellite`,
})

/** A module or control unit that was programmed. */
export const updated = entry({
  kind: 'updated',
  apply(state, { what, before, after, supplyV, ...head }) {
    state.updates.push({ ...doneBy(head), what, before, after, supplyV })
    return null
  },
  place: () => 'set-up',
  words: ({ what, before, after, supplyV }) =>
    `${what}: version ${before} before, ${after} after, ${supplyV} V at the least`,
})

export const setupEntries = [
  setting,
  settingRead,
  throttleCaptured,
  levelAgreed,
  pedalProved,
  speedCompared,
  tyreMeasured,
  speedChecked,
  updated,
  ...unitEntries,
]
