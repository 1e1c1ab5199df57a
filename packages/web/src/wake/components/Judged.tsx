import { judgeAuthority, type AuthorityAsked } from '@tidy-badger/core/wake'
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
export function VerdictOf({ asked, name }: { asked: AuthorityAsked | null; name: string }) {
  const judged = asked && judgeAuthority(asked)
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

/** The verdict, and the button that writes it down. */
export function Judged({ asked }: { asked: AuthorityAsked | null }) {
  return (
    <>
      <VerdictOf asked={asked} name="The proof" />
      <Button type="submit" look="main" disabled={asked === null || !judgeAuthority(asked).ok}>
        Write it down
      </Button>
    </>
  )
}
