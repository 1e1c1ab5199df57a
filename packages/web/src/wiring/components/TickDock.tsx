import { inSentence } from '@tidy-badger/core/dossiers'
import type { Tick } from '@tidy-badger/core/jobs'
import { Check } from 'lucide-react'
import { useRef } from 'react'
import { PhotoButton, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Dock, KeyHint } from '../../ui/Stage.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import type { EndView } from '../selectors.ts'

/**
 * The one thing to do with the end in hand: one press for all of it, and its ticks to be made one by one where something is not so.
 * What asks for the owner's word, and what is taken off first, is a press of its own.
 */
export function TickDock({
  item,
  ticks,
  onDeviate,
  onNext,
}: {
  item: EndView
  ticks: Tick[]
  onDeviate: () => void
  onNext: () => void
}) {
  const { write, state, dossiers } = useJob()
  const needsOff = [...dossiers.machine.steps, ...dossiers.kit.steps].some((step) => step.power === 'off')
  const next = ticks.find((tick) => !tick.done)
  const busy = useRef<string | null>(null)
  const make = (tick: Tick) => {
    // The same tick is not made twice by a quick second press; the next one need not wait for it.
    if (busy.current === tick.id) return
    busy.current = tick.id
    void write(tick.makes).then((written) => {
      if (busy.current === tick.id) busy.current = null
      if (written && tick === ticks.at(-1)) onNext()
    })
  }
  const alone = next !== undefined && (next.id === 'take-off' || next.id === 'consent')
  const open = ticks.filter((tick) => !tick.done).map((tick) => tick.makes)
  const makeAll = () => {
    if (busy.current === 'all') return
    busy.current = 'all'
    void write(...open).then((written) => {
      if (busy.current === 'all') busy.current = null
      if (written) onNext()
    })
  }
  const act = () => (!next ? onNext() : alone ? make(next) : makeAll())
  useKeys({ Space: act })
  return (
    <Dock
      title={
        <span className="flex flex-wrap items-center gap-3">
          <span
            className={`rounded-lg border-2 px-2.5 py-0.5 font-text text-body font-semibold ${state.power === 'on' && needsOff ? 'border-lamp bg-lamp text-[#15181a]' : 'border-current'}`}
          >
            {state.power === 'on' && needsOff ? 'battery is on: negative off first' : 'battery off'}
          </span>
          {item.end.name}: {inSentence(item.place)}
          {item.looks && `, ${item.looks}`}
        </span>
      }
      actions={
        <>
          {next && !alone && (
            <PhotoButton
              look="dock"
              shows="work"
              about={{ kitEnd: item.end.id }}
              label="By photo"
              standsFor={open}
              onKept={onNext}
            />
          )}
          <Button look="dock" onClick={onDeviate}>
            Not like this
            <KeyHint>N</KeyHint>
          </Button>
          <Button look="main" onClick={act}>
            {next?.id === 'take-off'
              ? 'Taken off'
              : next?.id === 'consent'
                ? 'Agreed'
                : next
                  ? 'All of it'
                  : 'Next end'}
            <KeyHint>space</KeyHint>
          </Button>
        </>
      }
    >
      <ol className="mt-3 flex flex-wrap gap-2.5">
        {ticks.map((tick) => (
          <li key={tick.id} className={`min-w-0 flex-1 basis-52 ${tick === next ? '' : 'max-md:hidden'}`}>
            <button
              type="button"
              aria-pressed={tick.done}
              disabled={tick.done}
              onClick={() => make(tick)}
              className={`flex min-h-[54px] w-full items-center gap-3 rounded-lg border-2 px-3 py-2 text-left text-body leading-tight font-semibold disabled:opacity-100 ${tick === next ? 'border-lamp' : 'border-dock-quiet'}`}
            >
              <span
                aria-hidden
                className={`grid size-6 shrink-0 place-items-center rounded border-2 ${tick.done ? 'border-lamp bg-lamp text-[#15181a]' : 'border-current'}`}
              >
                {tick.done && <Check size={17} strokeWidth={3.8} />}
              </span>
              {tick.words}
            </button>
          </li>
        ))}
      </ol>
    </Dock>
  )
}
