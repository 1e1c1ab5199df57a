import { readFigure } from '@tidy-badger/core/shared'
import { fastenerWords, inSentence, type Station, stationNames } from '@tidy-badger/core/dossiers'
import {
  entriesOfWork,
  openWait,
  reasonAsked,
  reasonIsGiven,
  stepAsks,
  wordsOf,
  type EntryBody,
  type WorkItem,
} from '@tidy-badger/core/jobs'
import { Suspense, useState } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { StationDoneButton, useJob } from '../../jobs/index.ts'
import { useKeptText } from '../../platform/keptTexts.ts'
import { NumberField } from '../../ui/NumberField.tsx'
import { Button } from '../../ui/Button.tsx'
import { Dock, KeyHint } from '../../ui/Stage.tsx'
import { useFindKey } from '../../finds/index.ts'
import { useKeys } from '../../ui/useKeys.ts'
import { askOf, askTitle, askWord } from '../askOf.ts'

const FromInstrument = later(async () => (await import('../../instruments/index.ts')).FromInstrument)
const AskSheet = later(async () => (await import('./AskSheet.tsx')).AskSheet)
const NotLikeThis = later(async () => (await import('./NotLikeThis.tsx')).NotLikeThis)

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
  return items.length === 0 ? (
    <Dock
      title={`Nothing to tick here: ${stationNames[station].toLowerCase()} is complete`}
      hint="This machine and kit ask for nothing at this station."
      actions={<StationDoneButton station={station} />}
    />
  ) : (
    <Dock title={`${stationNames[station]} is complete`} actions={<StationDoneButton station={station} />} />
  )
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
  const { write, dossiers, state, undo, job } = useJob()
  const step = item.kind === 'step' ? item.step : undefined
  const reading = step?.reading
  const [value, setValue] = useState('')
  const [wrote, setWrote] = useKeptText(`job/${job.id}/wrote/${item.id}`)
  const [without, setWithout] = useKeptText(`job/${job.id}/without/${item.id}`)
  const [declining, setDeclining] = useState(false)
  const [sure, setSure] = useState(false)
  const [wrong, setWrong] = useState('')
  const [deviating, setDeviating] = useState(false)
  const [asking, setAsking] = useState(false)
  const asked = item.done || declining ? null : askOf(item)
  const number = readFigure(value, reading?.unit)
  const outside =
    reading !== undefined &&
    number !== null &&
    ((reading.low !== undefined && number < reading.low) || (reading.high !== undefined && number > reading.high))
  const words = {
    ...(wrote.trim() === '' ? {} : { wrote: wrote.trim() }),
    ...(declining && without.trim() !== '' ? { without: without.trim() } : {}),
  }
  /** What still has to be given before the tick; null when it may be made. */
  const missing = (): string | null => {
    if (declining) return reasonIsGiven(words.without) ? null : reasonAsked
    if (reading && number === null) return `Type the ${reading.quantity} in ${reading.unit}, a plain number.`
    if (step?.asks && !reading) {
      const asks = stepAsks(state, step, words)
      if (asks) return asks
    }
    if (outside && !sure) {
      setSure(true)
      return `${value} ${reading.unit} is outside what is usual. Read it again; once more writes it down as a finding.`
    }
    const [tick] = entriesOfWork(item, dossiers, state).slice(-1)
    return tick === undefined ? null : openWait(dossiers, state, { ...tick, id: 'now', at: new Date().toISOString() })
  }
  const finish = async () => {
    if (item.done) {
      if (await undo(item.done.entry)) onDone()
      return
    }
    if (asked !== null) {
      setAsking(true)
      return
    }
    const why = missing()
    setWrong(why ?? '')
    if (why !== null) return
    const bodies: EntryBody[] =
      reading && step && !declining && number !== null
        ? [{ kind: 'reading', quantity: reading.quantity, value: number, unit: reading.unit, step: step.id }]
        : []
    if (!(await write(...bodies, ...entriesOfWork(item, dossiers, state, words)))) return
    setWrote('')
    setWithout('')
    onDone()
  }
  useKeys({ Space: () => void finish(), n: () => setDeviating(true) })
  useFindKey({ item })
  const asksWords = step?.asks && !item.done && stepAsks(state, { ...step, reading: undefined }) !== null
  return (
    <>
      <Dock
        title={
          <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
            {(station === 'open-up' || station === 'lay-loom' || station === 'set-up') && (
              <span
                className={`rounded-md border-2 px-2 text-body ${state.power === 'on' ? 'border-lamp text-lamp' : 'border-dock-ink'}`}
              >
                battery {state.power === 'on' ? 'on' : 'off'}
              </span>
            )}
            {(asked && askTitle(asked)) ?? wordsOf(item)}
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
              {item.done ? 'Not done' : asked === null ? doneWord(item) : askWord(asked)}
              <KeyHint>space</KeyHint>
            </Button>
          </>
        }
      >
        {!item.done &&
          (reading || asksWords || wrong !== '' || asked !== null) &&
          (item.kind === 'step' || asked === null) && (
            <div className="mt-2 flex flex-wrap items-center gap-3">
              {reading && !declining && asked === null && (
                <div className="flex flex-wrap items-center gap-3">
                  <span className="text-dock-quiet">
                    expected {rangeWords(reading)} {reading.unit}
                  </span>
                  <NumberField
                    label={reading.quantity}
                    unit={reading.unit}
                    className="w-32 text-title"
                    text={value}
                    onText={(text) => {
                      setValue(text)
                      setSure(false)
                    }}
                    onEnter={() => void finish()}
                  />
                  <Suspense fallback={null}>
                    <FromInstrument
                      asked={reading}
                      look="dock"
                      onTake={(figure) => {
                        setValue(String(figure))
                        setSure(false)
                      }}
                    />
                  </Suspense>
                </div>
              )}
              {asksWords && !declining && asked === null && (
                <label className="flex min-w-0 flex-1 flex-wrap items-center gap-3">
                  <span className="text-dock-quiet">{step.asks?.words}</span>
                  <input
                    className="min-w-48 flex-1"
                    value={wrote}
                    onChange={(event) => setWrote(event.target.value)}
                    onKeyDown={(event) => event.key === 'Enter' && void finish()}
                  />
                </label>
              )}
              {declining && (
                <label className="flex min-w-0 flex-1 flex-wrap items-center gap-3">
                  <span className="text-dock-quiet">Why it goes without</span>
                  <input
                    className="min-w-48 flex-1"
                    value={without}
                    onChange={(event) => setWithout(event.target.value)}
                    onKeyDown={(event) => event.key === 'Enter' && void finish()}
                  />
                </label>
              )}
              <Button look="dock" aria-pressed={declining} onClick={() => setDeclining(!declining)}>
                {declining ? 'Give it after all' : 'Go on without'}
              </Button>
              {wrong && (
                <span role="alert" className="font-semibold text-lamp">
                  {wrong}
                </span>
              )}
            </div>
          )}
      </Dock>
      <Suspense fallback={null}>
        {(asking || asked !== null) && (
          <AskSheet
            item={item}
            open={asking}
            onClose={() => setAsking(false)}
            onDone={() => {
              setAsking(false)
              onDone()
            }}
          />
        )}
        <NotLikeThis item={item} station={station} open={deviating} onClose={() => setDeviating(false)} />
      </Suspense>
    </>
  )
}

