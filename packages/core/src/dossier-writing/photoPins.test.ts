import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readFolder, writeFolder } from '../dossier-files/index.ts'
import {
  compareDossiers,
  gridCavities,
  parseDossier,
  photosOf,
  tappedCavities,
  type Machine,
} from '../dossiers/index.ts'
import { shippedMachine } from '../wiring/shippedCase.ts'
import { withPhoto, withPhotoWords, withPin, withTapped, withoutGone, withoutPhoto, withoutPin } from './index.ts'

const gorse = shippedMachine('pellick-gorse-430')
const hash = 'a'.repeat(64)
const photo = { photo: hash, widthPx: 1600, heightPx: 1200, says: 'under the seat' }
const [cover] = gorse.covers ?? []

describe('a face tapped on a photo', () => {
  const face = fc.record({
    rows: fc.integer({ min: 1, max: 6 }),
    columns: fc.integer({ min: 2, max: 12 }),
    layout: fc.constantFrom('grid' as const, 'staggered' as const),
    pitch: fc.integer({ min: 12, max: 200 }),
    shift: fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 })),
    wobble: fc.infiniteStream(fc.double({ min: -0.07, max: 0.07, noNaN: true })),
    turned: fc.boolean(),
  })

  test('is the face as it is written by rows and columns, wherever on the photo, from either side, with an unsteady hand', () => {
    fc.assert(
      fc.property(face, ({ rows, columns, layout, pitch, shift, wobble, turned }) => {
        const wide = columns + (layout === 'staggered' ? 0.5 : 0)
        const meant = gridCavities(rows * columns, rows, layout)
        // In a staggered face of one row nothing tells that there is half a step of room.
        fc.pre(layout === 'grid' || rows > 1)
        const hand = () => wobble.next().value * pitch
        const taps = meant.map(({ number, x, y }) => ({
          number,
          x: (turned ? -1 : 1) * (x / 10) * wide * pitch + shift[0] + hand(),
          y: (y / 10) * rows * pitch + shift[1] + hand(),
        }))
        const made = tappedCavities(taps, turned ? 'mating side' : 'wire side')
        expect(made.map(({ number }) => number)).toEqual(meant.map(({ number }) => number))
        made.forEach((cavity, i) => {
          expect(Math.abs(cavity.x - meant[i].x)).toBeLessThan(0.9)
          expect(Math.abs(cavity.y - meant[i].y)).toBeLessThan(0.9)
        })
        // Rows are straight.
        expect(new Set(made.map(({ y }) => y)).size).toBe(rows)
      }),
    )
  })

  test('of one cavity is in the middle, of none is none, and never off the face', () => {
    expect(tappedCavities([{ number: 1, x: 812, y: 3 }], 'wire side')).toEqual([{ number: 1, x: 5, y: 5 }])
    expect(tappedCavities([], 'wire side')).toEqual([])
    const tap = fc.record({ x: fc.integer({ min: -9999, max: 9999 }), y: fc.integer({ min: -9999, max: 9999 }) })
    fc.assert(
      fc.property(fc.array(tap, { minLength: 1, maxLength: 30 }), (taps) => {
        const made = tappedCavities(
          taps.map((one, i) => ({ ...one, number: i + 1 })),
          'mating side',
        )
        for (const { x, y } of made) expect(x >= 0 && x <= 10 && y >= 0 && y <= 10).toBe(true)
      }),
    )
  })

  test('keeps what was said of its cavities, and leaves no wire behind', () => {
    const plug = gorse.connectors.find(({ cavities }) => cavities.length >= 3)
    if (!plug) throw new Error('no plug of three')
    const taps = plug.cavities.map(({ number }) => ({ number, x: number * 30, y: 0 }))
    const made = withTapped(gorse, plug.id, taps, 'wire side')
    expect(made).toMatchObject({ ok: true })
    expect(made.ok && parseDossier(made.value).ok).toBe(true)
    const short = withTapped(gorse, plug.id, taps.slice(0, 1), 'wire side')
    expect(short.ok ? '' : short.problems[0].message).toMatch(/^Cavity \d+ holds a wire and was not tapped/)
    expect(withTapped(gorse, plug.id, [], 'wire side').ok).toBe(false)
  })
})

describe('photos of a machine', () => {
  const pinned = (): Machine => withPin(withPhoto(gorse, photo), hash, { of: 'covers', id: cover.id, x: 0.25, y: 1.2 })

  test('carry what is where, once each, come back from the folder, and go with what they show', () => {
    const machine = withPin(pinned(), hash, { of: 'covers', id: cover.id, x: 0.5, y: 0.5 })
    expect(photosOf(machine, 'covers', cover.id)).toMatchObject([
      { pin: { x: 0.5, y: 0.5 }, photo: { says: photo.says } },
    ])
    expect(parseDossier(machine)).toMatchObject({ ok: true })
    expect(readFolder(writeFolder(machine))).toEqual({ ok: true, value: machine })
    expect(withPhoto(machine, photo)).toBe(machine)
    expect(withPhotoWords(machine, hash, ' ')).toBe(machine)
    expect(compareDossiers(gorse, machine).map(({ says }) => says)).toEqual(['1 photo changed'])
    expect(withoutPhoto(machine, hash)).toEqual(gorse)
    expect(withoutPin(machine, hash, { of: 'covers', id: cover.id }).photos?.[0].pins).toEqual([])
    const bare: Machine = { ...machine, covers: [] }
    expect(withoutGone(bare).photos?.[0].pins).toEqual([])
  })

  test('stay within the picture; a pin on nothing and a photo that stands twice are refused', () => {
    expect(pinned().photos?.[0].pins).toEqual([{ of: 'covers', id: cover.id, x: 0.25, y: 1 }])
    const [one] = pinned().photos ?? []
    for (const photos of [
      [one, one],
      [{ ...one, pins: [{ ...one.pins[0], id: 'nothing' }] }],
      [{ ...one, photo: 'x' }],
    ])
      expect(parseDossier({ ...gorse, photos }).ok).toBe(false)
  })
})
