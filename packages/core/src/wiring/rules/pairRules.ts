import {
  cavityKey,
  inSentence,
  type Connector,
  type InlinePair,
  type Net,
  type PairLine,
} from '../../dossiers/index.ts'
import type { Connection, FindingPlace, PairSide } from '../model.ts'
import { pinCount, pinsApart } from '../pins.ts'
import { targetWords } from '../places.ts'
import { plannedWords, type CheckScene } from '../scene.ts'

/** Both halves made, on the same right plug, with terminals that meet. */
export function pairFindings(scene: CheckScene, end: InlinePair, made: readonly Connection[]): void {
  const { say, machine, index } = scene
  const remedyPlace = plannedWords(scene, end, 'its own plug')
  const plugs = new Map<PairSide, Connector>()
  for (const { to } of made) {
    const connector = 'connector' in to ? index.connectors.get(to.connector) : undefined
    if (!connector || !('connector' in to) || 'cavity' in to) {
      say(
        'wrong-kind',
        { kitEnd: end.id },
        `${end.name} is a plug pair and cannot go to ${targetWords(machine, to, scene.kit)}.`,
        `Connect it to ${remedyPlace}.`,
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
        `Both halves belong to ${remedyPlace}.`,
      )
  }
  for (const connector of new Set(plugs.values())) checkPlug(scene, end, connector, remedyPlace)
}

function checkPlug(scene: CheckScene, end: InlinePair, connector: Connector, remedyPlace: string): void {
  const { say, index } = scene
  const at = { kitEnd: end.id, connector: connector.id }
  if (pinsApart(end, connector) > 0) {
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
  const nets = end.lines.map((line) => {
    const wire = index.wireInCavity.get(cavityKey(connector.id, line.cavity))
    return { line, net: wire && index.nets.get(wire.net) }
  })
  if (nets.some(({ net }) => net?.role === 'airbag')) {
    say(
      'airbag-circuit',
      at,
      `${connector.name} belongs to the airbag: it can fire in your face.`,
      'Key off, wait ten minutes, touch nothing more there, and have it looked at by the licensed workshop.',
    )
    return
  }
  const wrong = nets.find(
    ({ line, net }) =>
      !net || (net.signal !== 'unknown' && (net.signal !== line.wants.signal || net.role !== line.wants.role)),
  )
  if (wrong) {
    say(
      'wrong-connector',
      { ...at, cavity: wrong.line.cavity },
      `Cavity ${wrong.line.cavity} of ${connector.name} carries ${wrong.net ? inSentence(wrong.net.name) : 'nothing'}; ${end.name} works on ${wrong.line.wants.role.replaceAll('-', ' ')} there.`,
      `Take ${end.name} off and connect it to ${remedyPlace}.`,
    )
    return
  }
  for (const { line, net } of nets) if (net && likeButOther(scene, end, line, net, at, remedyPlace)) return
}

/** The right kind of plug, of another cylinder, row or track. @returns true when said */
function likeButOther(
  { say, kit }: CheckScene,
  end: InlinePair,
  { cavity, wants }: PairLine,
  net: Net,
  at: FindingPlace,
  remedyPlace: string,
): boolean {
  const remedy = `Take ${end.name} off and connect it to ${remedyPlace}.`
  if (wants.row !== undefined && net.row !== wants.row) {
    say(
      'wrong-row',
      { ...at, cavity },
      `This is ${inSentence(net.name)}; ${end.name} is for the ${wants.row} row.`,
      remedy,
    )
    return true
  }
  if (wants.track !== undefined && net.track !== wants.track) {
    say(
      'wrong-track',
      { ...at, cavity },
      `Cavity ${cavity} carries ${inSentence(net.name)}; ${end.name} wants track ${wants.track} there.`,
      remedy,
    )
    return true
  }
  const mayBe = kit.ends.flatMap((other) =>
    other.type === 'inline-pair' &&
    (other === end || (end.interchangeable !== undefined && other.interchangeable === end.interchangeable))
      ? other.lines.filter((line) => line.cavity === cavity).map((line) => line.wants.cylinder)
      : [],
  )
  if (wants.cylinder === undefined || mayBe.includes(net.cylinder)) return false
  say(
    'wrong-cylinder',
    { ...at, cavity },
    `This is ${inSentence(net.name)}; ${end.name} is for number ${wants.cylinder}.`,
    remedy,
  )
  return true
}
