import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { shippedMachines, shippedMachine } from '../wiring/shippedCase.ts'
import { withoutCover } from './editAccess.ts'
import {
  emptyPassageRow,
  emptyPlaceRow,
  passageRow,
  placeRow,
  servesText,
  withoutPassage,
  withoutSpot,
  withPassage,
  withPlace,
  withPointAt,
  withServes,
  withSpot,
  withSteering,
} from './editRoute.ts'
import type { Machine } from './model.ts'
import { parseMachine } from './parseDossier.ts'
import { hazardsText, readHazards } from './readHazards.ts'
import type { Hazard } from './routeModel.ts'

const gorse = shippedMachine('pellick-gorse-430')
const made = (outcome: ReturnType<typeof withPassage>): Machine => {
  if (!outcome.ok) throw new Error(outcome.problems[0].message)
  return outcome.value
}

describe('hazards as they are typed', () => {
  const words = fc.constantFrom('exhaust', 'seat bar', 'throttle cable', 'edge of the tray')
  const whole = (low: number, high: number) => fc.integer({ min: low, max: high })
  const hazard: fc.Arbitrary<Hazard> = fc.oneof(
    fc.record({ kind: fc.constant('hot' as const), surfaceC: whole(40, 1100), clearMm: whole(0, 500), what: words }),
    fc.record({ kind: fc.constant('moving' as const), swingMm: whole(1, 900), what: words }),
    fc.record({ kind: fc.constantFrom('pinch' as const, 'sharp' as const, 'barred' as const), what: words }),
    fc.constant({ kind: 'wet' as const }),
    fc.constant({ kind: 'vibration' as const }),
  )
  test('come back as they were', () => {
    fc.assert(
      fc.property(fc.array(hazard, { maxLength: 5 }), (hazards) => {
        expect(readHazards(hazardsText(hazards))).toEqual({ ok: true, value: hazards })
      }),
    )
  })
  test.each([
    'hot',
    'hot 20 40 pipe',
    'hot 300 -1 pipe',
    'hot 300 40',
    'moving fork',
    'moving 0 fork',
    'pinch',
    'wet foot',
    'cold',
  ])('"%s" is named, with what may be written', (text) => {
    const read = readHazards(`wet; ${text}`)
    expect(read.ok ? '' : read.problems[0].message).toContain(`"${text}" is not understood. Write hot 380 40 exhaust`)
  })
})

test('every shipped passage and place comes back as it was from its row', () => {
  for (const machine of shippedMachines) {
    for (const passage of machine.passages ?? []) {
      const again = made(withPassage(machine, passage.id, passageRow(machine, passage)))
      expect(again.passages?.find((item) => item.id === passage.id)).toEqual(passage)
    }
    for (const place of machine.places ?? [])
      expect(made(withPlace(machine, place.id, placeRow(machine, place)))).toEqual(machine)
  }
})

describe('a passage', () => {
  test('joins two points by their names and is a document again', () => {
    const machine = made(
      withPassage(gorse, null, {
        ...emptyPassageRow,
        from: 'Engine strap stud',
        to: 'airbox',
        lengthMm: '410',
        hazards: 'wet',
      }),
    )
    expect(machine.passages?.at(-1)).toMatchObject({
      from: 'strap',
      to: 'airbox',
      lengthM: 0.41,
      hazards: [{ kind: 'wet' }],
    })
    expect(parseMachine(machine).ok).toBe(true)
    const id = machine.passages?.at(-1)?.id ?? ''
    expect(withoutPassage(machine, id)).toEqual(gorse)
  })
  test('what lies over it is named as the covers are, comes back as typed and goes with its cover', () => {
    const over = (under: string) =>
      made(withPassage(gorse, null, { ...emptyPassageRow, from: 'Engine strap stud', to: 'airbox', under }))
    const typed = over('Seat, tank cover')
    const passage = typed.passages?.at(-1)
    expect(passage?.under).toEqual(['seat', 'tank-cover'])
    expect(passage && passageRow(typed, passage).under).toBe('Seat, Tank cover')
    expect(over('-').passages?.at(-1)?.under).toEqual([])
    expect(over('').passages?.at(-1)).not.toHaveProperty('under')
    const without = withoutCover(typed, 'seat')
    expect(without.passages?.at(-1)?.under).toEqual(['tank-cover'])
    expect(parseMachine({ ...typed, covers: without.covers, ways: without.ways })).toMatchObject({
      ok: false,
      problems: expect.arrayContaining([
        expect.objectContaining({ code: 'unknown-cover', path: expect.stringMatching(/^passages\.\d+\.under\.0$/) }),
      ]),
    })
  })
  test('names every field that cannot be read, and changes nothing', () => {
    const outcome = withPassage({ ...gorse, steering: undefined }, null, {
      name: '',
      from: 'moon',
      to: '',
      lengthMm: '0',
      hazards: 'lava',
      freeMm2: 'wide',
      bulkhead: 'hole 3',
      steering: 'left',
      under: 'seat, roof',
    })
    expect(outcome.ok ? [] : outcome.problems.map((problem) => problem.path)).toEqual([
      'from',
      'to',
      'lengthMm',
      'freeMm2',
      'hazards',
      'bulkhead',
      'steering',
      'under',
    ])
  })
})

describe('a spot', () => {
  test('is added, moved, serves what it is told and nothing else does, and goes with its passages', () => {
    const added = made(withSpot(gorse, 'Rear hinge', { x: 1.5, y: 0.1, z: 0.8 }))
    const id = added.spots?.at(-1)?.id ?? ''
    const joined = made(withPassage(added, null, { ...emptyPassageRow, from: id, to: 'airbox' }))
    expect(withPointAt(joined, id, { x: 1.534, y: 0, z: 0.8 }).spots?.at(-1)?.at).toEqual({ x: 1.53, y: 0, z: 0.8 })
    const serving = made(withServes(joined, id, 'Engine strap stud, injector'))
    const spot = serving.spots?.at(-1)
    expect(spot && servesText(serving, spot)).toBe('Engine strap stud, Injector plug')
    expect(serving.spots?.find((item) => item.id === 'strap')?.serves).toEqual([])
    expect(parseMachine(serving).ok).toBe(true)
    expect(withoutSpot(serving, id).passages).toEqual(gorse.passages)
  })
  test('wants a name of its own, and serves only what there is', () => {
    expect(withSpot(gorse, 'engine STRAP stud', { x: 1, y: 0, z: 0 })).toMatchObject({ ok: false })
    expect(withSpot(gorse, ' ', { x: 1, y: 0, z: 0 })).toMatchObject({ ok: false })
    const lost = withServes(gorse, 'strap', 'moon')
    expect(lost.ok ? '' : lost.problems[0].message).toBe('Nothing on this machine is called "moon".')
  })
})

test('a place and the steering: figures out of range are named by field', () => {
  const place = withPlace(gorse, null, { ...emptyPlaceRow, zone: 'moon', room: '1 2', warm: 'hot' })
  expect(place.ok ? [] : place.problems.map((problem) => problem.path)).toEqual(['name', 'zone', 'room', 'warm'])
  expect(withSteering(gorse, '-3', '30')).toMatchObject({ ok: false, problems: [{ path: 'radiusMm' }] })
  expect(withSteering(gorse, '90', '120')).toMatchObject({ ok: false, problems: [{ path: 'lockDeg' }] })
  const none = made(withSteering(gorse, '', ''))
  expect(none.steering).toBeUndefined()
  expect(parseMachine(none).ok).toBe(true)
})
