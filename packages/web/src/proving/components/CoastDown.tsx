import { readCoastCsv, workOutCoastDown, type CoastRun } from '@tidy-badger/core/proving'
import { readFigure } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

const ways = ['There', 'Back'] as const

/** Drag and rolling from coasting down, there and back: what road pulls are worked out with. */
export function CoastDown() {
  const { state, write } = useJob()
  const [texts, setTexts] = useState<Record<string, string>>({})
  const [mass, setMass] = useState('')
  const massKg = readFigure(mass, 'kg')
  const read = ways.flatMap((way) => {
    const text = texts[way] ?? ''
    return text.trim() === '' ? [] : [readCoastCsv(text)]
  })
  const wrong = read.find((one) => !one.ok)
  const runs = read.flatMap((one): CoastRun[] => (one.ok ? [{ rows: one.value }] : []))
  const worked = massKg !== null && massKg > 0 && runs.length > 0 && !wrong ? workOutCoastDown({ runs, massKg }) : null
  const refused = wrong && !wrong.ok ? wrong.problems[0] : worked && !worked.ok ? worked.problems[0] : undefined
  const keep = async () => {
    if (!worked?.ok || massKg === null) return
    const { warnings: _warnings, ...made } = worked.value
    if (await write({ kind: 'coasted-down', massKg, ...made })) setTexts({})
  }
  return (
    <details className="border-t-2 border-line-soft pt-2">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
        Coast down: what holds it back
      </summary>
      {state.coasted && (
        <p className="mb-2">
          Drag area {state.coasted.dragAreaM2.toFixed(2)} ± {(2 * state.coasted.dragSeM2).toFixed(2)} m², rolling{' '}
          {state.coasted.rolling.toFixed(4)} ± {(2 * state.coasted.rollingSe).toFixed(4)} of the weight: road pulls take
          these where nothing else is typed.
        </p>
      )}
      <p className="mb-2">
        Out of gear from a fast lawful speed down to a slow one, there and back on the same piece of road, no brake. A
        log with time and road speed.
      </p>
      <NumberField label="Mass with people, kg" unit="kg" className="w-32" text={mass} onText={setMass}>
        Mass with people, kg
      </NumberField>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        {ways.map((way) => (
          <label key={way} className="flex flex-col gap-1 font-semibold">
            {way}
            <textarea
              rows={4}
              className="figures font-normal"
              value={texts[way] ?? ''}
              onChange={(event) => setTexts({ ...texts, [way]: event.target.value })}
            />
          </label>
        ))}
      </div>
      <ul className="my-2" aria-label="This coasting down">
        {refused && <VerdictLine ok={false} says={refused.message} />}
        {worked?.ok && (
          <VerdictLine
            ok={worked.value.warnings.length === 0}
            says={`Drag area ${worked.value.dragAreaM2.toFixed(2)} ± ${(2 * worked.value.dragSeM2).toFixed(2)} m², rolling ${worked.value.rolling.toFixed(4)} ± ${(2 * worked.value.rollingSe).toFixed(4)}.`}
            {...(worked.value.warnings.length > 0 ? { change: worked.value.warnings.join(' ') } : {})}
          />
        )}
      </ul>
      <Button disabled={!worked?.ok} onClick={() => void keep()}>
        Write it down
      </Button>
    </details>
  )
}
