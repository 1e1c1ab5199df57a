import type { Outcome } from '@tidy-badger/core/shared'
import { judgeAuthority, type AuthorityAsked, type AuthorityVerdict } from '@tidy-badger/core/wake'
import type { ReactNode } from 'react'
import { Button } from '../../ui/Button.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

export const verdictWords = {
  pass: 'It has a hand on it',
  bypassed: 'Bypassed',
  crossed: 'Crossed',
  sensor: 'A sensor or its scale',
  unclear: 'Unclear',
} as const

/** The verdict as it stands, in a list. */
export function VerdictOf({ judged, name }: { judged: Outcome<AuthorityVerdict> | null; name: string }) {
  return (
    <ul className="flex flex-col gap-1.5" aria-label={name}>
      {judged &&
        (judged.ok ? (
          <VerdictLine
            ok={judged.value.verdict === 'pass'}
            says={`${verdictWords[judged.value.verdict]}: ${judged.value.reason}`}
            {...(judged.value.pairs
              ? {
                  change: judged.value.pairs
                    .map(([channel, cylinder]) => `channel ${channel} answers on cylinder ${cylinder}`)
                    .join(', '),
                }
              : {})}
          />
        ) : (
          <VerdictLine ok={false} says={judged.problems[0]?.message ?? ''} />
        ))}
    </ul>
  )
}

/** What is read for a proof, the verdict below it, and the button that writes it down. */
export function ProofForm({
  asked,
  onSend,
  children,
}: {
  asked: AuthorityAsked | null
  onSend: (asked: AuthorityAsked) => void
  children: ReactNode
}) {
  const judged = asked && judgeAuthority(asked)
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (asked) onSend(asked)
      }}
    >
      {children}
      <VerdictOf judged={judged} name="The proof" />
      <Button type="submit" look="main" disabled={!judged?.ok}>
        Write it down
      </Button>
    </form>
  )
}
