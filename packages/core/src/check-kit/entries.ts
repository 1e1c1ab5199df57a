import { type DossierPair, type Station } from '../dossiers/index.ts'
import { defineEntry, doneBy, known } from '../journal/index.ts'
import { type CheckKitState } from './state.ts'
import type { checkKitForms } from './forms.ts'

const entry = defineEntry<DossierPair, CheckKitState, Station, typeof checkKitForms>()

export const partChecked = entry({
  kind: 'part-checked',
  refs: ({ kit }, { part, state }) => [
    ...known(kit.parts, part, 'part', `part of the ${kit.model} kit`),
    ...(state === 'from stock' && kit.parts.some((item) => item.id === part && !item.instead)
      ? [
          {
            code: 'no-substitute',
            path: 'state',
            message: `Nothing from the shelf takes the place of "${part}": the job waits for the kit's own.`,
          },
        ]
      : []),
  ],
  apply(state, written) {
    state.parts[written.part] = {
      ...doneBy(written),
      state: written.state,
      ...(written.instead === undefined ? {} : { instead: written.instead }),
    }
    return null
  },
  place: () => 'check-kit',
  words: ({ part, state, instead }, { kit }) =>
    `${kit.parts.find((item) => item.id === part)?.name ?? part}: ${state}${instead ? `, ${instead}` : ''}`,
})

export const toolChecked = entry({
  kind: 'tool-checked',
  apply(state, written) {
    state.tools[written.tool] = { ...doneBy(written), state: written.state }
    return null
  },
  place: () => 'check-kit',
  words: ({ tool, state }) => `Tool ${tool}: ${state}`,
})

export const checkKitEntries = [partChecked, toolChecked]
