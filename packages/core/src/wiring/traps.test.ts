import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { checkWiring } from './checkWiring.ts'
import { connectorLookalikes, wireLookalikes } from './lookalikes.ts'
import { proposeMatches } from './proposeMatches.ts'
import { shippedKit, shippedMachine } from './shippedCase.ts'

/** What a hand takes for what on the machines as they are. */
const plugTraps: [string, string, string, string, string | undefined][] = [
  ['pellick-gorse-430', 'crank', 'fan', 'a flat key', undefined],
  ['ostrel-kittiwake-640', 'crank', 'speed', 'below the starter', undefined],
  ['ostrel-kittiwake-640', 'throttle', 'sub-throttle', 'lower of two', undefined],
  ['tarnbrook-calder-1130', 'oxygen-f', 'oxygen-r', 'upper of two', undefined],
  ['pellick-skua-960', 'speed', 'fan', 'on the gearbox', undefined],
  ['corvane-marlow-29', 'cam-in', 'cam-ex', 'the grey shell', undefined],
  ['hallam-voss-shieling-21', 'rail', 'crank', 'facing the bulkhead', undefined],
  ['hallam-voss-packhorse-62', 'boost', 'oil-p', 'a notch key', undefined],
  ['hallam-voss-longhaul-69', 'rail', 'oil-p', 'through the wheel arch', undefined],
  ['grangeway-t9', 'injection', 'injection-inner', 'ring to turn', undefined],
  ['pellick-rime-790', 'egt-1', 'egt-2', 'left of the pipe', undefined],
]

test.each(plugTraps)('%s: %s is taken for %s, and "%s" tells', (machine, wanted, other, telling, variant) => {
  const looks = connectorLookalikes(shippedMachine(machine, variant), ref(wanted))
  const look = looks.find((item) => item.connector === other)
  expect(look?.telling).toContain(telling)
})

const wireTraps: [string, string, string, string][] = [
  ['pellick-gorse-430', 'throttle-signal', 'neutral-signal', 'swapped'],
  ['tarnbrook-saddler-880', 'neutral', 'speed', 'swapped'],
  ['corvane-marlow-29', 'maf', 'iat', 'stripe only'],
  ['ostrel-kittiwake-640', 'crank', 'ref5', 'stripe only'],
]

test.each(wireTraps)('%s: the wire of %s is taken for that of %s (%s)', (id, wanted, other, confusion) => {
  const machine = shippedMachine(id)
  const looks = machine.wires.filter((wire) => wire.net === wanted).flatMap((wire) => wireLookalikes(machine, wire))
  expect(looks.find((look) => look.wire.net === other)?.confusion).toBe(confusion)
})

describe('traps of variants', () => {
  test('the early rail branch on the later truck puts 5 V on the ground, and is stopped', () => {
    const machine = shippedMachine('hallam-voss-longhaul-69', 'from-2015')
    const kit = shippedKit('thistle-d5')
    const plan = proposeMatches(machine, kit)
    expect(plan.find((match) => match.kitEnd === 'rail')?.target).toEqual({ connector: 'rail' })
    expect(plan.find((match) => match.kitEnd === 'rail-early')?.target).toBeNull()
    const found = checkWiring(
      machine,
      kit,
      [{ kitEnd: ref('rail-early'), to: { connector: ref('rail') }, tugged: true }],
      {
        plan,
      },
    )
    expect(found.find((finding) => finding.rule === 'wrong-connector')?.reason).toContain(
      'Cavity 1 of Rail pressure plug carries sensor ground',
    )
    const early = proposeMatches(shippedMachine('hallam-voss-longhaul-69'), kit)
    expect(early.find((match) => match.kitEnd === 'rail-early')?.target).toEqual({ connector: 'rail' })
    expect(early.find((match) => match.kitEnd === 'rail')?.target).toBeNull()
  })

  test('the working side-by-side gives the relay a lamp circuit with more to spare', () => {
    const plain = shippedMachine('pellick-skua-960')
    const working = shippedMachine('pellick-skua-960', 'working')
    expect(plain.nets.some((net) => net.id === 'bed-lamp')).toBe(false)
    expect(working.nets.find((net) => net.id === 'bed-lamp')?.spareA).toBe(4)
  })

  test('lamp outputs driven by electronics take no relay coil on the tourer', () => {
    const machine = shippedMachine('tarnbrook-calder-1130')
    const kit = shippedKit('quernby-learner')
    expect(proposeMatches(machine, kit).find((match) => match.kitEnd === 'relay-coil')?.target).toMatchObject({
      connector: 'plate-lamp',
    })
    const found = checkWiring(machine, kit, [
      { kitEnd: ref('relay-coil'), to: { connector: ref('tail-lamp'), cavity: 1 }, tugged: true },
    ])
    expect(found.map((finding) => finding.rule)).toContain('feed-electronic')
  })
})
