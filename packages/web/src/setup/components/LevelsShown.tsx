import { kitNamed, type KitMember } from '@tidy-badger/core/dossiers'
import { levelPlaces, type LevelPlace } from '@tidy-badger/core/setup'
import { useJob } from '../../jobs/index.ts'

const placeWords: Record<LevelPlace, string> = {
  module: 'At the module',
  dash: 'At the dash',
  link: 'In the phone link',
}

/** The level as module, dash and phone link show it: they agree, or something is not joined. */
export function LevelsShown({ member, choices }: { member: KitMember; choices: readonly string[] }) {
  const { state, write } = useJob()
  const seen = state.levelSeen[member.key] ?? {}
  const levels = new Set(levelPlaces.flatMap((where) => seen[where]?.level ?? []))
  return (
    <div className="mt-2">
      <div className="grid gap-2 sm:grid-cols-3">
        {levelPlaces.map((where) => (
          <label key={where} className="flex flex-col gap-1 font-semibold">
            {placeWords[where]}
            <select
              className="font-normal"
              value={seen[where]?.level ?? ''}
              onChange={(event) =>
                void write({ kind: 'level-seen', where, level: event.target.value, ...kitNamed(member) })
              }
            >
              <option value="" disabled>
                not looked at
              </option>
              {choices.map((choice) => (
                <option key={choice} value={choice}>
                  {choice}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
      <p role="status" className={levels.size > 1 ? 'font-semibold text-stop' : 'text-quiet'}>
        {levels.size > 1 ? 'They do not show one level.' : levels.size === 1 ? 'All that were looked at agree.' : ''}
      </p>
    </div>
  )
}
