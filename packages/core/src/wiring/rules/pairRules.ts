import { inSentence, netAt, type Connector, type KitEnd } from '../../dossiers/index.ts'
import type { CheckScene } from '../scene.ts'
import { pinCount } from '../lookalikes.ts'
import type { Connection, PairSide } from '../model.ts'
import { targetWords } from '../places.ts'

type Pair = Extract<KitEnd, { type: 'inline-pair' }>

/** Both halves made, on the same right plug, with terminals that meet. */
export function pairFindings(scene: CheckScene, end: Pair, made: readonly Connection[]): void {
  const { say, machine, plan } = scene
  const match = plan.find((candidate) => candidate.kitEnd === end.id)
  const remedyPlace = match?.target ? targetWords(machine, match.target) : 'its own plug'
  const plugs = new Map<PairSide, Connector>()
  for (const connection of made) {
    const { to } = connection
    const connector = 'connector' in to ? machine.connectors.find((item) => item.id === to.connector) : undefined
    if (!connector || !('connector' in to) || 'cavity' in to) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        `${end.name} is a plug pair and cannot go to ${targetWords(machine, to)}.`,
        `Connect it to ${remedyPlace}.`,
      )
      continue
    }
    const sides: PairSide[] = to.side ? [to.side] : ['factory', 'device']
    for (const side of sides) plugs.set(side, connector)
  }
  const factory = plugs.get('factory')
  const device = plugs.get('device')
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
      `Both halves belong to ${remedyPlace}.`,
    )
  for (const connector of new Set(plugs.values())) checkPlug(scene, end, connector, remedyPlace)
}

function checkPlug({ say, machine }: CheckScene, end: Pair, connector: Connector, remedyPlace: string): void {
  const at = { kitEnd: end.id, connector: connector.id }
  if (pinCount(connector) !== pinCount(end)) {
    say(
      'pins-differ',
      at,
      `${end.name} has ${pinCount(end)} pins, ${connector.name} has ${pinCount(connector)}.`,
      `Take it off; it belongs to ${remedyPlace}.`,
    )
    return
  }
  if (end.factoryHalf.gender === connector.gender)
    say(
      'genders-clash',
      at,
      `The ${connector.gender} terminals of ${connector.name} cannot mate with ${end.factoryHalf.gender} ones.`,
      'Turn the pair round, or use the other half.',
    )
  const wrong = end.lines.find((line) => {
    const net = netAt(machine, connector.id, line.cavity)
    return !net || net.signal !== line.wants.signal || net.role !== line.wants.role
  })
  if (!wrong) return
  const net = netAt(machine, connector.id, wrong.cavity)
  say(
    'wrong-connector',
    { ...at, cavity: wrong.cavity },
    `Cavity ${wrong.cavity} of ${connector.name} carries ${net ? inSentence(net.name) : 'nothing'}; ${end.name} works on ${wrong.wants.role.replaceAll('-', ' ')} there.`,
    `Take ${end.name} off and connect it to ${remedyPlace}.`,
  )
}
