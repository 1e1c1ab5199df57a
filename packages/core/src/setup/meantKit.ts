import { memberNamed, membersOf, type Kit, type KitMember } from '../dossiers/index.ts'
import type { Problem } from '../shared/index.ts'

/** The kit that an entry means, among those that it could be of; the first of them where none is named. */
export function meant(kit: Kit, named: string | undefined, could: (kit: Kit) => boolean): KitMember | null {
  if (named === undefined) return membersOf(kit).find((member) => could(member.kit)) ?? null
  const found = memberNamed(kit, named)
  return found && could(found.kit) ? found : null
}

export const noSuch = (message: string): Problem[] => [{ code: 'no-such-need', path: 'kit', message }]
export const outOfRange = (path: string, message: string): Problem[] => [{ code: 'out-of-range', path, message }]

export const levelOf = (kit: Kit) => kit.settings.find(({ role }) => role === 'level')
export const hasLevels = (kit: Kit) => levelOf(kit) !== undefined
