import type { PartState } from '@tidy-badger/core/check-kit'
import type { KitPart } from '@tidy-badger/core/dossiers'
import { consumables, toolsNeeded, type ToolNeed } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { StationDoneButton, useJob } from '../jobs/index.ts'
import { Button } from '../ui/Button.tsx'
import { MarginCard } from '../ui/MarginCard.tsx'
import { Dock, KeyHint, Stage } from '../ui/Stage.tsx'
import { Picture, StationHeading, Views } from '../ui/Views.tsx'
import { useKeys } from '../ui/useKeys.ts'

const statesOf = (part: KitPart): PartState[] => [
  'present',
  'missing',
  'not used',
  ...(part.instead ? (['from stock'] as const) : []),
]

/** The kit laid out against its list, the tools of the job, and what it will use up. */
export function CheckKitPage() {
  const { dossiers, state } = useJob()
  const [shown, setShown] = useState<'kit' | 'tools' | 'uses'>('kit')
  const { parts } = dossiers.kit
  const open = parts.filter((part) => !(part.id in state.parts))
  const tools = toolsNeeded(dossiers, state)
  return (
    <Stage
      picture={
        <Views
          heading={
            <StationHeading
              name={`Lay out the ${dossiers.kit.model}`}
              done={parts.length - open.length}
              all={parts.length}
            />
          }
          label="Lists"
          names={[
            ['kit', 'Kit'],
            ['tools', `Tools ${tools.length}`],
            ['uses', 'Uses up'],
          ]}
          shown={shown}
          onShow={setShown}
        >
          <Picture name="kit">
            <ul>
              {parts.map((part) => (
                <PartRow key={part.id} part={part} current={part === open[0]} />
              ))}
            </ul>
          </Picture>
          <Picture name="tools">
            <ul>
              {tools.map((need) => (
                <ToolRow key={need.tool} need={need} />
              ))}
            </ul>
          </Picture>
          <Picture name="uses">
            <UsesUp />
          </Picture>
        </Views>
      }
      margin={<KitMargin tools={tools} />}
      dock={<KitDock open={open} />}
    />
  )
}

function KitMargin({ tools }: { tools: readonly ToolNeed[] }) {
  const { dossiers, state } = useJob()
  const missing = dossiers.kit.parts.filter((part) => state.parts[part.id]?.state === 'missing')
  return (
    <>
      {missing.map((part) =>
        part.missing === 'stop' ? (
          <MarginCard key={part.id} tone="stop" title={`${part.name} is missing`} role="alert">
            Without it the job cannot be finished. Get it before anything is taken apart.
          </MarginCard>
        ) : (
          <MarginCard key={part.id} tone="lamp" title={`${part.name} is missing`}>
            {part.instead ? `From the shelf: ${part.instead}. The job can go on.` : 'The job can go on without it.'}
          </MarginCard>
        ),
      )}
      {tools
        .filter((need) => need.state === 'missing')
        .map((need) => (
          <MarginCard key={need.tool} tone="lamp" title={`No ${need.tool}`}>
            Wanted for {need.for.join(', ')}. Fetch it, or take another way there at open up.
          </MarginCard>
        ))}
      <MarginCard tone="data" title="Learn the loom now">
        {dossiers.kit.ends
          .map((end) => `${end.tag}: ${end.name.toLowerCase()}, ${end.branchM.toFixed(2)} m`)
          .join(' · ')}
      </MarginCard>
    </>
  )
}

function KitDock({ open }: { open: readonly KitPart[] }) {
  const { dossiers, state } = useJob()
  const stopping = dossiers.kit.parts.filter(
    (part) => part.missing === 'stop' && state.parts[part.id]?.state === 'missing',
  )
  const [next] = open
  if (next) return <PartDock part={next} left={open.length} />
  if (stopping.length > 0)
    return (
      <Dock
        title={`Waits for: ${stopping.map((part) => part.name).join(', ')}`}
        hint="Mark it present when it has come. Taking in and notes go on."
      />
    )
  return <Dock title="The kit is whole" actions={<StationDoneButton station="check-kit" />} />
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
        <span className={current ? 'text-lead font-semibold' : ''}>{part.name}</span>
        {now === 'from stock' && <span className="block text-quiet">{state.parts[part.id]?.instead}</span>}
      </span>
      <span role="group" aria-label={part.name} className="flex flex-wrap gap-1.5">
        {statesOf(part).map((choice) => (
          <Pressed
            key={choice}
            on={now === choice}
            bad={choice === 'missing'}
            onPress={() =>
              void write({
                kind: 'part-checked',
                part: part.id,
                state: choice,
                ...(choice === 'from stock' && part.instead ? { instead: part.instead } : {}),
              })
            }
          >
            {choice}
          </Pressed>
        ))}
      </span>
    </li>
  )
}

function ToolRow({ need }: { need: ToolNeed }) {
  const { write } = useJob()
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-line-soft px-2 py-1.5">
      <span className="min-w-0 flex-1 basis-48">
        <span className="font-semibold">{need.tool}</span>
        <span className="block text-small text-quiet">{need.for.join(', ')}</span>
      </span>
      <span role="group" aria-label={need.tool} className="flex gap-1.5">
        {(['present', 'missing'] as const).map((choice) => (
          <Pressed
            key={choice}
            on={need.state === choice}
            bad={choice === 'missing'}
            onPress={() => void write({ kind: 'tool-checked', tool: need.tool, state: choice })}
          >
            {choice}
          </Pressed>
        ))}
      </span>
    </li>
  )
}

function Pressed({ on, bad, onPress, children }: { on: boolean; bad: boolean; onPress: () => void; children: string }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={() => !on && onPress()}
      className={`min-h-11 rounded-lg border-2 px-3 text-small font-semibold ${on ? (bad ? 'border-stop bg-stop text-paper' : 'border-ink bg-ink text-ground') : 'border-line'}`}
    >
      {children}
    </button>
  )
}

function UsesUp() {
  const { dossiers, state } = useJob()
  return (
    <ul>
      {consumables(dossiers, state).map((item) => (
        <li key={item.name} className="flex items-baseline gap-4 border-b-2 border-line-soft px-2 py-2">
          <span className="figures w-20 shrink-0 text-right text-lead font-semibold">
            {Number.isInteger(item.amount) ? item.amount : item.amount.toFixed(2)} {item.unit}
          </span>
          <span>
            {item.name}
            <span className="block text-small text-quiet">{item.basis}</span>
          </span>
        </li>
      ))}
    </ul>
  )
}

function PartDock({ part, left }: { part: KitPart; left: number }) {
  const { write } = useJob()
  const mark = (state: PartState) => void write({ kind: 'part-checked', part: part.id, state })
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
