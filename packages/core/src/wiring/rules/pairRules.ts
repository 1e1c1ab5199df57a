import { type Connector, type InlinePair } from '../../dossiers/index.ts'
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
        { end: end.name, is: 'pair', place: targetWords(machine, to, scene.kit), belongs: belongsWords(scene, end) },
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
        { end: end.name, device: factory.device, half: 'factory' },
      )
    if (device && !factory)
      say(
        'pair-one-side',
        { kitEnd: end.id, connector: device.id },
        { end: end.name, device: device.device, half: 'device' },
      )
    if (factory && device && factory.id !== device.id)
      say(
        'pair-split',
        { kitEnd: end.id, connector: device.id },
        { end: end.name, factory: factory.device, device: device.device },
        belongsWords(scene, end),
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
      { end: end.name, other: other.name, plug: connector.name },
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
