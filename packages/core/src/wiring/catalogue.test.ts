import type { Erratum } from './model.ts'
import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { parseMachine, type Kit } from '../dossiers/index.ts'
import { checkWiring } from './checkWiring.ts'
import type { Connection, Finding } from './model.ts'
import { wiringRules, type WiringRule } from './ruleCatalogue.ts'
import { plannedConnections } from './plannedConnections.ts'
import { plantMistakes, type Planted } from './plantedCase.ts'
import { proposeMatches, type Match } from './proposeMatches.ts'
import { randomLoom } from './randomLoomCase.ts'
import { fittings, shippedKit, shippedMachine } from './shippedCase.ts'

const grave = (finding: Finding) => finding.severity !== 'note'

function missed(planted: readonly Planted[], plan: readonly Match[]): string[] {
  return planted.flatMap(({ rule, end, machine, kit, connections }) => {
    const found = checkWiring(machine, kit, connections, { plan })
    return found.some((finding) => finding.rule === rule)
      ? []
      : [
          `${kit.id} on ${machine.id}, ${end}: ${rule} ${JSON.stringify(connections.filter((made) => made.kitEnd === end))}`,
        ]
  })
}

describe.each(fittings)('$name', ({ machine, kit }) => {
  const plan = proposeMatches(machine, kit)

  test('everything connected as planned has no stop and no fix', () => {
    expect(checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan }).filter(grave)).toEqual([])
  })

  test('every mistake a hand can make is found by its own rule', () => {
    const planted = plantMistakes(machine, kit, plan)
    expect(planted.length).toBeGreaterThan(0)
    expect(missed(planted, plan)).toEqual([])
  })
})

test('on random machines the match is the one meant, a right job is clean and every planted mistake is found', () => {
  for (let seed = 1; seed <= 40; seed++) {
    const { machine, kit, intended } = randomLoom(seed, 6 + (seed % 20))
    expect(parseMachine(machine), `seed ${seed}`).toMatchObject({ ok: true })
    const plan = proposeMatches(machine, kit)
    for (const [end, place] of intended) {
      const target = plan.find((match) => match.kitEnd === end)?.target
      const found =
        target && 'connector' in target
          ? 'cavity' in target
            ? `${target.connector}/${target.cavity}`
            : target.connector
          : null
      expect(found, `seed ${seed}, ${end}`).toBe(place)
    }
    expect(
      checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan }).filter(grave),
      `seed ${seed}`,
    ).toEqual([])
    expect(missed(plantMistakes(machine, kit, plan), plan), `seed ${seed}`).toEqual([])
  }
})

/** Rules that need a changed kit, a changed machine or the journal; each with its own test here or beside the journal. */
const elsewhere: WiringRule[] = [
  'unknown-module',
  'unknown-in-way',
  'row-clash',
  'changed-twice',
  'method-not-in-kit',
  'wrong-stud',
  'reference-on-power',
  'joined-live',
  'puncture-open',
  'two-places',
  'cut-no-consent',
  'earlier-work',
  'cut-open',
  'genders-clash',
  'ground-sensor',
  'feed-unfused',
  'wrong-machine',
  'confusable-wire',
  'kit-lookalike',
  'sheet-differs',
  'sheet-erratum',
  'dossier-gap',
  'guessed-place',
  'wrong-bank',
  'feed-over-fuse',
  'pin-occupied',
]

test('every rule of the catalogue is planted somewhere', () => {
  const planted = new Set(
    fittings.flatMap(({ machine, kit }) =>
      plantMistakes(machine, kit, proposeMatches(machine, kit)).map((item) => item.rule),
    ),
  )
  expect(
    Object.keys(wiringRules).filter(
      (rule) => !planted.has(rule as WiringRule) && !elsewhere.includes(rule as WiringRule),
    ),
  ).toEqual([])
})

