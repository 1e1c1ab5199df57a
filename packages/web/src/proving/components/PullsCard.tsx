import { jobProof } from '@tidy-badger/core/proving'
import { useJob } from '../../jobs/index.ts'
import { CertaintyMark } from '../../ui/CertaintyMark.tsx'
import { Button } from '../../ui/Button.tsx'
import { CoastDown } from './CoastDown.tsx'
import { Compared } from './Compared.tsx'
import { NewPull, timeWords } from './NewPull.tsx'

/** Pulls on stock and with the kit, and what they show of a claim. */
export function PullsCard() {
  const { dossiers, state } = useJob()
  const proof = jobProof(dossiers, state)
  const { judged, compared } = proof
  const left = new Map(judged.left.map(({ pull, why }) => [pull.entry, why]))
  return (
    <div className="flex flex-col gap-5">
      {compared ? (
        <Compared claim={proof.claim} />
      ) : (
        <p className="text-lead font-semibold">
          {judged.before.length === 0
            ? 'No pull on stock yet: without one no gain can be claimed.'
            : 'No pull with the kit yet.'}
        </p>
      )}
      <p>
        Same road, same gear, same fuel, warm; the first pull of each is for warming. Stock, level, stock where it can
        be, three of each; oil and intake within 5 K, the exhaust under 250 °C before each, both directions. The highest
        gear that stays lawful at the top; no road run over the limit.
      </p>
      <ul className="flex flex-col gap-2" aria-label="Pulls">
        {state.pulls.map((pull) => (
          <PullLine key={pull.entry} pull={pull} why={left.get(pull.entry)} />
        ))}
      </ul>
      <NewPull />
      <CoastDown />
    </div>
  )
}

function PullLine({
  pull,
  why,
}: {
  pull: ReturnType<typeof useJob>['state']['pulls'][number]
  why: string | undefined
}) {
  const { undo } = useJob()
  const { peakPower, peakTorque } = pull
  return (
    <li className="flex flex-wrap items-center gap-3 border-b-2 border-line-soft pb-2">
      <span className="min-w-0 flex-1">
        <b>{timeWords[pull.when]}</b>, {pull.name}:{' '}
        <span className="figures">
          {peakPower.kw.toFixed(1)} kW at {Math.round(peakPower.rpm)}, {Math.round(peakTorque.nm)} N·m at{' '}
          {Math.round(peakTorque.rpm)} 1/min
        </span>{' '}
        <CertaintyMark of={pull.source === 'elsewhere' ? 'measured elsewhere' : 'measured here'} />
        {[...(why ? [why] : []), ...pull.warnings].map((text) => (
          <span key={text} className="block text-small text-quiet">
            {text}
          </span>
        ))}
      </span>
      <Button look="quiet" aria-label={`Take ${pull.name} back`} onClick={() => void undo(pull.entry)}>
        Take it back
      </Button>
    </li>
  )
}
