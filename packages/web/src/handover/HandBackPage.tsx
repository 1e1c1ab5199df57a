import { handbackSheet } from '@tidy-badger/core/handover'
import { stationWork } from '@tidy-badger/core/jobs'
import { Check, FileDown, Printer } from 'lucide-react'
import type { ReactNode } from 'react'
import { WorkDock } from '../work/index.ts'
import { StationDoneButton, StopGate, useJob } from '../jobs/index.ts'
import { Button } from '../ui/Button.tsx'
import { MarginCard } from '../ui/MarginCard.tsx'
import { Dock, KeyHint, Stage } from '../ui/Stage.tsx'
import { useKeys } from '../ui/useKeys.ts'
import { SheetView } from './components/SheetView.tsx'

export function HandBackPage() {
  const { dossiers, job, state, stops, progress } = useJob()
  const sheet = handbackSheet(dossiers, job, state)
  const items = stationWork(dossiers, state, 'hand-back')
  const steps = items.flatMap((item) => (item.kind === 'step' ? [item.step] : []))
  const open = items.filter((item) => !item.done)
  const finished = progress.some((item) => item.station === 'hand-back' && item.done)
  useKeys({ p: () => window.print() })
  return (
    <Stage
      picture={<SheetView sheet={sheet} />}
      reading="The sheet"
      margin={
        <>
          <StopGate />
          {!sheet.finished && !finished && (
            <MarginCard tone="lamp" title="Not finished">
              <ul className="list-disc pl-5">
                {sheet.unfinished.slice(0, 6).map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
              {sheet.unfinished.length > 6 && (
                <p>… and {sheet.unfinished.length - 6} more. It is printed on the sheet.</p>
              )}
            </MarginCard>
          )}
          <section className="flex flex-col gap-2">
            <h3 className="text-lead font-bold">Take along</h3>
            <Button onClick={() => window.print()}>
              <Printer aria-hidden size={20} /> Print the sheet <KeyHint>P</KeyHint>
            </Button>
            <Download href={`/api/jobs/${job.id}/handback.pdf`}>The sheet as PDF</Download>
            <Download href={`/api/jobs/${job.id}/roadside.pdf`}>Roadside card, stays in the machine</Download>
            {state.pulls.length > 0 && (
              <>
                <Download href={`/api/jobs/${job.id}/proof.pdf`}>What it brought, for the owner</Download>
                <Download href={`/api/jobs/${job.id}/proof.csv`}>Both curves as CSV</Download>
                <Download href={`/api/jobs/${job.id}/proof`}>The proof as JSON</Download>
              </>
            )}
            <Download href={`/api/jobs/${job.id}/export`}>The whole job as JSON</Download>
            <Download href={`/api/jobs/${job.id}/trim.csv`}>The trim table as CSV</Download>
          </section>
          <section>
            <h3 className="mb-1 text-lead font-bold">With the owner</h3>
            <ul className="flex flex-col gap-1.5">
              {steps.map((step) => (
                <li key={step.id} className="flex gap-2.5">
                  <span
                    aria-hidden
                    className={`mt-0.5 grid size-6 shrink-0 place-items-center rounded border-2 ${step.id in state.stepsDone ? 'border-ink bg-ink text-lamp' : 'border-quiet'}`}
                  >
                    {step.id in state.stepsDone && <Check size={17} strokeWidth={3.5} />}
                  </span>
                  {step.text}
                </li>
              ))}
            </ul>
          </section>
        </>
      }
      dock={
        finished ? (
          <Dock
            title="Handed back"
            hint="Notes are still taken. The sheet stays as it is until something is written down."
          />
        ) : stops.length > 0 ? (
          <Dock title="A stop is open. Mend it before the machine goes back." />
        ) : open.length > 0 ? (
          <WorkDock station="hand-back" items={items} current={open[0]} gated={false} onDone={() => undefined} />
        ) : (
          <Dock
            title="Hand it back"
            hint="The sheet goes with the machine."
            actions={<StationDoneButton station="hand-back" />}
          />
        )
      }
    />
  )
}

function Download({ href, children }: { href: string; children: ReactNode }) {
  return (
    <a
      href={href}
      download
      className="inline-flex min-h-11 items-center justify-center gap-2 rounded-lg border-2 border-ink bg-paper px-4 font-head font-semibold"
    >
      <FileDown aria-hidden size={20} /> {children}
    </a>
  )
}
