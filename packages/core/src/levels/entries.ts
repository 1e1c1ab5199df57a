import type { DossierPair, Kit, Station } from '../dossiers/index.ts'
import { defineEntry, doneBy } from '../journal/index.ts'
import { meant, noSuch } from '../setup/index.ts'
import type { levelForms } from './forms.ts'
import { noSuchLevel } from './noSuchLevel.ts'
import type { LevelState } from './state.ts'

const entry = defineEntry<DossierPair, LevelState, Station, typeof levelForms>()

const withLevels = (kit: Kit, named: string | undefined) => meant(kit, named, ({ levels }) => levels !== undefined)

/** A loaded run at a level. */
export const levelRun = entry({
  kind: 'level-run',
  refs({ kit }, { kit: named, level }) {
    const member = withLevels(kit, named)
    if (!member) return noSuch(`${named ?? `The ${kit.model}`} has no levels.`)
    return level <= (member.kit.levels?.length ?? 0) ? [] : [noSuchLevel(member.kit, level)]
  },
  apply(state, { level, readings, use, altitudeM, kit: named, ...head }, { kit }) {
    const member = withLevels(kit, named)
    if (!member) return 'No kit here has levels.'
    const run = {
      ...{ ...doneBy(head), level, readings },
      ...(use === undefined ? {} : { use }),
      ...(altitudeM === undefined ? {} : { altitudeM }),
    }
    state.levelRuns[member.key] = [...(state.levelRuns[member.key] ?? []), run]
    return null
  },
  place: () => 'trim',
  words: ({ level, readings, use }) =>
    `Loaded run ${level === 0 ? 'on stock' : `at level ${level}`}${use ? `, ${use}` : ''}: ${Object.entries(readings)
      .map(([quantity, { value }]) => `${quantity} ${value}`)
      .join(', ')}`,
})

export const levelEntries = [levelRun]
