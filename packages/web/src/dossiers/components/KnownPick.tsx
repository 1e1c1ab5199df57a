import { withKnown, withRestKnown } from '@tidy-badger/core/dossier-writing'
import { knownHows, knownOf, knownText, knownWords, type KnownHow, type KnownList } from '@tidy-badger/core/dossiers'
import { usePreferences } from '../../platform/preferences.ts'
import { changeDocument, useDraft } from '../draftStore.ts'

const mark = () => {
  const { person } = usePreferences.getState()
  return { on: new Date().toISOString().slice(0, 10), ...(person ? { who: person } : {}) }
}

function Hows({
  label,
  value,
  none,
  says,
  onPick,
}: {
  label: string
  value: KnownHow | ''
  none: string
  says?: string
  onPick: (how: KnownHow | null) => void
}) {
  return (
    <select
      aria-label={label}
      {...(says === undefined ? {} : { title: says })}
      className={value === 'guess' || value === 'wrong' ? '!border-lamp' : ''}
      value={value}
      onChange={(event) => onPick(knownHows.find((how) => how === event.target.value) ?? null)}
    >
      <option value="">{none}</option>
      {knownHows.map((how) => (
        <option key={how} value={how}>
          {knownWords[how]}
        </option>
      ))}
    </select>
  )
}

/** How a thing of the document that is written is known, by whom and since when. */
export function KnownPick({ of, id, name }: { of: KnownList; id: string; name: string }) {
  const known = useDraft(({ document }) => (document ? knownOf(document, of, id) : undefined))
  return (
    <Hows
      label={`How ${name} is known`}
      value={known?.how ?? ''}
      none="–"
      {...(known ? { says: knownText(known) } : {})}
      onPick={(how) => changeDocument((before) => withKnown(before, of, id, how, mark()))}
    />
  )
}

/** How several things are known together, as the wires of a plug: what was said of them one by one is said anew. */
export function KnownOfAll({ of, ids, label }: { of: KnownList; ids: readonly string[]; label: string }) {
  const document = useDraft((state) => state.document)
  const hows = new Set(ids.map((id) => (document ? knownOf(document, of, id)?.how : undefined)))
  const [one] = hows
  return (
    <Hows
      label={label}
      value={hows.size === 1 ? (one ?? '') : ''}
      none={hows.size > 1 ? 'this and that' : '–'}
      onPick={(how) => changeDocument((before) => ids.reduce((now, id) => withKnown(now, of, id, how, mark()), before))}
    />
  )
}

/** Says of everything in a list that nobody spoke of how it is known. */
export function RestKnown({ of, one }: { of: KnownList; one: string }) {
  return (
    <Hows
      label={`How every other ${one} is known`}
      value=""
      none="the others…"
      onPick={(how) => how && changeDocument((before) => withRestKnown(before, of, how, mark()))}
    />
  )
}
