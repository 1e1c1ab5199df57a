import { wireAt, inSentence, wireName, type KitEnd, type KitEndId } from '../dossiers/index.ts'
import type { JobDossiers, JobState } from '../jobs/index.ts'
import { connectionPlan, targetWords, type ConnectionTarget } from '../wiring/index.ts'

/** A label that stays on the machine, so that the next person knows. */
export interface WireLabel {
  kitEnd: KitEndId
  tag: string
  kind: 'branch' | 'tap' | 'cut' | 'ground' | 'feed' | 'spare'
  /** Largest first; three lines at most. */
  lines: string[]
  /** Where the job shows this end, from the root of the server. */
  path: string
}

/** One label for every end: as built where it is built, else as planned. Sockets within the kit need none. */
export function wireLabels(dossiers: JobDossiers, job: { id: string; title: string }, state: JobState): WireLabel[] {
  const plan = connectionPlan(dossiers, state)
  return dossiers.kit.ends.flatMap((end): WireLabel[] => {
    if (end.type === 'plug') return []
    const made = state.connections.find((connection) => connection.kitEnd === end.id)
    const target = made?.to ?? plan.find((match) => match.kitEnd === end.id)?.target ?? { closed: 'cap' as const }
    const kind = kindOf(end, target)
    return [
      {
        kitEnd: end.id,
        tag: end.tag,
        kind,
        lines: [
          `${end.tag} ${kindWords[kind]}`,
          placeLine(dossiers, end, target),
          `${dossiers.kit.maker} ${dossiers.kit.model}, ${job.title}`,
        ],
        path: `/job/${job.id}/hook-up?end=${end.id}`,
      },
    ]
  })
}

const kindWords: Record<WireLabel['kind'], string> = {
  branch: 'branch',
  tap: 'tap',
  cut: 'cut wire',
  ground: 'ground',
  feed: 'feed, fused',
  spare: 'spare, capped',
}

function kindOf(end: KitEnd, target: ConnectionTarget): WireLabel['kind'] {
  if ('closed' in target) return 'spare'
  if (end.type === 'ring') return end.wants.signal.startsWith('supply') ? 'feed' : 'ground'
  if (end.type === 'flying-lead') return end.cut ? 'cut' : 'tap'
  return 'branch'
}

function placeLine({ machine, kit }: JobDossiers, end: KitEnd, target: ConnectionTarget): string {
  if (end.type === 'port') return end.name
  if ('closed' in target) return `${end.name}, not used on ${machine.model}`
  const words = targetWords(machine, target, kit)
  if (!('connector' in target) || !('cavity' in target)) return words
  const wire = wireAt(machine, target.connector, target.cavity)
  return wire ? `${words}: ${inSentence(wireName(wire.colour))}` : words
}
