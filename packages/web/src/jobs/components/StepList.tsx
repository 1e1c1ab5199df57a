import type { Station, Step } from '@tidy-badger/core/dossiers'
import { gatedStations, stepsOf } from '@tidy-badger/core/jobs'
import { Check } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { Dock, KeyHint, Stage } from '../../ui/Stage.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { useJob } from '../useJob.ts'
import { stationNames } from '../words.ts'
import { SettingsList } from './SettingsList.tsx'
import { StationDoneButton } from './StationDoneButton.tsx'

/** A station made of steps: the one to do is large, its caution beside it. */
export function StepList({ station }: { station: Station }) {
  const { dossiers, state, stops } = useJob()
  const steps = stepsOf(dossiers, station)
  const open = steps.filter((step) => !(step.id in state.stepsDone))
  const [picked, setPicked] = useState<string | null>(null)
  const current = steps.find((step) => step.id === picked) ?? open[0]
  const gated = gatedStations.includes(station) && stops.length > 0
  return (
    <Stage
      picture={
        <>
          <h2 className="mb-3 text-[22px] font-bold">
            {stationNames[station]}{' '}
            <span className="figures text-[16px] font-normal text-quiet">
              {steps.length - open.length} of {steps.length}
            </span>
          </h2>
          <ol className="flex flex-col gap-1.5">
            {steps.map((step) => (
              <StepRow key={step.id} step={step} current={step === current} onPick={() => setPicked(step.id)} />
            ))}
          </ol>
          {station === 'wake' && <SettingsList />}
        </>
      }
      margin={
        <>
          {gated && <StopGate />}
          {current?.caution && (
            <MarginCard tone="lamp" title="Take care">
              {current.caution}
            </MarginCard>
          )}
          {current?.why && (
            <MarginCard tone="data" title="Why">
              {current.why}
            </MarginCard>
          )}
          {dossiers.machine.cautions.map((caution) => (
            <MarginCard key={caution} tone="quiet" title={dossiers.machine.model}>
              {caution}
            </MarginCard>
          ))}
          {(station === 'take-in' || station === 'prove') && (
            <MarginCard tone="quiet" title="What comes first">
              Local law, the maker's data and the kit's own sheet come before anything here. Emission controls stay as
              they are.
            </MarginCard>
          )}
        </>
      }
      dock={
        gated ? (
          <Dock
            title="A stop is open. Mend it first."
            hint="Wiring and notes go on; waking, closing up and handing back wait."
          />
        ) : open.length > 0 && current ? (
          <StepDock key={current.id} step={current} left={open.length} onDone={() => setPicked(null)} />
        ) : (
          <Dock title={`${stationNames[station]} is complete`} actions={<StationDoneButton station={station} />} />
        )
      }
    />
  )
}

/** Open stops, each with its remedy and the way to it. */
export function StopGate() {
  const { stops, job } = useJob()
  return (
    <>
      {stops.map((stop) => (
        <MarginCard key={stop.key} tone="stop" title="Stop" role="alert">
          <p>{stop.reason}</p>
          <p className="mt-1 font-semibold">{stop.remedy}</p>
          <Link
            to={`/job/${job.id}/hook-up`}
            className="mt-1 inline-flex min-h-11 items-center font-semibold underline"
          >
            Go to it
          </Link>
        </MarginCard>
      ))}
    </>
  )
}

function StepRow({ step, current, onPick }: { step: Step; current: boolean; onPick: () => void }) {
  const { state } = useJob()
  const done = state.stepsDone[step.id]
  const reading = state.readings.filter((item) => item.step === step.id).at(-1)
  return (
    <li>
      <button
        type="button"
        onClick={onPick}
        aria-current={current ? 'step' : undefined}
        className={`flex min-h-12 w-full items-start gap-3 rounded-lg border-2 px-3 py-2.5 text-left font-text ${current ? 'border-lamp bg-paper' : 'border-transparent'}`}
      >
        <span
          aria-hidden
          className={`mt-0.5 grid size-6 shrink-0 place-items-center rounded border-2 ${done ? 'border-ink bg-ink text-lamp' : 'border-quiet'}`}
        >
          {done && <Check size={17} strokeWidth={3.5} />}
        </span>
        <span>
          <span className={current ? 'text-[18px] font-semibold' : done ? 'text-quiet' : ''}>{step.text}</span>
          <span className="sr-only">{done ? ', done' : ', open'}</span>
          {reading && (
            <span className="figures ml-2 text-[16px] font-semibold">
              {reading.value} {reading.unit}
            </span>
          )}
          {done?.by && <span className="block text-[14px] text-quiet">{done.by}</span>}
        </span>
      </button>
    </li>
  )
}

function StepDock({ step, left, onDone }: { step: Step; left: number; onDone: () => void }) {
  const { write, state, undo } = useJob()
  const { reading } = step
  const [value, setValue] = useState('')
  const [wrong, setWrong] = useState('')
  const done = state.stepsDone[step.id]
  const number = Number(value.replace(',', '.'))
  const finish = async () => {
    if (done) return void undo(done.entry)
    if (reading && (value.trim() === '' || !Number.isFinite(number))) {
      setWrong(`Type the ${reading.quantity} in ${reading.unit}, a plain number.`)
      return
    }
    const written = await write(
      ...(reading
        ? [{ kind: 'reading' as const, quantity: reading.quantity, value: number, unit: reading.unit, step: step.id }]
        : []),
      { kind: 'step-done', step: step.id },
    )
    if (written) onDone()
  }
  useKeys({ Space: () => void finish() })
  const outside =
    reading &&
    value.trim() !== '' &&
    ((reading.low !== undefined && number < reading.low) || (reading.high !== undefined && number > reading.high))
  return (
    <Dock
      title={step.text}
      hint={`${left} left here`}
      actions={
        <Button look="main" onClick={() => void finish()}>
          {done ? 'Not done' : 'Done'}
          <KeyHint>space</KeyHint>
        </Button>
      }
    >
      {reading && !done && (
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
  )
}
