import { kitNamed, type KitMember, type StepId } from '@tidy-badger/core/dossiers'
import type { EntryBody } from '@tidy-badger/core/jobs'
import { judgeAuthority, type AuthorityAsked } from '@tidy-badger/core/wake'
import { useJob } from '../jobs/index.ts'
import { verdictWords } from './components/ProofForm.tsx'

export interface ProofProps {
  member: KitMember
  step: StepId | undefined
  onDone: () => void
}

/** Writes a judged proof down, with the step it answers. */
export function useProof({ member, step, onDone }: ProofProps) {
  const { write } = useJob()
  return async (asked: AuthorityAsked) => {
    const judged = judgeAuthority(asked)
    if (!judged.ok) return false
    const { verdict, reason } = judged.value
    const named = kitNamed(member)
    const more: EntryBody[] =
      step && verdict === 'pass' ? [{ kind: 'step-done', step, wrote: `${verdictWords[verdict]}: ${reason}` }] : []
    const sent = await write({ kind: 'authority-tested', how: asked.kind, verdict, reason, ...named }, ...more)
    if (sent) onDone()
    return sent
  }
}
