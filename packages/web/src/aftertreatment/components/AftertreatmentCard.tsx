import {
  mayRegenerate,
  regenerating,
  regenerationAborts,
  regenerationList,
  runOn,
  type RegenerationReadings,
} from '@tidy-badger/core/aftertreatment'
import { readFigure } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { Button } from '../../ui/Button.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

const figureUnits = {
  coolantC: '°C',
  fuelPct: '%',
  idleMin: 'min',
  sootPct: '%',
  barringCodes: '',
  clearM: 'm',
} as const
const looks = ['neutral', 'oilOverMark', 'outdoors', 'blownClean', 'stays'] as const
const grounds = ['bare', 'stubble', 'grass'] as const

/** What is chosen rather than typed. */
const choices: Partial<Record<keyof RegenerationReadings, readonly string[]>> = {
  ground: grounds,
  ...Object.fromEntries(looks.map((field) => [field, ['yes', 'no']])),
}

/** Readings as they were typed and chosen. */
function readingsOf(typed: Readonly<Record<string, string>>): RegenerationReadings {
  const ground = grounds.find((one) => one === typed.ground)
  return {
    ...Object.fromEntries(
      Object.entries(figureUnits).flatMap(([field, unit]) => {
        const value = readFigure(typed[field] ?? '', unit)
        return value === null ? [] : [[field, value]]
      }),
    ),
    ...Object.fromEntries(looks.flatMap((field) => (typed[field] ? [[field, typed[field] === 'yes']] : []))),
    ...(ground ? { ground } : {}),
  }
}

const edges = { ok: 'border-good', missing: 'border-line', 'not so': 'border-stop' } as const

/** A particulate filter burnt clean by hand, and how long the engine runs on after it. */
export function AftertreatmentCard() {
  const { job, state, write } = useJob()
  const { typed, put, clear } = useKeptFields(`job/${job.id}/regeneration`)
  const active = regenerating(state)
  const read = readingsOf(typed)
  const list = regenerationList(read)
  const begin = async () => {
    if (await write({ kind: 'regeneration', phase: 'started', text: '', read })) clear()
  }
  return (
    <div className="flex flex-col gap-5">
      <section aria-label="Regeneration by hand" className="flex flex-col gap-3">
        <h3 className="text-title font-bold">Regeneration by hand</h3>
        {active ? (
          <>
            <p className="border-l-[5px] border-stop pl-3 text-lead font-semibold">
              Under way. Break it off at once: {regenerationAborts.join('; ')}.
            </p>
            <p>No pull, no loaded run and no trim meanwhile. Exhaust and ground stay hot for half an hour after it.</p>
            <div className="flex flex-wrap gap-3">
              <Button look="main" onClick={() => void write({ kind: 'regeneration', phase: 'ended', text: '' })}>
                It has ended
              </Button>
              <Button onClick={() => void write({ kind: 'regeneration', phase: 'aborted', text: '' })}>
                Broken off
              </Button>
            </div>
          </>
        ) : (
          <>
            <p>
              The maker&apos;s own window and procedure come first. On bare ground, never on stubble; it glows at 600
              °C.
            </p>
            <ul aria-label="What it wants" className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
              {list.map(({ field, what, unit, wants, state: standing }) => (
                <li key={field} className={`flex items-center gap-3 border-l-[5px] py-1 pl-3 ${edges[standing]}`}>
                  <span className="min-w-0 flex-1" id={`regeneration-${field}`}>
                    <b>{what}</b> {standing === 'ok' ? '' : standing === 'missing' ? '(not read) ' : '(not so) '}
                    <span className="block text-small">{wants}</span>
                  </span>
                  {choices[field] ? (
                    <select
                      aria-labelledby={`regeneration-${field}`}
                      value={typed[field] ?? ''}
                      onChange={({ target }) => put(field, target.value)}
                    >
                      <option value="">not looked</option>
                      {choices[field].map((one) => (
                        <option key={one}>{one}</option>
                      ))}
                    </select>
                  ) : (
                    <NumberField
                      label={what}
                      unit={unit}
                      className="w-20"
                      text={typed[field] ?? ''}
                      onText={(text) => put(field, text)}
                    />
                  )}
                </li>
              ))}
            </ul>
            <Button look="main" className="self-start" disabled={!mayRegenerate(read)} onClick={() => void begin()}>
              It is begun
            </Button>
          </>
        )}
      </section>
      <RunOn />
    </div>
  )
}

/** How long the engine runs on until its turbine is cool. */
function RunOn() {
  const [where, setWhere] = useState<'indoors' | 'outdoors'>('outdoors')
  const [inlet, setInlet] = useState('')
  const [set, setSet] = useState('')
  const [inletC, setMin] = [readFigure(inlet, '°C'), readFigure(set, 'min')]
  const { allowed, says } = runOn({
    where,
    ...(inletC === null ? {} : { inletC }),
    ...(setMin === null ? {} : { setMin }),
  })
  return (
    <section aria-label="Running on" className="flex flex-col gap-3 border-t-2 border-line-soft pt-3">
      <h3 className="text-title font-bold">Running on after work</h3>
      <div className="flex flex-wrap items-end gap-4">
        <label className="flex items-center gap-2">
          It stands
          <select
            value={where}
            onChange={({ target }) => setWhere(target.value === 'indoors' ? 'indoors' : 'outdoors')}
          >
            <option>outdoors</option>
            <option>indoors</option>
          </select>
        </label>
        <NumberField label="Turbine inlet, °C" unit="°C" className="w-24" text={inlet} onText={setInlet}>
          Turbine inlet, °C
        </NumberField>
        <NumberField label="Time that is set, min" unit="min" className="w-24" text={set} onText={setSet}>
          Time that is set, min
        </NumberField>
      </div>
      <ul>
        <VerdictLine ok={allowed} says={says} />
      </ul>
    </section>
  )
}
