import { ref } from '../shared/refCase.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Kit, Machine } from '../dossiers/index.ts'
import { checkWiring } from './checkWiring.ts'
import { gorseCase, rightConnections } from './gorseCase.ts'
import type { Connection } from './model.ts'
import { wiringRules, type WiringRule } from './ruleCatalogue.ts'

const { machine, kit } = gorseCase()

function rulesFor(connections: Connection[], onMachine: Machine = machine, withKit: Kit = kit): WiringRule[] {
  return checkWiring(onMachine, withKit, connections).map((finding) => finding.rule)
}

/** The right job with the connections of one end replaced. */
function instead(kitEnd: string, ...made: Connection[]): Connection[] {
  return [...rightConnections().filter((connection) => connection.kitEnd !== kitEnd), ...made]
}

test('the job done as planned has no stop and no fix', () => {
  const graves = checkWiring(machine, kit, rightConnections()).filter((finding) => finding.severity !== 'note')
  expect(graves).toEqual([])
})

/** How each rule is made to fire; what is right above shows that it does not fire by itself. */
const mistakes: [WiringRule, Connection[], string][] = [
  [
    'pair-to-itself',
    instead('injector', { kitEnd: ref('injector'), to: { kitEnd: ref('injector') } }),
    'Part the two halves',
  ],
  ['loom-to-loom', instead('injector', { kitEnd: ref('injector'), to: { kitEnd: ref('coil') } }), 'Part them'],
  [
    'pair-one-side',
    instead('coil', { kitEnd: ref('coil'), to: { connector: ref('coil'), side: 'factory' }, tugged: true }),
    'onto the ignition coil',
  ],
  [
    'pair-one-side',
    instead('coil', { kitEnd: ref('coil'), to: { connector: ref('coil'), side: 'device' }, tugged: true }),
    'factory plug',
  ],
  [
    'pair-split',
    instead(
      'crank',
      { kitEnd: ref('crank'), to: { connector: ref('crank'), side: 'factory' }, tugged: true },
      { kitEnd: ref('crank'), to: { connector: ref('fan'), side: 'device' }, tugged: true },
    ),
    'Crank sensor plug',
  ],
  [
    'wrong-connector',
    instead('crank', { kitEnd: ref('crank'), to: { connector: ref('fan') }, tugged: true }),
    'Crank sensor plug',
  ],
  [
    'pins-differ',
    instead('crank', { kitEnd: ref('crank'), to: { connector: ref('coil') }, tugged: true }),
    'Crank sensor plug',
  ],
  [
    'stripe-swapped',
    instead('throttle', { kitEnd: ref('throttle'), to: { connector: ref('neutral'), cavity: 1 }, tugged: true }),
    'Throttle sensor plug, cavity 2',
  ],
  [
    'wrong-wire',
    instead('throttle', { kitEnd: ref('throttle'), to: { connector: ref('throttle'), cavity: 1 }, tugged: true }),
    'Throttle sensor plug, cavity 2',
  ],
  [
    'no-wire',
    instead('throttle', { kitEnd: ref('throttle'), to: { connector: ref('pump'), cavity: 4 }, tugged: true }),
    'cavity 2',
  ],
  [
    'barred-circuit',
    instead('throttle', { kitEnd: ref('throttle'), to: { connector: ref('coil'), cavity: 2 }, tugged: true }),
    'Mend the wire',
  ],
  [
    'ground-live',
    instead('ground', { kitEnd: ref('ground'), to: { stud: ref('starter-live') }, tugged: true }),
    'Battery negative off',
  ],
  [
    'wrong-kind',
    instead('ground', { kitEnd: ref('ground'), to: { connector: ref('coil') }, tugged: true }),
    'Engine strap stud',
  ],
  [
    'wrong-kind',
    instead('coil', { kitEnd: ref('coil'), to: { stud: ref('engine-strap') }, tugged: true }),
    'Ignition coil plug',
  ],
  [
    'wrong-kind',
    instead('throttle', { kitEnd: ref('throttle'), to: { stud: ref('engine-strap') }, tugged: true }),
    'cavity 2',
  ],
  ['end-open', instead('ground'), 'Engine strap stud'],
  ['spare-open', instead('speed'), 'Cap it'],
  ['port-open', instead('bus'), 'Put the terminator in'],
  ['port-wrong-closure', instead('bus', { kitEnd: ref('bus'), to: { closed: 'cap' } }), 'terminator'],
  ['closed-but-wanted', instead('ground', { kitEnd: ref('ground'), to: { closed: 'cap' } }), 'Take the cap off'],
  ['not-tugged', instead('ground', { kitEnd: ref('ground'), to: { stud: ref('engine-strap') } }), 'Pull at it'],
  [
    'tap-size',
    instead('throttle', {
      kitEnd: ref('throttle'),
      to: { connector: ref('throttle'), cavity: 2 },
      method: 'displacement tap',
      tugged: true,
    }),
    'piercing screw tap',
  ],
  [
    'tap-place',
    instead('throttle', {
      kitEnd: ref('throttle'),
      to: { connector: ref('throttle'), cavity: 2 },
      method: 'solder and sleeve',
      tugged: true,
    }),
    'crimp and sealed sleeve',
  ],
  [
    'differs-from-plan',
    instead('ground', { kitEnd: ref('ground'), to: { stud: ref('battery-negative') }, tugged: true }),
    'may stay',
  ],
]

