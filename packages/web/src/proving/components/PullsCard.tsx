import { comparePulls, readPullCsv, workOutPull, type PullAsked, type PullTime } from '@tidy-badger/core/proving'
import { readFigure } from '@tidy-badger/core/shared'
import { Suspense, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { Button } from '../../ui/Button.tsx'
import { later } from '../../ui/comesLater.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

const PullChart = later(async () => (await import('./PullChart.tsx')).default)

const roadFields = [
  ['massKg', 'Mass with people, kg', 'kg'],
  ['dragAreaM2', 'Drag area, m²', 'm²'],
  ['rolling', 'Rolling, of the weight', ''],
  ['slope', 'Slope, %', '%'],
] as const
const timeWords: Record<PullTime, string> = { before: 'On stock', after: 'With the kit' }

/** Pulls on stock and with the kit, and what they show of a claim. */
export function PullsCard() {
  const { state } = useJob()
  const [before, after] = (['before', 'after'] as const).map((when) => state.pulls.filter((pull) => pull.when === when))
  return (
    <div className="flex flex-col gap-5">
      <p>
        Same road, same gear, same fuel, warm; the first pull of each is for warming. Stock, level, stock where it can
        be, three of each; oil and intake within 5 K.{' '}
        {before?.length === 0 && 'Without a pull on stock no gain can be claimed.'}
      </p>
      <List pulls={[...(before ?? []), ...(after ?? [])]} />
      <NewPull />
      {before && after && before.length > 0 && after.length > 0 && <Compared />}
    </div>
  )
}

function List({ pulls }: { pulls: ReturnType<typeof useJob>['state']['pulls'] }) {
  const { undo } = useJob()
  return (
    <ul className="flex flex-col gap-2" aria-label="Pulls">
      {pulls.map((pull) => (
        <li key={pull.entry} className="flex flex-wrap items-center gap-3 border-b-2 border-line-soft pb-2">
          <span className="min-w-0 flex-1">
            <b>{timeWords[pull.when]}</b>, {pull.name}:{' '}
            <span className="figures">
              {pull.peakPower.kw.toFixed(1)} kW at {Math.round(pull.peakPower.rpm)}, {Math.round(pull.peakTorque.nm)}{' '}
              N·m at {Math.round(pull.peakTorque.rpm)} 1/min
            </span>
            {pull.warnings.map((text) => (
              <span key={text} className="block text-small text-quiet">
                {text}
              </span>
            ))}
          </span>
          <Button look="quiet" onClick={() => void undo(pull.entry)}>
            Take it back
          </Button>
        </li>
      ))}
    </ul>
  )
}

function NewPull() {
  const { job, dossiers, write } = useJob()
  const [text, setText] = useState('')
  const [name, setName] = useState('')
  const { typed: road, put } = useKeptFields(`job/${job.id}/pull-road`)
  const read = text.trim() === '' ? null : readPullCsv(text)
  const figure = (field: string, unit: string) => readFigure(road[field] ?? '', unit)
  const [massKg, dragAreaM2, rolling] = [figure('massKg', 'kg'), figure('dragAreaM2', 'm²'), figure('rolling', '')]
  const asked: PullAsked | null = read?.ok
    ? {
        rows: read.value,
        fuel: /diesel/i.test(dossiers.machine.engine.fuel) ? 'diesel' : 'petrol',
        ...(massKg === null || dragAreaM2 === null || rolling === null
          ? {}
          : { road: { massKg, dragAreaM2, rolling, slope: (figure('slope', '%') ?? 0) / 100 } }),
      }
    : null
  const worked = asked && workOutPull(asked)
  const problem =
    read && !read.ok
      ? (read.problems[0]?.message ?? '')
      : worked && !worked.ok
        ? (worked.problems[0]?.message ?? '')
        : null
  const keep = async (when: PullTime) => {
    if (!worked?.ok) return
    const called = name.trim() === '' ? 'pasted' : name.trim()
    if (!(await write({ kind: 'pull-made', when, name: called, ...worked.value }))) return
    setText('')
    setName('')
  }
  return (
    <section aria-label="A pull" className="flex flex-col gap-3 border-t-2 border-line-soft pt-3">
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex min-w-0 flex-1 flex-col gap-1 font-semibold">
          What it is called
          <input
            className="font-normal"
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <FileButton
          accept=".csv,.txt"
          label="File of a pull"
          onFiles={([file]) => {
            setName(file.name)
            void file.text().then(setText)
          }}
        >
          From a file
        </FileButton>
      </div>
      <label className="flex flex-col gap-1 font-semibold">
        Its lines: time, engine speed, and power, torque or road speed, with a line of names
        <textarea
          rows={5}
          className="figures font-normal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
          On the road: what it weighs and what holds it back
        </summary>
        <div className="grid gap-3 sm:grid-cols-2">
          {roadFields.map(([field, label, unit]) => (
            <NumberField
              key={field}
              label={label}
              unit={unit}
              className="w-full"
              text={road[field] ?? ''}
              onText={(typed) => put(field, typed)}
            >
              {label}
            </NumberField>
          ))}
        </div>
      </details>
      <ul aria-label="This pull">
        {problem !== null && <VerdictLine ok={false} says={problem} />}
        {worked?.ok && (
          <VerdictLine
            ok={worked.value.warnings.length === 0}
            says={`${worked.value.peakPower.kw.toFixed(1)} kW at ${Math.round(worked.value.peakPower.rpm)} 1/min, ${Math.round(worked.value.peakTorque.nm)} N·m at ${Math.round(worked.value.peakTorque.rpm)}.`}
            {...(worked.value.warnings.length > 0 ? { change: worked.value.warnings.join(' ') } : {})}
          />
        )}
      </ul>
      <div className="flex gap-3">
        {(['before', 'after'] as const).map((when) => (
          <Button key={when} disabled={!worked?.ok} onClick={() => void keep(when)}>
            {timeWords[when]}
          </Button>
        ))}
      </div>
    </section>
  )
}

function Compared() {
  const { state, write } = useJob()
  const [claim, setClaim] = useState('')
  const claimed = state.claimed?.powerKw
  const of = (when: PullTime) => state.pulls.filter((pull) => pull.when === when)
  const compared = comparePulls(
    of('before'),
    of('after'),
    claimed === undefined ? undefined : { powerKw: claimed, at: state.claimed?.at ?? 'wheel' },
  )
  const figure = readFigure(claim, 'kW')
  if (!compared.ok) return <p className="font-semibold text-stop">{compared.problems[0]?.message ?? ''}</p>
  const { gainPowerKw, gainTorqueNm, spreadPowerKw, shown, claim: verdict, reasons, curve } = compared.value
  return (
    <section aria-label="Before and after" className="flex flex-col gap-3 border-t-2 border-line-soft pt-3">
      <p className="text-title font-bold">
        {gainPowerKw >= 0 ? '+' : '−'}
        {Math.abs(gainPowerKw).toFixed(1)} kW {spreadPowerKw === null ? '' : `± ${spreadPowerKw.toFixed(1)}`},{' '}
        {gainTorqueNm >= 0 ? '+' : '−'}
        {Math.abs(gainTorqueNm).toFixed(0)} N·m: {shown ? 'shown' : 'not shown'}
      </p>
      {verdict !== null && (
        <p className="text-lead font-semibold">
          The claim of {claimed} kW: {verdict}.
        </p>
      )}
      {reasons.map((text) => (
        <p key={text}>{text}</p>
      ))}
      <Suspense fallback={<div className="min-h-[240px]" />}>
        <PullChart curve={curve} />
      </Suspense>
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (figure !== null)
            void write({ kind: 'gain-claimed', powerKw: figure, of: 'wheel' }).then((sent) => sent && setClaim(''))
        }}
      >
        <NumberField label="What is claimed, kW more" unit="kW" className="w-32" text={claim} onText={setClaim}>
          What is claimed, kW more
        </NumberField>
        <Button type="submit" disabled={figure === null}>
          Judge it
        </Button>
      </form>
    </section>
  )
}
