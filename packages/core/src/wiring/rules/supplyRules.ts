import { inSentence, type FlyingLead, type Net, type RingEnd } from '../../dossiers/index.ts'
import type { FindingPlace } from '../model.ts'
import type { CheckScene } from '../scene.ts'

/** From this current on nothing may be returned to a sensor ground: 20 mA over its thin wire shifts every reading. */
const sensorGroundLimitA = 0.02

/** What an end draws or returns, A. */
export function currentOf({ kit }: CheckScene, end: FlyingLead | RingEnd): number {
  if (end.currentA !== undefined) return end.currentA
  if (end.reference) return 0
  const carries = end.wants.signal.startsWith('supply') || end.wants.signal === 'power-ground'
  return carries ? kit.module.supplyA : 0
}

/** A switched feed on a circuit that is no good for it. @returns true when the finding says it all */
export function feedFindings(
  scene: CheckScene,
  end: FlyingLead,
  net: Net,
  at: FindingPlace,
  remedyPlace: string,
): boolean {
  if (end.wants.signal !== 'supply-switched') return false
  const { say } = scene
  const current = currentOf(scene, end)
  if (net.signal === 'supply-always') {
    say(
      'feed-always-live',
      at,
      `${net.name} is live with the key off: the module would never sleep.`,
      `Join ${end.name} to a circuit that dies with the key: ${remedyPlace}.`,
    )
    return true
  }
  if (net.signal !== 'supply-switched') return false
  if (net.role === 'brake-lamp') {
    say(
      'feed-brake-lamp',
      at,
      `${net.name} is live only while braking.`,
      `Join ${end.name} to a circuit that is live as long as the key is on: ${remedyPlace}.`,
    )
    return true
  }
  if (net.electronic) {
    say(
      'feed-electronic',
      at,
      `${net.name} is driven by electronics that watch their load: it takes neither a tap nor a relay coil.`,
      `Join ${end.name} to ${remedyPlace}.`,
    )
    return true
  }
  const spare = net.spareA ?? 0
  if (current > spare)
    say(
      'feed-over-spare',
      at,
      `${net.name} has ${spare} A to spare; ${end.name} draws ${current} A.`,
      `Join it to ${remedyPlace}, or let a relay carry the load.`,
    )
  return net.role !== end.wants.role ? acceptableFeed(net, current) : false
}

/** Any switched supply with current to spare will feed; the plan may name a better one. */
function acceptableFeed(net: Net, current: number): boolean {
  return (net.role === 'supply' || net.role === 'lamp') && (net.spareA ?? 0) >= current
}

/** Grounds and references on each other's wires. @returns true when the finding says it all */
export function groundFindings(
  scene: CheckScene,
  end: FlyingLead | RingEnd,
  net: Net,
  at: FindingPlace,
  remedyPlace: string,
): boolean {
  const { say } = scene
  const current = currentOf(scene, end)
  if (end.reference && net.signal === 'power-ground') {
    say(
      'reference-on-power',
      at,
      `${end.name} is the reference of a measurement; ${inSentence(net.name)} moves with every load on it.`,
      `Join it to a sensor ground: ${remedyPlace}.`,
    )
    return true
  }
  if (end.wants.signal === 'power-ground' && net.signal === 'sensor-ground') {
    if (current > sensorGroundLimitA)
      say(
        'ground-sensor',
        at,
        `${net.name} is the reference of the sensors; ${current} A through it would shift every reading.`,
        `Join ${end.name} to a power ground: ${remedyPlace}.`,
      )
    return current > sensorGroundLimitA
  }
  if (end.wants.signal === 'power-ground' && (net.signal === 'supply-always' || net.signal === 'supply-switched')) {
    say(
      'ground-live',
      at,
      `${net.name} is live. A ground on it is a dead short.`,
      `Battery negative off now. Move it to ${remedyPlace}.`,
    )
    return true
  }
  return false
}
