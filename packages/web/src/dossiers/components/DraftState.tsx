import type { Dossier } from '@tidy-badger/core/dossiers'
import { useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { Refused } from '../../platform/api/http.ts'
import { Button } from '../../ui/Button.tsx'
import { notice } from '../../ui/notices.ts'
import { dropDraft, publish } from '../api.ts'
import { draftRests, forgetKept } from '../draftStore.ts'
import { HowKnown } from './HowKnown.tsx'
import { counted } from '../words.ts'

/** Something that is not known yet, and where it is said. */
export interface Gap {
  says: string
  remedy: string
  onPick?: () => void
}

/** What is missing or contradicts itself, and the ways out: use it with its gaps, publish it finished, throw it away. */
export function DraftState({
  id,
  document,
  gaps,
  problems,
  missing,
  begun,
}: {
  id: string
  document: Dossier
  gaps: readonly Gap[]
  /** What keeps it from being used at all. */
  problems: readonly { path: string; message: string; onPick?: () => void }[]
  /** What it does not say, and what that costs. */
  missing: readonly string[]
  /** There is something in it. */
  begun: boolean
}) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const finish = async (draft: boolean) => {
    const { draft: _draft, ...whole } = document
    await draftRests()
    try {
      await publish(draft ? { ...whole, draft: true } : whole)
      forgetKept(id)
      await dropDraft(id)
      await client.invalidateQueries({ queryKey: ['dossiers'] })
      await client.invalidateQueries({ queryKey: ['drafts'] })
      await navigate(`/dossiers/${document.kind}/${document.id}`)
    } catch (error) {
      notice.bad(error instanceof Error ? error.message : String(error))
    }
  }
  const throwAway = async () => {
    await draftRests()
    try {
      await dropDraft(id)
    } catch (error) {
      // One that the server does not have is gone already.
      if (!(error instanceof Refused && error.status === 404)) {
        notice.bad(error instanceof Error ? error.message : String(error))
        return
      }
    }
    forgetKept(id)
    await navigate('/dossiers')
  }
  return (
    <section>
      <h2 className="text-title font-bold">
        {gaps.length + problems.length > 0
          ? counted(gaps.length + problems.length, 'gap')
          : missing.length > 0
            ? 'Not written down yet'
            : 'Nothing is missing'}
      </h2>
      <ul className="mt-1 flex max-h-64 flex-col gap-1.5 overflow-y-auto" tabIndex={0} aria-label="Gaps">
        {problems.map((problem) => (
          <li key={`${problem.path} ${problem.message}`} className="border-l-[5px] border-stop pl-3">
            <Said onPick={problem.onPick}>{problem.message}</Said>
          </li>
        ))}
        {gaps.map((gap) => (
          <li key={gap.says} className="border-l-[5px] border-lamp pl-3">
            <Said onPick={gap.onPick}>
              {gap.says} <span className="text-quiet">{gap.remedy}</span>
            </Said>
          </li>
        ))}
        {missing.map((costs) => (
          <li key={costs} className="border-l-[5px] border-line pl-3">
            {costs}
          </li>
        ))}
      </ul>
      <HowKnown document={document} />
      <div className="mt-3 flex flex-wrap gap-2">
        {gaps.length > 0 && (
          <Button disabled={problems.length > 0} onClick={() => void finish(true)}>
            Use it with its gaps
          </Button>
        )}
        <Button look="main" disabled={gaps.length + problems.length > 0 || !begun} onClick={() => void finish(false)}>
          Publish version {document.version}
        </Button>
        <Button
          look="quiet"
          onClick={() => {
            void throwAway()
          }}
        >
          Throw the draft away
        </Button>
      </div>
    </section>
  )
}

/** Words that lead to what they are about, where that is known. */
function Said({ onPick, children }: { onPick: (() => void) | undefined; children: ReactNode }) {
  if (!onPick) return children
  return (
    <button type="button" className="min-h-9 text-left font-text" onClick={onPick}>
      {children}
    </button>
  )
}
