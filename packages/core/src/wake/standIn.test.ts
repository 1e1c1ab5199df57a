import { describe, expect, test } from 'vitest'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { fuelChannels, gateShut, hasAuthority, judgeAuthority, proofOf, readLamp, stepOf } from './index.ts'
import { standIn, standInProof, standInWays, type StandInWay } from './standIn.ts'

const seeds = [1, 2, 3, 4, 5]
const alone = fittings.filter(({ name }) => !name.includes(','))
const acting = alone.filter(({ kit }) => hasAuthority(kit))
const verdict = (asked: Parameters<typeof judgeAuthority>[0]) => {
  const judged = judgeAuthority(asked)
  return judged.ok ? judged.value.verdict : 'refused'
}

describe.each(standInWays)('a stand-in that is %s', (way) => {
  const connection: Record<StandInWay, string> = {
    ...{ right: 'pass', bypassed: 'bypassed', crossed: 'pass' },
    ...{ sensor: 'sensor', dead: 'bypassed', asleep: 'unclear' },
  }
  test('is judged as what it is at wake, for every kit that acts', () => {
    expect(acting.length).toBeGreaterThan(10)
    for (const { machine, kit } of acting)
      for (const seed of seeds) {
        const played = standIn(machine, kit, { way, seed })
        const asked = { kind: 'connection', samples: standInProof(played), tolerance: proofOf(kit).tolerance } as const
        expect([kit.id, verdict(asked)]).toEqual([kit.id, connection[way]])
      }
  })

  test('and channel by channel, and at a level', () => {
    let [muted, levels] = [0, 0]
    for (const { machine, kit } of alone)
      for (const seed of seeds) {
        const { mute, level } = standIn(machine, kit, { way, seed })
        if (mute) {
          muted++
          const crossed = way === 'crossed' && mute.channels.length > 1
          const dead = way === 'bypassed' || way === 'dead'
          expect([kit.id, verdict(mute)]).toEqual([kit.id, crossed ? 'crossed' : dead ? 'bypassed' : 'pass'])
        }
        const last = kit.levels?.findLast((one) => stepOf(one, kit) !== null)
        const step = last && stepOf(last, kit)
        if (level && last && step) {
          levels++
          const { declared: stepDeclared, tolerance } = step
          const gateMet = gateShut(last, level.run).length === 0
          const asked = { kind: 'level', ...level, stepDeclared, tolerance, gateMet } as const
          const wanted = way === 'asleep' ? 'unclear' : way === 'dead' ? 'bypassed' : connection[way]
          expect([kit.id, verdict(asked)]).toEqual([kit.id, wanted])
        }
      }
    expect([muted > 20, levels > 20]).toEqual([true, true])
  })

  test('shows by its lamp that it is in order, or dark', () => {
    for (const { machine, kit } of alone) {
      const { lamp } = standIn(machine, kit, { way, seed: 1 })
      if (!lamp) continue
      const read = readLamp({ ...lamp, lamps: kit.lamps ?? [] })
      const sign = kit.lamps?.find(({ id }) => read.ok && id === read.value.pattern)
      if (way === 'dead') expect([kit.id, sign?.state]).toEqual([kit.id, 'dark'])
      else expect([kit.id, sign?.rightAt]).toEqual([kit.id, expect.arrayContaining(['running']) as unknown])
    }
  })
})

test('a channel the engine has no cylinder for is not muted', () => {
  const four = shippedKit('quernby-p4-twin')
  expect(fuelChannels(four, shippedMachine('tarnbrook-saddler-880'))).toEqual([1, 2])
  expect(fuelChannels(four, { engine: { ...shippedMachine('tarnbrook-saddler-880').engine, cylinders: 4 } })).toEqual([
    ...[1, 2, 3, 4],
  ])
})

test('the same seed plays the same, another one does not', () => {
  const [{ machine, kit }] = acting
  const play = (seed: number) => standIn(machine, kit, { way: 'right', seed }).lines
  expect(play(4)).toEqual(play(4))
  expect(play(4)).not.toEqual(play(5))
})
