import { inSentence, type Connector, type InlinePair } from '../../dossiers/index.ts'
import { judgePair } from '../judgePlace.ts'
import type { Connection, PairSide } from '../model.ts'
import { targetWords } from '../places.ts'
import { belongsWords, sayVerdicts, type CheckScene } from '../scene.ts'

/** Both halves made, on the same right plug, with terminals that meet. */
export function pairFindings(scene: CheckScene, end: InlinePair, made: readonly Connection[]): void {
  const { say, machine, index } = scene
  const plugs = new Map<PairSide, Connector>()
  for (const { to } of made) {
    const connector = 'connector' in to ? index.connectors.get(to.connector) : undefined
    if (!connector || !('connector' in to) || 'cavity' in to) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        `${end.name} is a plug pair and cannot go to ${targetWords(machine, to, scene.kit)}.`,
        belongsWords(scene, end),
      )
      continue
    }
    const sides: PairSide[] = to.side ? [to.side] : ['factory', 'device']
    for (const side of sides) plugs.set(side, connector)
  }
  const factory = plugs.get('factory')
  const device = plugs.get('device')
  if (end.deviceHalf) {
    if (factory && !device)
      say(
        'pair-one-side',
        { kitEnd: end.id, connector: factory.id },
        `The factory plug is in the loom, but the loom is not on the ${factory.device}: the ${factory.device} is dead.`,
        `Push the other half of ${end.name} onto the ${factory.device} until it clicks.`,
      )
    if (device && !factory)
      say(
        'pair-one-side',
        { kitEnd: end.id, connector: device.id },
        `The loom is on the ${device.device}, but the factory plug is not in the loom: nothing reaches it.`,
        `Push the factory plug into the other half of ${end.name} until it clicks.`,
      )
    if (factory && device && factory.id !== device.id)
      say(
        'pair-split',
        { kitEnd: end.id, connector: device.id },
        `${end.name} has the plug of the ${factory.device} on one side and the ${device.device} on the other.`,
        `Part both halves. ${belongsWords(scene, end)}`,
      )
  }
  for (const connector of new Set(plugs.values()))
    sayVerdicts(scene, end, { kitEnd: end.id, connector: connector.id }, judgePair(machine, scene.kit, end, connector))
  for (const [side, connector] of plugs) {
    const other = takenBy(scene, end, side, connector)
    if (!other) continue
    say(
      'plug-twice',
      { kitEnd: end.id, connector: connector.id },
      `${end.name} and ${inSentence(other.name)} are both written down at ${inSentence(connector.name)}: one plug takes one pair.`,
      'Look which of them is there, and correct the other.',
    )
    break
  }
}

/** Another pair that is written down on the same half of the same plug. */
function takenBy(
  { kit, connections }: CheckScene,
  end: InlinePair,
  side: PairSide,
  connector: Connector,
): InlinePair | undefined {
  return kit.ends.find(
    (other): other is InlinePair =>
      other.type === 'inline-pair' &&
      other.id !== end.id &&
      connections.some(
        ({ kitEnd, to }) =>
          kitEnd === other.id &&
          'connector' in to &&
          !('cavity' in to) &&
          to.connector === connector.id &&
          (to.side === undefined || to.side === side),
      ),
  )
}