function rangeWords({ low, high }: { low?: number; high?: number }): string {
  if (low === undefined) return high === undefined ? '' : `at most ${high}`
  return high === undefined ? `at least ${low}` : `${low}–${high}`
}

function doneWord(item: WorkItem): string {
  if (item.kind === 'cover-off') return 'Off'
  if (item.kind === 'cover-on') return 'Back on'
  return 'Done'
}

function hintOf(item: WorkItem): string | null {
  if (item.kind === 'step' || item.kind === 'own') return null
  const cover = item.kind === 'cover-off' ? item.removal.cover : item.closing.cover
  const parts = [
    ...(cover.helper ? ['two people'] : []),
    ...cover.fasteners.map(fastenerWords),
    ...(cover.stuffed ? [`${item.kind === 'cover-on' ? 'first out' : 'put in'}: ${cover.stuffed}`] : []),
    ...(item.kind === 'cover-on' && cover.saves.length > 0 ? [`back with it: ${cover.saves.join(', ')}`] : []),
    ...(item.kind === 'cover-off' && item.removal.reaches.length > 0
      ? [
          `gives way to ${item.removal.reaches.length > 2 ? `${item.removal.reaches.length} places` : item.removal.reaches.map(inSentence).join(' and ')}`,
        ]
      : []),
  ]
  return parts.length > 0 ? parts.join(' · ') : null
}
