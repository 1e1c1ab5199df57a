import type { StepId } from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'

/** A start, as it went: in order, which ticks its step, or failed and how. */
export function StartCard({ step, onDone }: { step: StepId; onDone: () => void }) {
  const { state, write } = useJob()
  const [text, setText] = useState('')
  const keep = async (verdict: 'pass' | 'fail') => {
    const started = { kind: 'started', verdict, text: text.trim() } as const
    const sent = verdict === 'pass' ? await write(started, { kind: 'step-done', step }) : await write(started)
    if (sent) onDone()
  }
  return (
    <div className="flex flex-col gap-4">
      {state.starts.length > 0 && (
        <ol aria-label="Starts so far">
          {state.starts.map(({ entry, verdict, text: how }, i) => (
            <li key={entry}>
              {i + 1}: {verdict === 'pass' ? 'in order' : 'failed'}
              {how === '' ? '' : `, ${how}`}
            </li>
          ))}
        </ol>
      )}
      <label className="flex flex-col gap-1 font-semibold">
        What was seen or heard
        <input className="font-normal" value={text} maxLength={600} onChange={(event) => setText(event.target.value)} />
      </label>
      <div className="flex flex-wrap gap-3">
        <Button look="main" onClick={() => void keep('pass')}>
          Started in order
        </Button>
        <Button disabled={text.trim() === ''} onClick={() => void keep('fail')}>
          It failed
        </Button>
      </div>
      <p className="text-small text-quiet">
        A start that failed wants a word of how: it is a stop until one is in order.
      </p>
    </div>
  )
}
