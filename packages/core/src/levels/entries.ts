import { memberNamed, membersOf, type DossierPair, type Kit, type KitMember, type Station } from '../dossiers/index.ts'
import { defineEntry, doneBy } from '../journal/index.ts'
import type { levelForms } from './forms.ts'
import type { LevelState } from './state.ts'

const entry = defineEntry<DossierPair, LevelState, Station, typeof levelForms>()

/** The kit whose levels are meant: the only one that has any, where none is named. */
function withLevels(kit: Kit, named: string | undefined): KitMember | null {
  const found = named === undefined ? membersOf(kit).find((one) => one.kit.levels) : memberNamed(kit, named)
  return found?.kit.levels ? found : null
}

/** A loaded run at a level. */
export const levelRun = entry({
  kind: 'level-run',
  refs({ kit }, { kit: named, level }) {
    const member = withLevels(kit, named)
    if (!member)
      return [{ code: 'no-such-need', path: 'kit', message: `${named ?? `The ${kit.model}`} has no levels.` }]
    const most = member.kit.levels?.length ?? 0
    return level <= most
      ? []
      : [
          {
            code: 'no-such-level',
            path: 'level',
            message: `The ${member.kit.model} has stock and ${most} levels: ${level} is none of them.`,
          },
        ]
  },
  apply(state, { level, readings, kit: named, ...head }, { kit }) {
    const member = withLevels(kit, named)
    if (!member) return 'No kit here has levels.'
    state.levelRuns[member.key] = [...(state.levelRuns[member.key] ?? []), { ...doneBy(head), level, readings }]
    return null
  },
  place: () => 'trim',
  words: ({ level, readings }) =>
    `Loaded run ${level === 0 ? 'on stock' : `at level ${level}`}: ${Object.entries(readings)
      .map(([quantity, { value }]) => `${quantity} ${value}`)
      .join(', ')}`,
})

export const levelEntries = [levelRun]
