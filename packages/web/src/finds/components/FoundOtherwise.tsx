import { findForm, findTexts, withFind } from '@tidy-badger/core/dossier-writing'
import { isUnsure, knownOf, knownText } from '@tidy-badger/core/dossiers'
import { findFieldName, type Find } from '@tidy-badger/core/finds'
import { thingsOfEnd, thingsOfWork, type FindThing } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { notice } from '../../ui/notices.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import type { InHand } from '../inHand.ts'
import { closeFinding } from '../store.ts'

/** The things in hand as the dossier has them; what is changed is written down as found, and goes into the dossier's draft. */
export function FoundOtherwise({ of, open }: { of: InHand; open: boolean }) {
  const { dossiers } = useJob()
  const things =
    'item' in of ? thingsOfWork(dossiers.machine, of.item) : thingsOfEnd(dossiers.machine, of.end, of.match)
  const [at, setAt] = useState(0)
  const thing = things[at] ?? things[0]
  return (
    <Sheet
      open={open}
      onClose={closeFinding}
      title="Otherwise than the dossier says"
      hint={`What you correct goes into the draft of the ${dossiers.machine.model}, as measured here.`}
    >
      <div className="flex flex-col gap-4">
        {things.length > 1 && (
          <label className="flex flex-col gap-1 font-semibold">
            What it is about
            <select value={at} onChange={(event) => setAt(Number(event.target.value))}>
              {things.map(({ thing: id, of, name }, i) => (
                <option key={`${of} ${id}`} value={i}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        )}
        {things.length === 0 && (
          <p>Nothing in the machine’s dossier is about this. Pick a cover, or an end of the loom.</p>
        )}
        {thing && <ThingForm key={`${thing.of} ${thing.thing}`} {...thing} />}
      </div>
    </Sheet>
  )
}

function ThingForm({ of, thing, name }: FindThing) {
  const { dossiers, state, write } = useJob()
  const { machine } = dossiers
  const found = state.finds.filter((find) => find.of === of && find.thing === thing)
  const told = findTexts(machine, of, thing) ?? {}
  // What was found before is what stands there now.
  const now: Record<string, string> = { ...told, ...Object.fromEntries(found.map(({ field, is }) => [field, is])) }
  const shown = (field: string) => typed[field] ?? now[field] ?? ''
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [wrong, setWrong] = useState<string | null>(null)
  const form = findForm(of)
  const known = knownOf(machine, of, thing)
  const changed = form.filter(({ name: field }) => shown(field).trim() !== (now[field] ?? '').trim())
  const keep = async () => {
    const finds = changed.map(({ name: field }): Find => ({
      of,
      thing,
      field,
      was: now[field] ?? '',
      is: shown(field).trim(),
    }))
    if (finds.length === 0) return
    const unread = finds
      .map((find) => withFind(machine, null, find))
      .flatMap((made) => (made.ok ? [] : made.problems.map(({ message }) => message)))
    setWrong(unread.length > 0 ? unread.join(' ') : null)
    if (unread.length > 0) return
    if (!(await write(...finds.map((find) => ({ kind: 'found-otherwise' as const, ...find }))))) return
    setTyped({})
    notice.good(`${name}: it goes into the draft of the ${machine.model}.`)
    closeFinding()
  }
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        void keep()
      }}
    >
      {known && <p className={isUnsure(known) ? 'font-semibold' : 'text-quiet'}>In the dossier: {knownText(known)}.</p>}
      {form.map(({ name: field, label }) => (
        <label key={field} className="flex flex-col gap-1 font-semibold">
          {label}
          <input
            className="font-normal"
            value={typed[field] ?? now[field]}
            autoComplete="off"
            onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
          />
          {now[field] !== told[field] && (
            <span className="font-normal text-quiet">The dossier says: {told[field] || 'nothing'}</span>
          )}
        </label>
      ))}
      {wrong && (
        <p role="alert" className="border-l-[5px] border-stop pl-3 font-semibold text-stop">
          {wrong}
        </p>
      )}
      <Button type="submit" look="main" className="sticky bottom-0" disabled={changed.length === 0}>
        {changed.length > 1 ? `Put ${changed.length} finds into the dossier` : 'Put it into the dossier'}
      </Button>
      {found.length > 0 && (
        <p className="text-quiet">
          Found on this job:{' '}
          {found.map(({ field, by }) => `${findFieldName(of, field)}${by ? ` (${by})` : ''}`).join(', ')}.
        </p>
      )}
    </form>
  )
}
