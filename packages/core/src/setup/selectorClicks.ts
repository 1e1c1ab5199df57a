import { membersOf, type Kit, type KitMember } from '../dossiers/index.ts'

/** Clicks of a selector from stock up: as many as the module of the job has, or else as it ships with. */
export function selectorClicks(kit: Kit, member: Pick<KitMember, 'key' | 'kit'>): number[] {
  const levels = membersOf(kit).find((other) => other.key !== member.key && other.kit.levels)?.kit.levels?.length
  const own = Number(member.kit.settings.find(({ role }) => role === 'positions')?.shipped)
  const count = levels === undefined ? own : levels + 1
  return Array.from({ length: Number.isInteger(count) && count > 0 ? count : 1 }, (_item, i) => i)
}