test.each(mistakes)('%s fires, and says the remedy', (rule, connections, remedy) => {
  const finding = checkWiring(machine, kit, connections).find((candidate) => candidate.rule === rule)
  expect(finding?.severity).toBe(wiringRules[rule].severity)
  expect(finding?.remedy).toContain(remedy)
})

describe('rules that need another machine or kit', () => {
  const otherKit = (change: (kit: Kit) => void) => {
    const copy = structuredClone(kit)
    change(copy)
    return copy
  }
  const leadWanting = (signal: 'supply-switched' | 'power-ground', role: 'supply' | 'ground') =>
    otherKit((copy) => {
      const lead = copy.ends.find((end) => end.id === 'throttle')
      if (lead?.type === 'flying-lead') Object.assign(lead, { wants: { signal, role }, sheet: [] })
    })

  test('a feed on an always-live wire', () => {
    const made = instead('throttle', {
      kitEnd: ref('throttle'),
      to: { connector: ref('diagnostic'), cavity: 1 },
      tugged: true,
    })
    expect(rulesFor(made, machine, leadWanting('supply-switched', 'supply'))).toContain('feed-always-live')
    const right = instead('throttle', {
      kitEnd: ref('throttle'),
      to: { connector: ref('dash'), cavity: 1 },
      tugged: true,
    })
    expect(rulesFor(right, machine, leadWanting('supply-switched', 'supply'))).not.toContain('feed-always-live')
  })

  test('a power ground on a sensor ground', () => {
    const made = instead('throttle', {
      kitEnd: ref('throttle'),
      to: { connector: ref('throttle'), cavity: 3 },
      tugged: true,
    })
    expect(rulesFor(made, machine, leadWanting('power-ground', 'ground'))).toContain('ground-sensor')
    expect(rulesFor(made)).not.toContain('ground-sensor')
  })

  test('a ring under a sensor-ground stud, and an eye too small', () => {
    const odd = structuredClone(machine)
    odd.studs.push({
      id: ref('reference'),
      name: 'Reference stud',
      net: ref('sgnd'),
      zone: ref('under-seat'),
      place: 'there',
      threadMm: 8,
    })
    const rules = rulesFor(
      instead('ground', { kitEnd: ref('ground'), to: { stud: ref('reference') }, tugged: true }),
      odd,
    )
    expect(rules).toEqual(expect.arrayContaining(['ground-sensor', 'ring-size']))
  })

  test('a kit made for another machine', () => {
    expect(
      rulesFor(
        rightConnections(),
        machine,
        otherKit((copy) => (copy.fits = [ref('something-else')])),
      ),
    ).toContain('wrong-machine')
  })

  test('terminals of the same gender', () => {
    const turned = otherKit((copy) => {
      const pair = copy.ends[0]
      if (pair.type === 'inline-pair') pair.factoryHalf.gender = 'female'
    })
    expect(rulesFor(rightConnections(), machine, turned)).toContain('genders-clash')
  })

  test('a sheet that names another colour', () => {
    const wrong = otherKit((copy) => {
      const lead = copy.ends.find((end) => end.id === 'throttle')
      if (lead?.type === 'flying-lead')
        lead.sheet = [{ machine: machine.id, colour: { base: 'violet', stripe: 'grey' } }]
    })
    expect(rulesFor(rightConnections(), machine, wrong)).toContain('sheet-differs')
    expect(rulesFor(rightConnections())).not.toContain('sheet-differs')
  })
})

test('the throttle wire is always said to be like the neutral wire, and how they differ', () => {
  const notes = checkWiring(machine, kit, rightConnections()).filter((finding) => finding.rule === 'confusable-wire')
  expect(notes.map((note) => note.remedy)).toContain(
    'The wide colour is grey, the thin line is violet; the violet with grey stripe is neutral switch.',
  )
})

test('with the later quad the spare speed lead has a place', () => {
  const later = gorseCase('from-2021')
  expect(rulesFor(rightConnections(), later.machine)).toContain('closed-but-wanted')
})

describe('any wrong place for any end', () => {
  const leadPlaces = machine.wires.flatMap((wire) =>
    [wire.from, wire.to].flatMap((place) =>
      'connector' in place ? [{ connector: place.connector, cavity: place.cavity }] : [],
    ),
  )

  test('a pair on any plug but its own is a stop', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('injector', 'coil', 'crank'),
        fc.constantFrom(...machine.connectors.map((connector) => connector.id)),
        (kitEnd, connector) => {
          const stops = checkWiring(
            machine,
            kit,
            instead(kitEnd, { kitEnd: ref(kitEnd), to: { connector }, tugged: true }),
          ).filter((finding) => finding.severity === 'stop')
          expect(stops.length > 0).toBe(connector !== ref(kitEnd))
        },
      ),
    )
  })

  test('a tap on any wire but the throttle signal is a stop', () => {
    for (const to of leadPlaces) {
      const right = machine.wires.find((wire) => wire.net === 'throttle-signal')
      const isRight = [right?.from, right?.to].some((place) => JSON.stringify(place) === JSON.stringify(to))
      const made = instead('throttle', { kitEnd: ref('throttle'), to, method: 'piercing screw tap', tugged: true })
      const stops = checkWiring(machine, kit, made).filter((finding) => finding.severity === 'stop')
      expect(stops.length > 0, JSON.stringify(to)).toBe(!isRight)
    }
  })
})
