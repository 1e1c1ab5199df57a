import { kitNamed, membersOf } from '@tidy-badger/core/dossiers'
import { captureExpected, isThrottle, judgeCapture, judgeSweep } from '@tidy-badger/core/setup'
import { readFigure } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { FromInstrument } from '../../instruments/index.ts'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

/** A throttle captured: two volts as read, or a whole sweep. @param kit by its name in the job, '' of one alone */
export function ThrottleCard({ kit, onDone }: { kit: string; onDone: () => void }) {
  const { state, dossiers, write } = useJob()
  const [volts, setVolts] = useState({ shut: '', open: '' })
  const [sweep, setSweep] = useState('')
  const members = membersOf(dossiers.kit)
  const member = members.find(({ key }) => key === kit) ?? members.find((item) => item.kit.settings.some(isThrottle))
  if (!member) return null
  const expected = captureExpected(dossiers, member, state)
  const answer = sweep.trim() === '' ? null : judgeSweep(sweep, expected)
  const shutV = readFigure(volts.shut, 'V')
  const openV = readFigure(volts.open, 'V')
  const typed = shutV !== null && openV !== null ? { shutV, openV, ...judgeCapture({ shutV, openV }, expected) } : null
  const swept = answer?.ok ? answer.value : null
  const result = swept ?? typed
  const send = async () => {
    if (!result) return
    const named = kitNamed(member)
    const { shutV: shut, openV: open, verdict } = result
    if (await write({ kind: 'throttle-captured', track: 1, shutV: shut, openV: open, verdict, ...named })) onDone()
  }
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        void send()
      }}
    >
      <p>
        {expected.kind === 'by-wire'
          ? 'By wire: with the key only on the grip moves its own track, and the blade need not follow. What the unit’s own procedure captured is read off it.'
          : 'By cable: key on, engine not started, let go, then to the stop.'}{' '}
        {expected.spanV === null
          ? `The dossier has no span for it: at least ${expected.leastV.toFixed(2)} V from shut to open.`
          : `By the dossier it goes through ${expected.spanV.toFixed(2)} V: at least ${expected.leastV.toFixed(2)} V.`}
      </p>
      <div className="grid gap-3 sm:grid-cols-2">
        {(['shut', 'open'] as const).map((end) => (
          <span key={end} className="flex flex-col gap-1">
            <NumberField
              label={end === 'shut' ? 'Let go, V' : 'To the stop, V'}
              unit="V"
              className="w-full text-title"
              text={volts[end]}
              onText={(text) => setVolts({ ...volts, [end]: text })}
            >
              {end === 'shut' ? 'Let go, V' : 'To the stop, V'}
            </NumberField>
            <FromInstrument
              asked={{ quantity: 'meter', unit: 'V' }}
              onTake={(value) => setVolts({ ...volts, [end]: String(value) })}
            />
          </span>
        ))}
      </div>
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
          Or a whole sweep: time and one or two tracks on each line
        </summary>
        <label className="flex flex-col gap-1 font-semibold">
          Sweep, s and V
          <textarea
            rows={6}
            className="figures font-normal"
            placeholder={'0.00; 0.61\n0.05; 0.61'}
            value={sweep}
            onChange={(event) => setSweep(event.target.value)}
          />
        </label>
      </details>
      <ul className="flex flex-col gap-1.5" aria-label="The capture">
        {swept &&
          (swept.reasons.length === 0 ? (
            <VerdictLine
              ok
              says={`Shut ${swept.shutV.toFixed(2)} V, open ${swept.openV.toFixed(2)} V, noise ${Math.round(swept.noiseV * 1000)} mV, one way${swept.trackSpreadPct === null ? '' : `, tracks within ${swept.trackSpreadPct.toFixed(1)} %`}.`}
            />
          ) : (
            swept.reasons.map((reason) => <VerdictLine key={reason} ok={false} says={reason} />)
          ))}
        {answer && !answer.ok && <VerdictLine ok={false} says={answer.problems[0]?.message ?? ''} />}
        {!swept && typed && <VerdictLine ok={typed.verdict === 'pass'} says={typed.says} />}
      </ul>
      <Button type="submit" look="main" disabled={!result}>
        Write it down
      </Button>
    </form>
  )
}
