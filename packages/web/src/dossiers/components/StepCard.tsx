import { stepFields, textsOf, type Texts } from '@tidy-badger/core/dossier-writing'
import type { Step } from '@tidy-badger/core/dossiers'
import type { Outcome } from '@tidy-badger/core/shared'
import { TypedCard } from './TypedCard.tsx'

/** The rest of one step, beside the list of steps. */
export function StepCard<Document>({ step, keep }: { step: Step; keep: (texts: Texts) => Outcome<Document> }) {
  return (
    <section className="rounded-xl border-2 border-ink bg-paper p-4">
      <h2 className="mb-2 text-lead font-bold">{step.text}</h2>
      <TypedCard label="All of the step" fields={stepFields} texts={textsOf(step, stepFields)} keep={keep} />
    </section>
  )
}
