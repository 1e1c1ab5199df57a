import { proofPage } from '@tidy-badger/core/handover'
import { shiftPoints, type Comparison, type JobProof } from '@tidy-badger/core/proving'
import { readFigure } from '@tidy-badger/core/shared'
import { Suspense, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { CertaintyMark } from '../../ui/CertaintyMark.tsx'
import { later } from '../../ui/comesLater.tsx'
import { NumberField } from '../../ui/NumberField.tsx'

const PullChart = later(async () => (await import('./PullChart.tsx')).default)

/** What the pulls show: three numbers, two curves, plain words, and the claim. The paper says the same. */
export function Compared({ claim }: Pick<JobProof, 'claim'>) {
  const { dossiers, job, state } = useJob()
  const { numbers, words, notes, comparison } = proofPage(dossiers, job, state)
  return (
    <section aria-label="Before and after" className="flex flex-col gap-3">
      <dl className="flex flex-wrap gap-x-8 gap-y-2">
        {numbers.map(({ name, value, certainty }) => (
          <div key={name}>
            <dt className="text-quiet">{name}</dt>
            <dd className="figures text-title font-bold">{value}</dd>
            <dd>
              <CertaintyMark of={certainty} />
            </dd>
          </div>
        ))}
      </dl>
      {words.map((text) => (
        <p key={text}>{text}</p>
      ))}
      {comparison && (
        <Suspense fallback={<div className="min-h-[240px]" />}>
          <PullChart curve={comparison.curve} axis={comparison.axis} />
        </Suspense>
      )}
      {notes.length > 0 && (
        <ul className="list-disc border-l-[5px] border-lamp pl-7">
          {notes.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
      <ClaimForm claim={claim} />
      {comparison?.axis === 'rpm' && <ShiftPoints curve={comparison.curve} />}
    </section>
  )
}

const kinds = { peak: 'at the peak', 'largest-gain': 'where it gains most' } as const
type ClaimKind = keyof typeof kinds

/** What is claimed: the kit's own words until somebody types another. */
function ClaimForm({ claim }: Pick<JobProof, 'claim'>) {
  const { write } = useJob()
  const [power, setPower] = useState('')
  const [torque, setTorque] = useState('')
  const [at, setAt] = useState<'wheel' | 'engine'>('wheel')
  const [kind, setKind] = useState<ClaimKind>('peak')
  const [powerKw, torqueNm] = [readFigure(power, 'kW'), readFigure(torque, 'N·m')]
  const send = async () => {
    const sent = await write({
      ...{ kind: 'gain-claimed', of: at, as: kind },
      ...(powerKw === null ? {} : { powerKw }),
      ...(torqueNm === null ? {} : { torqueNm }),
    })
    if (!sent) return
    setPower('')
    setTorque('')
  }
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
        {claim
          ? claim.by === 'kit'
            ? 'Claimed by the kit’s sheet; another claim'
            : 'Another claim'
          : 'Is a gain claimed?'}
      </summary>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          void send()
        }}
      >
        <NumberField label="What is claimed, kW more" unit="kW" className="w-28" text={power} onText={setPower}>
          What is claimed, kW more
        </NumberField>
        <NumberField label="N·m more" unit="N·m" className="w-28" text={torque} onText={setTorque}>
          N·m more
        </NumberField>
        <label className="flex items-center gap-2">
          at the
          <select value={at} onChange={({ target }) => setAt(target.value === 'engine' ? 'engine' : 'wheel')}>
            <option value="wheel">wheel</option>
            <option value="engine">engine</option>
          </select>
        </label>
        <label className="flex items-center gap-2">
          as gained
          <select value={kind} onChange={({ target }) => setKind(target.value === 'peak' ? 'peak' : 'largest-gain')}>
            {Object.entries(kinds).map(([value, says]) => (
              <option key={value} value={value}>
                {says}
              </option>
            ))}
          </select>
        </label>
        <Button type="submit" disabled={powerKw === null && torqueNm === null}>
          Judge it
        </Button>
      </form>
    </details>
  )
}

/** Where to change up by the curve with the kit. */
function ShiftPoints({ curve }: Pick<Comparison, 'curve'>) {
  const { dossiers } = useJob()
  const [text, setText] = useState('')
  const ratios = text.split(/[\s;/]+/).flatMap((one) => readFigure(one, '') ?? [])
  const points = curve.map(({ rpm, afterKw }) => ({ rpm, powerKw: afterKw }))
  const shifts = ratios.length > 1 ? shiftPoints(points, ratios, dossiers.machine.engine.limiterRpm) : null
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
        Where to change up
      </summary>
      <label className="flex flex-col gap-1">
        Ratios of the gears, from the shortest
        <input
          className="figures"
          value={text}
          placeholder="3.8 2.3 1.5 1.0 0.8"
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      {shifts && !shifts.ok && <p className="font-semibold text-stop">{shifts.problems[0]?.message ?? ''}</p>}
      {shifts?.ok && (
        <ul className="figures mt-2">
          {shifts.value.map(({ from, rpm, thenRpm, atLimiter }) => (
            <li key={from}>
              Gear {from} to {from + 1}: {Math.round(rpm)} 1/min{atLimiter ? ', at the end of the curve' : ''}, then{' '}
              {Math.round(thenRpm)}
            </li>
          ))}
        </ul>
      )}
    </details>
  )
}
