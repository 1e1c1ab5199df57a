import { kitNamed, membersOf, type KitMember } from '@tidy-badger/core/dossiers'
import { abortRules, judgeLadder, levelName, usualLimits, type LevelLimit } from '@tidy-badger/core/levels'
import { readFigure } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { Button } from '../../ui/Button.tsx'
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
  const { dossiers, state, job, write } = useJob()
  const levels = member.kit.levels ?? []
  const limits = usualLimits(dossiers.machine)
  const runs = state.levelRuns[member.key] ?? []
  const { highestAllowed, next, because } = judgeLadder(levels.length, limits, runs)
  const [chosen, setChosen] = useState<number | null>(null)
  const level = chosen ?? next ?? runs.at(-1)?.level ?? 0
  const { typed, put, clear } = useKeptFields(`job/${job.id}/run/${member.key}`)
  const readings = Object.fromEntries(
    limits.flatMap(({ quantity, forSeconds, at }) => {
      const value = readFigure(typed[quantity] ?? '', unitOf(quantity))
      const seconds = readFigure(typed[`${quantity}/s`] ?? '', 's')
      return value === null
        ? []
        : [
            [
              quantity,
              { value, ...(forSeconds !== undefined && seconds !== null ? { seconds } : {}), ...(at ? { at } : {}) },
            ] as const,
          ]
    }),
  )
  const send = async () => {
    if (!(await write({ kind: 'level-run', level, readings, ...kitNamed(member) }))) return
    clear()
    setChosen(null)
  }
  return (
    <section aria-label={`Ladder of the ${member.kit.model}`} className="flex flex-col gap-4">
      <h3 className="text-title font-bold">{member.kit.model}</h3>
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
      <div className="border-l-[5px] border-stop pl-3">
        <p className="font-semibold">Off the throttle at once: {abortRules.join('; ')}.</p>
        <p>
          Steady under load until the exhaust rises less than 1 K/s, a minute at least. Somebody else reads, never the
          driver; no road over the limit; a probe behind the turbine reads 100 to 200 K lower and does not count here.
        </p>
      </div>
      <ul className="flex flex-col gap-1.5" aria-label="Runs">
        {runs.map((run) => {
          const missed = because.filter((one) => one.level === run.level)
          const counts = runs.findLast((one) => one.level === run.level) === run
          const read = Object.entries(run.readings)
            .map(([quantity, one]) => `${quantity} ${typeof one === 'number' ? one : one.value} ${unitOf(quantity)}`)
            .join(', ')
          return (
            <VerdictLine
              key={run.entry}
              ok={!counts || missed.length === 0}
              says={`${levelName(run.level)}: ${read}${counts ? '' : ' (run again since)'}`}
              {...(counts && missed.length > 0 ? { change: missed.map(({ says }) => says).join(' ') } : {})}
            />
          )
        })}
      </ul>
      <form
        className="flex flex-col gap-3 border-t-2 border-line-soft pt-3"
        onSubmit={(event) => {
          event.preventDefault()
          void send()
        }}
      >
        <label className="flex w-fit flex-col gap-1 font-semibold">
          Run on
          <select className="font-normal" value={level} onChange={(event) => setChosen(Number(event.target.value))}>
            {[0, ...levels.map((one) => one.level)].map((one) => (
              <option key={one} value={one}>
                {levelName(one)}
              </option>
            ))}
          </select>
        </label>
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
      <LevelMap member={member} level={level} />
    </section>
  )
}

const labelOf = ({ quantity, max, at }: LevelLimit) =>
  `${quantity.charAt(0).toUpperCase()}${quantity.slice(1)}${at ? ` ${at}` : ''}, ${unitOf(quantity)}${max === undefined ? '' : ` (at most ${max})`}`
