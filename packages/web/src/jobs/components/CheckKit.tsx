import type { KitPart } from '@tidy-badger/core/dossiers'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { Dock, KeyHint, Stage } from '../../ui/Stage.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { useJob } from '../useJob.ts'
import { StationDoneButton } from './StationDoneButton.tsx'

const states = ['present', 'missing', 'not used'] as const

/** The kit laid out against its list. */
export function CheckKit() {
  const { dossiers, state } = useJob()
  const { parts } = dossiers.kit
  const open = parts.filter((part) => !(part.id in state.parts))
  const missing = parts.filter((part) => state.parts[part.id]?.state === 'missing')
  const stopping = missing.filter((part) => part.missing === 'stop')
  return (
    <Stage
      picture={
        <>
          <h2 className="mb-3 text-[22px] font-bold">
            Lay out the {dossiers.kit.model}{' '}
            <span className="figures text-[16px] font-normal text-quiet">
              {parts.length - open.length} of {parts.length}
            </span>
          </h2>
          <ul>
            {parts.map((part) => (
              <PartRow key={part.id} part={part} current={part === open[0]} />
            ))}
          </ul>
        </>
      }
      margin={
        <>
          {stopping.map((part) => (
            <MarginCard key={part.id} tone="stop" title={`${part.name} is missing`} role="alert">
              Without it the job cannot be finished. Get it before anything is taken apart.
            </MarginCard>
          ))}
          {missing
            .filter((part) => part.missing === 'note')
            .map((part) => (
              <MarginCard key={part.id} tone="lamp" title={`${part.name} is missing`}>
                Take it from the shelf; the job can go on.
              </MarginCard>
            ))}
          <MarginCard tone="data" title="Learn the loom now">
            {dossiers.kit.ends
              .map((end) => `${end.tag}: ${end.name.toLowerCase()}, ${end.branchM.toFixed(2)} m`)
              .join(' · ')}
          </MarginCard>
        </>
      }
      dock={
        open.length > 0 ? (
          <PartDock part={open[0]} left={open.length} />
        ) : stopping.length > 0 ? (
          <Dock
            title={`Waits for: ${stopping.map((part) => part.name).join(', ')}`}
            hint="Mark it present when it has come. Taking in and notes go on."
          />
        ) : (
          <Dock title="The kit is whole" actions={<StationDoneButton station="check-kit" />} />
        )
      }
    />
  )
}

function PartRow({ part, current }: { part: KitPart; current: boolean }) {
  const { state, write } = useJob()
  const now = state.parts[part.id]?.state
  return (
    <li
      className={`flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 px-2 py-1.5 ${current ? 'border-lamp' : 'border-line-soft'}`}
    >
      <span className="min-w-0 flex-1 basis-48">
        <span className="figures mr-2 text-quiet">{part.count} ×</span>
        <span className={current ? 'text-[18px] font-semibold' : ''}>{part.name}</span>
      </span>
      <span role="group" aria-label={part.name} className="flex gap-1.5">
        {states.map((choice) => (
          <button
            key={choice}
            type="button"
            aria-pressed={now === choice}
            onClick={() => now !== choice && void write({ kind: 'part-checked', part: part.id, state: choice })}
            className={`min-h-11 rounded-lg border-2 px-3 text-[15px] font-semibold ${now === choice ? (choice === 'missing' ? 'border-stop bg-stop text-paper' : 'border-ink bg-ink text-ground') : 'border-line'}`}
          >
            {choice}
          </button>
        ))}
      </span>
    </li>
  )
}

function PartDock({ part, left }: { part: KitPart; left: number }) {
  const { write } = useJob()
  const mark = (state: (typeof states)[number]) => void write({ kind: 'part-checked', part: part.id, state })
  useKeys({ Space: () => mark('present'), n: () => mark('missing') })
  return (
    <Dock
      title={`${part.count} × ${part.name}`}
      hint={`${left} left to look for`}
      actions={
        <>
          <Button look="dock" onClick={() => mark('missing')}>
            Missing
            <KeyHint>N</KeyHint>
          </Button>
          <Button look="main" onClick={() => mark('present')}>
            Present
            <KeyHint>space</KeyHint>
          </Button>
        </>
      }
    />
  )
}
