import { type DossierPair, type Station } from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import type { Problem } from '../shared/index.ts'
import type { SetupState } from './state.ts'
import type { setupForms } from './forms.ts'

/** One setting of the unit, with the value it takes the place of. */
export const setting = defineEntry<DossierPair, SetupState, Station, typeof setupForms>()({
  kind: 'setting',
  replaces: true,
  refs({ kit }, { setting: id, value: text }): Problem[] {
    const found = kit.settings.find((item) => item.id === id)
    if (!found) return known([], id, 'setting', `setting of the ${kit.model}`)
    const say = (message: string): Problem[] => [{ code: 'out-of-range', path: 'value', message }]
    if (found.choices)
      return found.choices.includes(text) ? [] : say(`${found.name} may be: ${found.choices.join(', ')}.`)
    const value = Number(text)
    if (!Number.isFinite(value)) return say(`${found.name} must be a number in ${found.unit}.`)
    if (found.low !== undefined && value < found.low)
      return say(`${found.name} is at least ${found.low} ${found.unit}.`)
    if (found.high !== undefined && value > found.high)
      return say(`${found.name} is at most ${found.high} ${found.unit}.`)
    return []
  },
  apply(state, written) {
    const now = state.settings[written.setting]?.value ?? null
    if (now !== written.replaces)
      return `It was ${written.replaces ?? 'not set'} when this was chosen, and is ${now ?? 'not set'} now.`
    state.settings[written.setting] = { ...doneBy(written), value: written.value }
    return null
  },
  words: ({ setting: id, value }, { kit }) =>
    `${kit.settings.find((item) => item.id === id)?.name ?? id} set to ${value}`,
})

export const setupEntries = [setting]
