import { kitNamed, membersOf, type KitMember } from '@tidy-badger/core/dossiers'
import {
  abortRules,
  beforeTurbine,
  coolDownLeft,
  derateC,
  laddersByUse,
  levelName,
  levelUses,
  runFromLog,
  thresholds,
  usualLimits,
  type LevelLimit,
  type LevelUse,
} from '@tidy-badger/core/levels'
import { readFigure } from '@tidy-badger/core/shared'
import { useEffect, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Agreed } from '../../setup/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'
import { LevelMap } from './LevelMap.tsx'

const units: Record<string, string> = { exhaust: '°C', coolant: '°C', rail: 'MPa', boost: 'kPa' }
const unitOf = (quantity: string) => units[quantity] ?? ''
/** Loaded runs from stock up, one level at a time: what each read, and which level they allow. */
export function LadderCard() {
  const { dossiers } = useJob()
  const members = membersOf(dossiers.kit).filter(({ kit }) => kit.levels)
  return (
    <div className="flex flex-col gap-8">
      {members.map((member) => (
        <OfKit key={member.key} member={member} />
      ))}
    </div>
  )
}

function OfKit({ member }: { member: KitMember }) {
  const { dossiers, state } = useJob()
  const levels = member.kit.levels ?? []
  const limits = usualLimits(dossiers.machine)
  const runs = state.levelRuns[member.key] ?? []
  const ladders = laddersByUse(levels.length, limits, runs)
  const [chosenUse, setUse] = useState<LevelUse | null>(null)
  const use = chosenUse ?? runs.at(-1)?.use ?? 'unladen'
  const ladder = ladders.find((one) => one.use === use)
  const { highestAllowed, next, because } = ladder ?? { highestAllowed: null, next: 0, because: [] }
  const own = runs.filter((run) => (run.use ?? 'unladen') === use)
  const [chosen, setChosen] = useState<number | null>(null)
  const level = chosen ?? next ?? own.at(-1)?.level ?? 0
  return (
    <section aria-label={`Ladder of the ${member.kit.model}`} className="flex flex-col gap-4">
      <h3 className="text-title font-bold">{member.kit.model}</h3>
      <label className="flex w-fit items-center gap-2 font-semibold">
        For
        <select
          className="font-normal"
          value={use}
          onChange={({ target }) => setUse(levelUses.find((one) => one === target.value) ?? 'unladen')}
        >
          {levelUses.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </label>
      <p className="text-lead font-semibold">
        {highestAllowed === null
          ? 'Nothing is allowed yet: stock comes first.'
          : `Allowed so far: ${levelName(highestAllowed)}.`}{' '}
        {next === null
          ? because.length > 0
            ? 'A run missed: no higher level.'
            : 'All levels are run.'
          : `Next: ${levelName(next)}.`}
      </p>
      {ladders.length > 1 && (
        <ul aria-label="By use" className="flex flex-wrap gap-x-6">
          {ladders.map((one) => (
            <li key={one.use}>
              {one.use}: <b>{one.highestAllowed === null ? 'none yet' : levelName(one.highestAllowed)}</b>
            </li>
          ))}
        </ul>
      )}
      <div className="border-l-[5px] border-stop pl-3">
        <p className="font-semibold">Off the throttle at once: {abortRules.join('; ')}.</p>
        <p>
          Steady under load until the exhaust rises less than 1 K/s, a minute at least. Somebody else reads, or a
          logger, never the driver; no road over the limit; cruise control off, no regeneration running. A probe behind
          the turbine reads 100 to 200 K lower.
        </p>
      </div>
      <MendFirst />
      <CoolDown last={runs.at(-1)?.at} />
      <ul className="flex flex-col gap-1.5" aria-label="Runs">
        {own.map((run) => {
          const missed = because.filter((one) => one.level === run.level)
          const counts = own.findLast((one) => one.level === run.level) === run
          const read = Object.entries(run.readings)
            .map(([quantity, one]) => `${quantity} ${typeof one === 'number' ? one : one.value} ${unitOf(quantity)}`)
            .join(', ')
          return (
            <VerdictLine
              key={run.entry}
              ok={!counts || missed.length === 0}
              says={`${levelName(run.level)}: ${read}${run.altitudeM === undefined ? '' : `, at ${run.altitudeM} m`}${counts ? '' : ' (run again since)'}`}
              {...(counts && missed.length > 0 ? { change: missed.map(({ says }) => says).join(' ') } : {})}
            />
          )
        })}
      </ul>
      <RunForm member={member} limits={limits} use={use} level={level} onLevel={setChosen} />
      <Agreed member={member} />
      <Alarms />
      <LevelMap member={member} level={level} />
    </section>
  )
}

/** What is not in order is mended before any loaded run. */
function MendFirst() {
  const { state } = useJob()
  const wrong = Object.entries(state.health).flatMap(([what, { ok, says }]) => (ok ? [] : [`${what}: ${says}`]))
  if (wrong.length === 0) return null
  return <p className="border-l-[5px] border-lamp pl-3 font-semibold">Mend it first, then climb: {wrong.join('; ')}.</p>
}

/** Where alarms are set, under each limit. */
function Alarms() {
  const { dossiers } = useJob()
  return (
    <details className="border-t-2 border-line-soft pt-2">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
        Where to set alarms
      </summary>
      <ul className="flex flex-col gap-1">
        {thresholds(dossiers.machine).map(({ quantity, unit, warnAt, limit, why }) => (
          <li key={quantity}>
            <b>
              {quantity} {warnAt} {unit}
            </b>{' '}
            (limit {limit}): {why}.
          </li>
        ))}
        <li>
          Coolant: a level is taken back from {derateC.from} °C, and it is stock again at {derateC.stock} °C.
        </li>
        <li>Speed: no alarm and no cap above what the law allows there.</li>
      </ul>
    </details>
  )
}

/** Between runs the turbine cools; the clock says how long still. */
function CoolDown({ last }: { last: string | undefined }) {
  const [now, setNow] = useState(() => Date.now())
  const left = coolDownLeft(last === undefined ? undefined : Date.parse(last), now)
  useEffect(() => {
    if (left === 0) return
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [left])
  if (left === 0) return null
  return (
    <p role="timer" className="figures text-lead font-semibold">
      Cools for {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')} before the next run.
    </p>
  )
}

const behind = 'behind the turbine'

/** The readings of one run: typed, or out of a log. */
function RunForm({
  member,
  limits,
  use,
  level,
  onLevel,
}: {
  member: KitMember
  limits: readonly LevelLimit[]
  use: LevelUse
  level: number
  onLevel: (level: number | null) => void
}) {
  const { job, write } = useJob()
  const { typed, put, putAll, clear } = useKeptFields(`job/${job.id}/run/${member.key}`)
  const [says, setSays] = useState('')
  const probeBehind = typed.probe === behind
  const readings = Object.fromEntries(
    limits.flatMap(({ quantity, forSeconds, at }) => {
      const figure = readFigure(typed[quantity] ?? '', unitOf(quantity))
      const seconds = readFigure(typed[`${quantity}/s`] ?? '', 's')
      if (figure === null) return []
      const value = quantity === 'exhaust' && probeBehind ? beforeTurbine(figure).hottestC : figure
      const held = forSeconds !== undefined && seconds !== null ? { seconds } : {}
      return [[quantity, { value, ...held, ...(at ? { at } : {}) }] as const]
    }),
  )
  const fromLog = async (file: File) => {
    const made = runFromLog(await file.text(), limits)
    if (!made.ok) return setSays(made.problems[0]?.message ?? '')
    setSays(`Steady from ${Math.round(made.value.fromS)} to ${Math.round(made.value.toS)} s of it.`)
    putAll(
      Object.fromEntries(
        Object.entries(made.value.readings).flatMap(([quantity, { value, seconds }]) => [
          [quantity, String(value)],
          ...(seconds === undefined ? [] : [[`${quantity}/s`, String(seconds)]]),
        ]),
      ),
    )
  }
  const altitudeM = readFigure(typed.height ?? '', 'm')
  const send = async () => {
    const height = altitudeM === null ? {} : { altitudeM }
    if (!(await write({ kind: 'level-run', level, readings, use, ...height, ...kitNamed(member) }))) return
    clear()
    setSays('')
    onLevel(null)
  }
  return (
    <form
      className="flex flex-col gap-3 border-t-2 border-line-soft pt-3"
      onSubmit={(event) => {
        event.preventDefault()
        void send()
      }}
    >
      <div className="flex flex-wrap items-end gap-4">
        <label className="flex w-fit flex-col gap-1 font-semibold">
          Run on
          <select className="font-normal" value={level} onChange={(event) => onLevel(Number(event.target.value))}>
            {[0, ...(member.kit.levels ?? []).map((one) => one.level)].map((one) => (
              <option key={one} value={one}>
                {levelName(one)}
              </option>
            ))}
          </select>
        </label>
        <label className="flex w-fit flex-col gap-1 font-semibold">
          Exhaust probe
          <select
            className="font-normal"
            value={typed.probe ?? ''}
            onChange={({ target }) => put('probe', target.value)}
          >
            <option value="">before the turbine</option>
            <option>{behind}</option>
          </select>
        </label>
        <NumberField
          label="Height, m"
          unit="m"
          className="w-24"
          text={typed.height ?? ''}
          onText={(text) => put('height', text)}
        >
          Height, m
        </NumberField>
        <FileButton accept=".csv,.txt" label="Log of the run" onFiles={([file]) => void fromLog(file)}>
          Out of a log
        </FileButton>
      </div>
      {says !== '' && <p className="font-semibold">{says}</p>}
      {probeBehind && readings.exhaust !== undefined && (
        <p>
          Behind the turbine {typed.exhaust} °C: before it at most {readings.exhaust.value} °C, and that is judged.
        </p>
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        {limits.map((limit) => (
          <span key={limit.quantity} className="contents">
            <NumberField
              label={labelOf(limit)}
              unit={unitOf(limit.quantity)}
              className="w-full"
              text={typed[limit.quantity] ?? ''}
              onText={(text) => put(limit.quantity, text)}
            >
              {labelOf(limit)}
            </NumberField>
            {limit.forSeconds !== undefined && (
              <NumberField
                label={`Held for, s (${limit.forSeconds} wanted)`}
                unit="s"
                className="w-full"
                text={typed[`${limit.quantity}/s`] ?? ''}
                onText={(text) => put(`${limit.quantity}/s`, text)}
              >
                Held for, s ({limit.forSeconds} wanted)
              </NumberField>
            )}
          </span>
        ))}
      </div>
      <Button type="submit" look="main" className="self-start" disabled={Object.keys(readings).length === 0}>
        Write the run down
      </Button>
    </form>
  )
}

const labelOf = ({ quantity, max, at }: LevelLimit) =>
  `${quantity.charAt(0).toUpperCase()}${quantity.slice(1)}${at ? ` ${at}` : ''}, ${unitOf(quantity)}${max === undefined ? '' : ` (at most ${max})`}`
