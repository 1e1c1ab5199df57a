import { joinedId, type KitMember } from '../dossiers/index.ts'
import type { EntryBody } from './model.ts'
import { namesOf, renamedIn } from './namedForKits.ts'

/** What is written down about one kit of several, in that kit's own names, as the whole job names it. */
export function namedForMember({ key, kit }: KitMember, body: EntryBody): EntryBody {
  if (key === '') return body
  const names = namesOf(kit)
  const rename = (id: string) => (names.has(id) ? joinedId(key, id) : id)
  const renamed = renamedIn(body, rename)
  if (renamed.kind === 'mounted' || renamed.kind === 'mount-place-chosen') return { ...renamed, kit: kit.id }
  if (renamed.kind === 'reading' && renamed.card !== undefined) return { ...renamed, card: joinedId(key, renamed.card) }
  if (renamed.kind === 'stop-lifted') {
    const [rule, end = '', ...rest] = renamed.finding.split('|')
    return { ...renamed, finding: [rule, rename(end), ...rest].join('|') }
  }
  return renamed
}