describe('rules that need more than another connection', () => {
  const rules = (found: readonly Finding[]) => found.map((finding) => finding.rule)
  const changed = (kit: Kit, change: (copy: Kit) => void): Kit => {
    const copy = structuredClone(kit)
    change(copy)
    return copy
  }
  const learner = shippedKit('quernby-learner')
  const skua = shippedMachine('pellick-skua-960')
  const right = (machine = skua, kit = learner) => plannedConnections(machine, kit, proposeMatches(machine, kit))

  test('a battery ring without a fuse', () => {
    const bare = changed(learner, (copy) => {
      for (const end of copy.ends) if (end.type === 'ring') delete end.fuseA
    })
    expect(rules(checkWiring(skua, bare, right()))).toContain('feed-unfused')
    // As the remedy says: a holder with a fuse is fitted, and written down.
    const fused = right().map((made) => (made.kitEnd === 'relay-feed' ? { ...made, fuseA: 10 } : made))
    expect(rules(checkWiring(skua, bare, fused))).not.toContain('feed-unfused')
    expect(rules(checkWiring(skua, learner, right()))).not.toContain('feed-unfused')
  })

  test('a box that never sleeps on the battery needs a relay in its feed; one not joined yet has not pulled', () => {
    const relayless = changed(learner, (copy) => {
      copy.ends = copy.ends.filter((end) => end.id !== 'relay-coil')
    })
    const made = right().filter((connection) => connection.kitEnd !== 'relay-coil')
    expect(rules(checkWiring(skua, relayless, made))).toContain('feed-always-live')
    expect(rules(checkWiring(skua, learner, made))).not.toContain('feed-always-live')
    const sleeping = changed(relayless, (copy) => (copy.module.sleeps = true))
    expect(rules(checkWiring(skua, sleeping, made))).not.toContain('feed-always-live')
  })

  const marlow = shippedMachine('corvane-marlow-29')
  const a2 = shippedKit('thistle-a2')

  test('a cut airflow wire with only one half joined leads nowhere', () => {
    const one = right(marlow, a2).filter((made) => made.kitEnd !== 'maf-out')
    expect(rules(checkWiring(marlow, a2, one))).toContain('cut-open')
    expect(rules(checkWiring(marlow, a2, right(marlow, a2)))).not.toContain('cut-open')
  })

  test('a lead that carries a heater current on a sensor ground can never be lifted', () => {
    const heater = changed(a2, (copy) => {
      for (const end of copy.ends)
        if (end.id === 'reference' && end.type === 'flying-lead')
          Object.assign(end, { reference: undefined, currentA: 0.9, wants: { signal: 'power-ground', role: 'ground' } })
    })
    const made: Connection[] = [
      { kitEnd: ref('reference'), to: { connector: ref('coolant'), cavity: 2 }, tugged: true },
    ]
    const found = checkWiring(marlow, heater, made).find((finding) => finding.rule === 'ground-sensor')
    expect(found?.reason).toContain('0.9 A')
    expect(wiringRules['ground-sensor'].liftable).toBe(false)
    const tiny = changed(heater, (copy) => {
      for (const end of copy.ends) if (end.type === 'flying-lead' && end.id === 'reference') end.currentA = 0.02
    })
    expect(rules(checkWiring(marlow, tiny, made))).not.toContain('ground-sensor')
  })

  test('a pin for an empty cavity goes into no cavity with a wire, and not where nothing reads it', () => {
    const machine = structuredClone(marlow)
    const ecu = machine.connectors.find((connector) => connector.id === 'ecu-b')
    const free = ecu?.cavities.find((cavity) => cavity.blank)
    if (!ecu || !free) throw new Error('the second ECU plug has free cavities')
    Object.assign(free, { blank: false, spare: 'selector' })
    const kit = changed(a2, (copy) => {
      copy.ends.push({
        type: 'flying-lead',
        id: ref('switch'),
        tag: 'Z',
        name: 'Switch pin',
        breakOutM: 0.3,
        branchM: 0.3,
        needed: true,
        colour: { base: 'pink' },
        areaMm2: 0.35,
        wants: { signal: 'switch', role: 'selector' },
        sheet: [],
        intoSpare: true,
      })
    })
    const plan = proposeMatches(machine, kit)
    expect(plan.find((match) => match.kitEnd === 'switch')?.target).toEqual({ connector: 'ecu-b', cavity: free.number })
    const put = (cavity: number): Connection[] => [
      { kitEnd: ref('switch'), to: { connector: ref('ecu-b'), cavity }, method: 'added pin', tugged: true },
    ]
    expect(rules(checkWiring(machine, kit, put(1), { plan }))).toContain('pin-occupied')
    expect(rules(checkWiring(machine, kit, put(free.number), { plan }))).not.toContain('pin-occupied')
  })

  test('an erratum is shown on its machine and kit only', () => {
    const erratum: Erratum = {
      id: 'x',
      kit: ref('thistle-a2'),
      machine: marlow.id,
      kitEnd: ref('rpm'),
      says: 'black/orange',
      is: 'it is black with a brown stripe',
      by: 'Runa',
      at: '2026-05-01T00:00:00Z',
    }
    const found = checkWiring(marlow, a2, [], { errata: [erratum] }).find((finding) => finding.rule === 'sheet-erratum')
    expect(found?.reason).toBe('The sheet says black/orange; it is black with a brown stripe (Runa, 2026-05-01).')
    expect(rules(checkWiring(skua, learner, [], { errata: [erratum] }))).not.toContain('sheet-erratum')
  })

  test('a place that is a guess is noted where an end goes by it, once, and never bars', () => {
    const plan = proposeMatches(marlow, a2)
    const built = plannedConnections(marlow, a2, plan)
    const guessed = {
      ...marlow,
      known: marlow.nets.map(({ id }) => ({ of: 'nets' as const, id, how: 'guess' as const })),
    }
    const found = checkWiring(guessed, a2, built, { plan }).filter(({ rule }) => rule === 'guessed-place')
    expect(found.length).toBeGreaterThan(2)
    expect(new Set(found.map(({ at, facts }) => JSON.stringify([at.kitEnd, facts]))).size).toBe(found.length)
    expect(found.filter(grave)).toEqual([])
    expect(found[0].reason).toMatch(/goes by .+, which is a guess\./)
    const wrong = checkWiring(
      { ...guessed, known: guessed.known.map((one) => ({ ...one, how: 'wrong' as const })) },
      a2,
      built,
    )
    expect(wrong.find(({ rule }) => rule === 'guessed-place')?.remedy).toContain('Find it with the meter')
    for (const how of ['measured', 'sheet'] as const) {
      const sure = { ...guessed, known: guessed.known.map((one) => ({ ...one, how })) }
      expect(rules(checkWiring(sure, a2, built, { plan }))).not.toContain('guessed-place')
    }
  })

  test('a half-finished machine shows its gaps, a finished one has none', () => {
    const draft = { ...structuredClone(marlow), draft: true }
    draft.nets[0] = { ...draft.nets[0], signal: 'unknown', role: 'unknown' }
    const gaps = checkWiring(draft, a2, []).filter((finding) => finding.rule === 'dossier-gap')
    expect(gaps[0].reason).toContain('is not known yet')
    expect(rules(checkWiring(marlow, a2, []))).not.toContain('dossier-gap')
  })
})
