import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import type { Kit, Machine } from '../dossiers/index.ts'
import { seededRandom } from '../shared/index.ts'
import { colourDistance, wireConfusion } from './colourDistance.ts'
import { gorseCase } from './gorseCase.ts'
import { connectorLookalikes, wireLookalikes } from './lookalikes.ts'
import { candidateCost, candidatesOf } from './matchCost.ts'
import { proposeMatches } from './proposeMatches.ts'

const { machine, kit } = gorseCase()
const targets = (onMachine: Machine, withKit: Kit) =>
  Object.fromEntries(proposeMatches(onMachine, withKit).map((match) => [match.kitEnd, match.target]))

describe('the quad and its kit', () => {
  test('every end finds its place', () => {
    expect(targets(machine, kit)).toEqual({
      injector: { connector: 'injector' },
      coil: { connector: 'coil' },
      crank: { connector: 'crank' },
      throttle: { connector: 'throttle', cavity: 2 },
      ground: { stud: 'engine-strap' },
      speed: null,
      bus: { closed: 'terminator' },
    })
  })

  test('on the later quad the speed lead is used', () => {
    const later = gorseCase('from-2021')
    expect(targets(later.machine, later.kit).speed).toEqual({ connector: 'speed', cavity: 2 })
  })

  test('each match says why and how much worse the next best is', () => {
    const crank = proposeMatches(machine, kit).find((match) => match.kitEnd === 'crank')
    expect(crank?.reasons).toEqual([
      'same signals: sensor ground, frequency, reference 5v',
      '3-way in both',
      'brown rectangle shell, key: flat',
      'wire colours agree: brown, white/orange, yellow/violet',
    ])
    expect(crank?.second?.margin).toBeGreaterThan(5)
  })

  test('shells and colours changed, the signals still win', () => {
    const repainted = structuredClone(machine)
    for (const connector of repainted.connectors)
      connector.shell = { family: 'x', colour: 'white', outline: 'oval', key: 'none' }
    for (const wire of repainted.wires) wire.colour = { base: 'white' }
    expect(targets(repainted, kit).crank).toEqual({ connector: 'crank' })
  })
})

test('the assignment equals the best of all assignments on small machines', () => {
  for (let seed = 1; seed <= 60; seed++) {
    const random = seededRandom(seed)
    const small = structuredClone(machine)
    small.connectors = small.connectors.filter(() => random.uniform() < 0.3)
    const keptIds = new Set(small.connectors.map((connector) => connector.id))
    small.wires = small.wires.filter((wire) =>
      [wire.from, wire.to].every((place) => !('connector' in place) || keptIds.has(place.connector)),
    )
    const smallKit = { ...kit, ends: kit.ends.filter((end) => end.type === 'inline-pair') }
    const connectors = candidatesOf(small, smallKit).filter((candidate) => candidate.kind === 'connector')
    const costOf = (end: number, choice: number) => {
      if (choice >= connectors.length) return 24
      return candidateCost(small, smallKit, smallKit.ends[end], connectors[choice])
    }
    let best = Infinity
    const tryAll = (end: number, taken: number[], sum: number) => {
      if (end === smallKit.ends.length) {
        best = Math.min(best, sum)
        return
      }
      for (let choice = 0; choice < connectors.length; choice++)
        if (!taken.includes(choice)) tryAll(end + 1, [...taken, choice], sum + costOf(end, choice))
      tryAll(end + 1, taken, sum + 24)
    }
    tryAll(0, [], 0)
    const total = proposeMatches(small, smallKit).reduce((sum, match) => sum + match.cost, 0)
    expect(total).toBeCloseTo(best, 9)
  }
})

describe('lookalikes', () => {
  test('the fan plug is named beside the crank plug, with what tells them apart', () => {
    const fan = connectorLookalikes(machine, ref('crank')).find((lookalike) => lookalike.connector === 'fan')
    expect(fan?.shared).toContain('both 3-pin, yellow in both')
    expect(fan?.telling).toContain('the brown shell, a flat key')
    expect(fan?.telling).toContain('a black one, a notch key')
  })

  test('a plug with other pins is none', () => {
    expect(connectorLookalikes(machine, ref('crank')).map((lookalike) => lookalike.connector)).not.toContain('coil')
    expect(connectorLookalikes(machine, ref('nothing'))).toEqual([])
  })

  test('grey/violet and violet/grey are taken for each other', () => {
    const throttle = machine.wires.find((wire) => wire.net === 'throttle-signal')
    if (!throttle) throw new Error('the quad has a throttle wire')
    const swapped = wireLookalikes(machine, throttle).filter((lookalike) => lookalike.confusion === 'swapped')
    expect(swapped.map((lookalike) => lookalike.wire.net)).toEqual(['neutral-signal'])
  })

  test.each([
    [{ base: 'grey' }, { base: 'grey', stripe: 'violet' }, 'stripe only'],
    [{ base: 'grey', stripe: 'violet' }, { base: 'violet', stripe: 'grey' }, 'swapped'],
    [{ base: 'grey' }, { base: 'grey' }, 'same'],
    [{ base: 'red' }, { base: 'white' }, null],
    [{ base: 'green' }, { base: 'brown' }, 'close colours'],
  ] as const)('%o and %o: %s', (a, b, confusion) => {
    expect(wireConfusion(a, b)).toBe(confusion)
  })

  test('distance is symmetric and counts colour-vision loss', () => {
    expect(colourDistance('red', 'green')).toBe(colourDistance('green', 'red'))
    expect(colourDistance('green', 'brown')).toBeLessThan(12)
    expect(colourDistance('black', 'white')).toBeGreaterThan(50)
  })
})
