import { fastenerWords, inSentence, type Station } from '@tidy-badger/core/dossiers'
import { entriesOfWork, wordsOf, type EntryBody, type WorkItem } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { StationDoneButton, stationNames, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Dock, KeyHint } from '../../ui/Stage.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { NotLikeThis } from './NotLikeThis.tsx'

/** The one next action of a station, in the largest type. */
export function WorkDock({
  station,
  items,
  current,
  gated,
  onDone,
}: {
  station: Station
  items: readonly WorkItem[]
  current: WorkItem | undefined
  gated: boolean
  onDone: () => void
}) {
  const left = items.filter((item) => !item.done).length
  if (gated)
    return (
      <Dock
        title="A stop is open. Mend it first."
        hint="Wiring and notes go on; waking, closing up and handing back wait."
      />
    )
  if (current && (left > 0 || current.done))
    return <ItemDock key={current.id} station={station} item={current} left={left} onDone={onDone} />
  return <Dock title={`${stationNames[station]} is complete`} actions={<StationDoneButton station={station} />} />
}

function ItemDock({
  station,
  item,
  left,
  onDone,
}: {
  station: Station
  item: WorkItem
  left: number
  onDone: () => void
}) {
  const { write, dossiers, state, undo } = useJob()
  const reading = item.kind === 'step' ? item.step.reading : undefined
  const [value, setValue] = useState('')
  const [wrong, setWrong] = useState('')
  const [deviating, setDeviating] = useState(false)
  const number = Number(value.replace(',', '.'))
  const finish = async () => {
    if (item.done) {
      if (await undo(item.done.entry)) onDone()
      return
    }
    if (reading && (value.trim() === '' || !Number.isFinite(number))) {
      setWrong(`Type the ${reading.quantity} in ${reading.unit}, a plain number.`)
      return
    }
    const bodies: EntryBody[] =
      reading && item.kind === 'step'
        ? [{ kind: 'reading', quantity: reading.quantity, value: number, unit: reading.unit, step: item.step.id }]
        : []
    if (await write(...bodies, ...entriesOfWork(item, dossiers, state))) onDone()
  }
  useKeys({ Space: () => void finish(), n: () => setDeviating(true) })
  const outside =
    reading &&
    value.trim() !== '' &&
    ((reading.low !== undefined && number < reading.low) || (reading.high !== undefined && number > reading.high))
  return (
    <>
      <Dock
        title={
          <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
            {(station === 'open-up' || station === 'lay-loom' || station === 'tie-down') && (
              <span
                className={`rounded-md border-2 px-2 text-[16px] ${state.power === 'on' ? 'border-lamp text-lamp' : 'border-dock-ink'}`}
              >
                battery {state.power === 'on' ? 'still on' : 'off'}
              </span>
            )}
            {wordsOf(item)}
          </span>
        }
        hint={hintOf(item) ?? `${left} left here`}
        actions={
          <>
            <Button look="dock" onClick={() => setDeviating(true)}>
              Not like this
              <KeyHint>N</KeyHint>
            </Button>
            <Button look="main" onClick={() => void finish()}>
              {item.done ? 'Not done' : doneWord(item)}
              <KeyHint>space</KeyHint>
            </Button>
          </>
        }
      >
        {reading && !item.done && (
          <label className="mt-2 flex flex-wrap items-center gap-3">
            <span className="text-dock-quiet">
              expected {reading.low}–{reading.high} {reading.unit}
            </span>
            <input
              inputMode="decimal"
              aria-label={`${reading.quantity}, ${reading.unit}`}
              className="figures w-32 text-[22px]"
              value={value}
              onChange={(event) => setValue(event.target.value)}
              onKeyDown={(event) => event.key === 'Enter' && void finish()}
            />
            {outside && <span className="font-semibold text-lamp">outside what is usual: note why</span>}
            {wrong && <span role="alert">{wrong}</span>}
          </label>
        )}
      </Dock>
      <NotLikeThis item={item} station={station} open={deviating} onClose={() => setDeviating(false)} />
    </>
  )
}

function doneWord(item: WorkItem): string {
  if (item.kind === 'cover-off') return 'Off'
  if (item.kind === 'cover-on') return 'Back on'
  return 'Done'
}

function hintOf(item: WorkItem): string | null {
  if (item.kind === 'step' || item.kind === 'earlier') return null
  const cover = item.kind === 'cover-off' ? item.removal.cover : item.closing.cover
  const parts = [
    ...(cover.helper ? ['two people'] : []),
    ...cover.fasteners.map(fastenerWords),
    ...(item.kind === 'cover-on' && cover.saves.length > 0 ? [`back with it: ${cover.saves.join(', ')}`] : []),
    ...(item.kind === 'cover-off' && item.removal.reaches.length > 0
      ? [
          `gives way to ${item.removal.reaches.length > 2 ? `${item.removal.reaches.length} places` : item.removal.reaches.map(inSentence).join(' and ')}`,
        ]
      : []),
  ]
  return parts.length > 0 ? parts.join(' · ') : null
}
