import { kitNamed, memberOf, membersOf, type StepId } from '@tidy-badger/core/dossiers'
import { levelName } from '@tidy-badger/core/levels'
import { leastKnobRoomMm, selectorClicks } from '@tidy-badger/core/setup'
import type { EntryBody } from '@tidy-badger/core/jobs'
import { readFigure } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

/** A selector turned through, click by click, with what the module shows. @param step the kit's own step that it answers */
export function SelectorCard({ step, onDone }: { step?: StepId; onDone: () => void }) {
  const { dossiers, write } = useJob()
  const [shown, setShown] = useState<Record<number, string>>({})
  const [room, setRoom] = useState('')
  const picks = membersOf(dossiers.kit).find(({ kit }) => kit.settings.some(({ role }) => role === 'positions'))
  const member = (step && memberOf(dossiers.kit, step)?.member) ?? picks
  if (!member) return null
  const positions = selectorClicks(dossiers.kit, member)
  const clicks = positions.flatMap((position) => {
    const text = shown[position] ?? ''
    return text === '' ? [] : [{ position, shown: Number(text) }]
  })
  const clearanceMm = readFigure(room, 'mm')
  const full = clicks.length === positions.length
  const wrong = clicks.filter((click) => click.position !== click.shown)
  const tight = clearanceMm !== null && clearanceMm < leastKnobRoomMm
  const send = async () => {
    const proved: EntryBody = {
      ...{ kind: 'selector-proved', clicks, ...kitNamed(member) },
      ...(clearanceMm === null ? {} : { clearanceMm }),
    }
    const done: EntryBody[] =
      step && wrong.length === 0
        ? [{ kind: 'step-done', step, wrote: `All ${clicks.length} clicks show their level.` }]
        : []
    if (await write(proved, ...done)) onDone()
  }
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (full) void send()
      }}
    >
      <p>Key on, engine off. Turn it one click, wait two seconds, read the module; then the next.</p>
      <div className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
        {positions.map((position) => (
          <span key={position} className="contents">
            <span className="font-semibold">
              Click {position + 1}, {levelName(position)}
            </span>
            <select
              aria-label={`Shown at click ${position + 1}`}
              value={shown[position] ?? ''}
              onChange={(event) => setShown({ ...shown, [position]: event.target.value })}
            >
              <option value="">not read</option>
              {positions.map((level) => (
                <option key={level} value={level}>
                  the module shows {levelName(level)}
                </option>
              ))}
            </select>
          </span>
        ))}
      </div>
      <NumberField label="Room round the knob, mm" unit="mm" className="w-40" text={room} onText={setRoom}>
        Room round the knob, mm
      </NumberField>
      <ul className="flex flex-col gap-1.5" aria-label="The selector">
        {full && (
          <VerdictLine
            ok={wrong.length === 0}
            says={
              wrong.length === 0
                ? 'Every click shows its level.'
                : wrong.map((click) => `Click ${click.position + 1} shows ${levelName(click.shown)}.`).join(' ')
            }
          />
        )}
        {tight && <VerdictLine ok={false} says={`It wants ${leastKnobRoomMm} mm to be turned with a glove.`} />}
      </ul>
      <Button type="submit" look="main" disabled={!full}>
        Write it down
      </Button>
    </form>
  )
}
