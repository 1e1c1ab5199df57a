import type { Kit, Machine } from '../dossiers/index.ts'
import { adviseJoint, type JoinPractice } from './joinMethods.ts'
import type { Connection } from './model.ts'
import type { Match } from './proposeMatches.ts'

/** The job as it will be when everything is connected as planned: both halves of every pair, joined as advised, tugged. */
export function plannedConnections(
  machine: Machine,
  kit: Kit,
  plan: readonly Match[],
  school: JoinPractice = 'by place',
): Connection[] {
  return plan.flatMap(({ kitEnd, target }): Connection[] => {
    const end = kit.ends.find((item) => item.id === kitEnd)
    if (!end) return []
    if (target === null) return [{ kitEnd, to: { closed: 'cap' } }]
    if ('closed' in target || 'open' in target) return [{ kitEnd, to: target }]
    if (end.type === 'inline-pair' && 'connector' in target)
      return [
        { kitEnd, to: { connector: target.connector, side: 'factory' }, tugged: true },
        ...(end.deviceHalf
          ? [{ kitEnd, to: { connector: target.connector, side: 'device' as const }, tugged: true }]
          : []),
      ]
    const advice = end.type === 'flying-lead' ? adviseJoint(machine, kit, end, target, school) : null
    const to = end.type === 'flying-lead' && end.cut && 'cavity' in target ? { ...target, half: end.cut.half } : target
    return [{ kitEnd, to, ...(advice ? { method: advice.method } : {}), tugged: true }]
  })
}
