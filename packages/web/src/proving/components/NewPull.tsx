import { isDiesel } from '@tidy-badger/core/dossiers'
import {
  corrections,
  findPulls,
  isBoosted,
  readPullCsv,
  workOutPull,
  type Correction,
  type PullAsked,
  type PullColumn,
  type PullConditions,
  type PullRow,
  type PullTime,
} from '@tidy-badger/core/proving'
import { columnHeads, readFigure, type Outcome } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { PhotoButton, useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { Button } from '../../ui/Button.tsx'
import { FileButton } from '../../ui/FileButton.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

export const timeWords: Record<PullTime, string> = { before: 'On stock', after: 'With the kit' }

const roadFields = [
  ['massKg', 'Mass with people, kg', 'kg'],
  ['dragAreaM2', 'Drag area, m²', 'm²'],
  ['rolling', 'Rolling, of the weight', ''],
  ['slope', 'Slope, %', '%'],
] as const
const drivenIn = [
  ['intakeC', 'Intake air, °C', '°C'],
  ['oilC', 'Oil, °C', '°C'],
  ['exhaustC', 'Exhaust before it, °C', '°C'],
  ['outsideC', 'Outside, °C', '°C'],
  ['pressureKPa', 'Air pressure, kPa', 'kPa'],
  ['humidityPct', 'Humidity, %', '%'],
  ['windKmh', 'Wind, km/h', 'km/h'],
  ['tyreHeightM', 'Tyre height, m', 'm'],
] as const
type DrivenIn = (typeof drivenIn)[number][0]

/** Rows of what was pasted: of a ride with its throttle the pulls in it, else the whole. */
function pullsOf(
  text: string,
  chosen: Partial<Record<PullColumn, string>>,
): Outcome<{ rows: PullRow[]; says: string }[]> | null {
  if (text.trim() === '') return null
  const read = readPullCsv(text, chosen)
  if (!read.ok) return read
  const given = read.value.some(({ powerKw, torqueNm }) => powerKw !== undefined || torqueNm !== undefined)
  if (given || read.value.every(({ throttlePct }) => throttlePct === undefined))
    return { ok: true, value: [{ rows: read.value, says: '' }] }
  const found = findPulls(read.value)
  return found.ok
    ? {
        ok: true,
        value: found.value.map(({ rows, fromS, toS }) => ({
          rows,
          says: `${fromS.toFixed(1)} to ${toS.toFixed(1)} s`,
        })),
      }
    : found
}

/** One pull: pasted, from a file, or found in a ride's log; worked out at once, written down as driven on stock or with the kit. */
export function NewPull() {
  const { job, dossiers, state, write } = useJob()
  const [text, setText] = useState('')
  const [name, setName] = useState('')
  const [chosen, setChosen] = useState(0)
  const [warmUp, setWarmUp] = useState(false)
  const [elsewhere, setElsewhere] = useState(false)
  const [direction, setDirection] = useState<PullConditions['direction'] | ''>('')
  const [correction, setCorrection] = useState<Correction>('none')
  const [locked, setLocked] = useState<'' | 'yes' | 'no'>('')
  const { typed: kept, put, clear } = useKeptFields(`job/${job.id}/pull-road`)
  // What the last pull was driven in holds for the next until it is typed anew.
  const typed = { ...asTyped(state.pulls.at(-1)?.conditions), ...kept }
  const [columns, setColumns] = useState<Partial<Record<PullColumn, string>>>({})
  const pulls = pullsOf(text, columns)
  const inHand = pulls?.ok ? (pulls.value[chosen] ?? pulls.value[0]) : undefined
  const figure = (field: string, unit: string) => readFigure(typed[field] ?? '', unit)
  const massKg = figure('massKg', 'kg') ?? state.coasted?.massKg
  const dragAreaM2 = figure('dragAreaM2', 'm²') ?? state.coasted?.dragAreaM2
  const rolling = figure('rolling', '') ?? state.coasted?.rolling
  const [pressureKPa, tempC] = [figure('pressureKPa', 'kPa'), figure('outsideC', '°C')]
  const boosted = isBoosted(dossiers.machine)
  const asked: PullAsked | null = inHand
    ? {
        rows: inHand.rows,
        fuel: isDiesel(dossiers.machine.engine) ? 'diesel' : 'petrol',
        aspiration: boosted ? 'boosted' : 'natural',
        ...(pressureKPa === null || tempC === null
          ? {}
          : { air: { pressureKPa, tempC, humidityPct: figure('humidityPct', '%') ?? usualHumidityPct } }),
        ...(correction === 'none' ? {} : { correction }),
        ...(massKg === undefined || dragAreaM2 === undefined || rolling === undefined
          ? {}
          : { road: { massKg, dragAreaM2, rolling, slope: (figure('slope', '%') ?? 0) / 100 } }),
      }
    : null
  const worked = asked && workOutPull(asked)
  const refused = pulls && !pulls.ok ? pulls.problems[0] : worked && !worked.ok ? worked.problems[0] : undefined
  const gear = (typed.gear ?? '').trim()
  const conditions: PullConditions = {
    ...Object.fromEntries(
      drivenIn.flatMap(([field, , unit]) => {
        const value = figure(field, unit)
        return value === null ? [] : [[field, value] satisfies [DrivenIn, number]]
      }),
    ),
    ...(gear === '' ? {} : { gear }),
    ...(asked?.road
      ? { massKg, dragAreaM2, rolling, slope: asked.road.slope ?? 0 }
      : massKg === undefined
        ? {}
        : { massKg }),
    ...(warmUp ? { warmUp } : {}),
    ...(direction ? { direction } : {}),
    ...(locked === '' ? {} : { locked: locked === 'yes' }),
  }
  const keep = async (when: PullTime) => {
    if (!worked?.ok) return
    const called = [name.trim() === '' ? 'pasted' : name.trim(), inHand?.says].filter(Boolean).join(', ')
    const sent = await write({
      ...{ kind: 'pull-made', when, name: called, ...worked.value },
      ...(Object.keys(conditions).length > 0 ? { conditions } : {}),
      ...(elsewhere ? { source: 'elsewhere' } : {}),
    })
    if (!sent) return
    const next = chosen + 1
    if (pulls?.ok && next < pulls.value.length) setChosen(next)
    else {
      setText('')
      setName('')
      setChosen(0)
    }
    setWarmUp(false)
    clear()
  }
  return (
    <section aria-label="A pull" className="flex flex-col gap-3 border-t-2 border-line-soft pt-3">
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex min-w-0 flex-1 flex-col gap-1 font-semibold">
          What it is called
          <input
            className="font-normal"
            value={name}
            maxLength={80}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <PhotoButton shows="work" about={{ station: 'prove' }} label="Photo of the screen" />
        <FileButton
          accept=".csv,.txt"
          label="File of a pull"
          onFiles={([file]) => {
            setName(file.name.slice(0, 80))
            setChosen(0)
            void file.text().then(setText)
          }}
        >
          From a file
        </FileButton>
      </div>
      <label className="flex flex-col gap-1 font-semibold">
        Its lines: time, engine speed, and power, torque or road speed, with a line of names; of a ride the throttle too
        <textarea
          rows={5}
          className="figures font-normal"
          value={text}
          onChange={(event) => {
            setText(event.target.value)
            setChosen(0)
          }}
        />
      </label>
      {text.trim() !== '' && <Columns text={text} chosen={columns} onChosen={setColumns} open={pulls?.ok === false} />}
      {pulls?.ok && pulls.value.length > 1 && (
        <div role="group" aria-label="Pulls found in it" className="flex flex-wrap gap-2">
          {pulls.value.map(({ says }, i) => (
            <Button
              key={says}
              look={i === chosen ? 'main' : 'plain'}
              aria-pressed={i === chosen}
              onClick={() => setChosen(i)}
            >
              {says}
            </Button>
          ))}
        </div>
      )}
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
          On the road: what it weighs and what holds it back
        </summary>
        <div className="grid gap-3 sm:grid-cols-2">
          <Figures
            of={roadFields}
            typed={typed}
            put={put}
            usual={(field) => (field === 'slope' ? '0' : (state.coasted?.[field].toPrecision(4) ?? ''))}
          />
        </div>
      </details>
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
          What it was driven in
        </summary>
        <div className="grid gap-3 sm:grid-cols-2">
          <Figures of={drivenIn} typed={typed} put={put} />
          <label className="flex flex-col gap-1">
            Gear
            <input value={typed.gear ?? ''} maxLength={20} onChange={(event) => put('gear', event.target.value)} />
          </label>
          <label className="flex flex-col gap-1">
            Direction
            <select value={direction} onChange={(event) => setDirection(directionOf(event.target.value))}>
              <option value="">not said</option>
              <option value="there">there</option>
              <option value="back">back</option>
            </select>
          </label>
          <label className="flex flex-col gap-1">
            Corrected for weather
            <select
              value={correction}
              onChange={({ target }) => setCorrection(corrections.find((one) => one === target.value) ?? 'none')}
            >
              {corrections.map((one) => (
                <option key={one} value={one}>
                  {correctionWords[one]}
                </option>
              ))}
            </select>
            {boosted && (
              <span className="text-small text-quiet">None is for a boosted engine: it stays as measured.</span>
            )}
          </label>
          <label className="flex flex-col gap-1">
            Converter locked
            <select
              value={locked}
              onChange={({ target: { value } }) => setLocked(value === 'yes' || value === 'no' ? value : '')}
            >
              <option value="">not said, or none</option>
              <option value="yes">yes</option>
              <option value="no">no</option>
            </select>
          </label>
        </div>
      </details>
      <div className="flex flex-wrap gap-x-6">
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" checked={warmUp} onChange={(event) => setWarmUp(event.target.checked)} />
          For warming: it does not count
        </label>
        <label className="flex min-h-11 items-center gap-2">
          <input type="checkbox" checked={elsewhere} onChange={(event) => setElsewhere(event.target.checked)} />
          Measured elsewhere, by others
        </label>
      </div>
      <ul aria-label="This pull">
        {refused && <VerdictLine ok={false} says={refused.message} />}
        {worked?.ok && (
          <VerdictLine
            ok={worked.value.warnings.length === 0}
            says={`${worked.value.peakPower.kw.toFixed(1)} kW at ${Math.round(worked.value.peakPower.rpm)} 1/min, ${Math.round(worked.value.peakTorque.nm)} N·m at ${Math.round(worked.value.peakTorque.rpm)}${worked.value.factor === 1 ? '' : `, corrected by ${worked.value.factor.toFixed(3)}`}.`}
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

/** Figures under their labels, as they are kept. */
function Figures<Field extends string>({
  of,
  typed,
  put,
  usual = () => '',
}: {
  of: readonly (readonly [Field, string, string])[]
  typed: Readonly<Record<string, string>>
  put: (field: string, text: string) => void
  usual?: (field: Field) => string
}) {
  return of.map(([field, label, unit]) => (
    <NumberField
      key={field}
      label={label}
      unit={unit}
      className="w-full"
      text={typed[field] ?? ''}
      placeholder={usual(field)}
      onText={(value) => put(field, value)}
    >
      {label}
    </NumberField>
  ))
}

const columnWords: readonly [PullColumn, string][] = [
  ['t', 'Time'],
  ['rpm', 'Engine speed'],
  ['speedKmh', 'Road speed'],
  ['powerKw', 'Power'],
  ['torqueNm', 'Torque'],
  ['throttlePct', 'Throttle'],
]

/** Which column is what, where their names do not tell. */
function Columns({
  text,
  chosen,
  onChosen,
  open,
}: {
  text: string
  chosen: Partial<Record<PullColumn, string>>
  onChosen: (chosen: Partial<Record<PullColumn, string>>) => void
  open: boolean
}) {
  const heads = columnHeads(text)
  if (heads.length === 0) return null
  return (
    <details open={open || Object.keys(chosen).length > 0}>
      <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
        Which column is what
      </summary>
      <div className="grid gap-2 sm:grid-cols-3">
        {columnWords.map(([column, says]) => (
          <label key={column} className="flex flex-col gap-1">
            {says}
            <select
              value={chosen[column] ?? ''}
              onChange={({ target }) => {
                const { [column]: _gone, ...others } = chosen
                onChosen(target.value === '' ? others : { ...others, [column]: target.value })
              }}
            >
              <option value="">by its name</option>
              {heads.map((head) => (
                <option key={head}>{head}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  )
}

/** Conditions of a pull as they would be typed; slope in per cent. */
function asTyped(last: PullConditions | undefined): Record<string, string> {
  if (!last) return {}
  const { slope, gear, warmUp: _warm, direction: _way, locked: _shut, ...figures } = last
  return {
    ...Object.fromEntries(Object.entries(figures).map(([field, value]) => [field, String(value)])),
    ...(slope === undefined ? {} : { slope: String(Math.round(slope * 1e4) / 100) }),
    ...(gear === undefined ? {} : { gear }),
  }
}

/** Where nobody read it; it moves a factor by a tenth of a per cent. */
const usualHumidityPct = 50

const correctionWords: Record<Correction, string> = {
  none: 'not corrected',
  'sae-j1349': 'SAE J1349 (2004)',
  'din-70020': 'DIN 70020 (1976)',
}

const directionOf = (value: string): 'there' | 'back' | '' => (value === 'there' || value === 'back' ? value : '')
