import { isUnsure, knownOf, machineIndex, wireAt } from '../dossiers/index.ts'
import { connectionPlan, judgeReading, meterCards } from '../wiring/index.ts'
import type { JournalEntry, NewEntry } from './model.ts'
import type { JobDossiers, JobState } from './state.ts'

/** A guess of the machine's dossier that a reading met. */
export interface MetGuess {
  of: 'nets' | 'wires' | 'studs'
  id: string
  good: boolean
  /** What was read, in the words of its verdict. */
  says: string
  by?: string
  at?: string
}

/** Guesses of the dossier that readings among the entries agreed with or spoke against, each judged as on its card. */
export function metGuesses(
  dossiers: JobDossiers,
  state: JobState,
  entries: readonly (NewEntry | JournalEntry)[],
): MetGuess[] {
  const { machine, kit } = dossiers
  if (!machine.known?.some(isUnsure)) return []
  const read = entries.flatMap((entry) => (entry.kind === 'reading' && entry.card !== undefined ? [entry] : []))
  if (read.length === 0) return []
  const plan = connectionPlan(dossiers, state)
  const cards = new Map(
    kit.ends.flatMap((end) =>
      meterCards(
        machine,
        kit,
        end,
        plan.find((match) => match.kitEnd === end.id),
      ).map((card) => [card.id, card]),
    ),
  )
  const { nets } = machineIndex(machine)
  return read.flatMap(({ card: id, value, by, at }): MetGuess[] => {
    const card = cards.get(id ?? '')
    // A dead circuit agrees with everything: only what is live tells one from another.
    if (!card || card.barred || card.state === 'battery off') return []
    const { good, says } = judgeReading(machine, card, value)
    const { connector, cavity, stud } = card.about
    const wire = connector === undefined || cavity === undefined ? undefined : wireAt(machine, connector, cavity)
    const net = wire && nets.get(wire.net)
    const things: [MetGuess['of'], string | undefined][] = [
      ['nets', net?.id],
      ['wires', wire?.id],
      ['studs', stud],
    ]
    return things.flatMap(([of, one]) =>
      one !== undefined && isUnsure(knownOf(machine, of, one))
        ? [{ of, id: one, good, says: `${card.state}: ${says}`, ...(by ? { by } : {}), ...(at ? { at } : {}) }]
        : [],
    )
  })
}
