import { expect, test } from 'vitest'
import type { CoverId, WayFrom } from '../dossiers/index.ts'
import { shippedMachine } from '../wiring/shippedCase.ts'
import { coverFrom } from './coverFrom.ts'
import { findTarget } from './compileAccess.ts'
import type { PlannedTarget } from './model.ts'

const machine = shippedMachine('pellick-gorse-430')
const cover = machine.covers?.[0]
const way = machine.ways?.[0]
const target = machine.connectors[0]

function planned(from: WayFrom, covers: CoverId[]): PlannedTarget {
  const found = target && findTarget(machine, `connector:${target.id}`)
  if (!way || !found) throw new Error('the quad has ways and plugs')
  return { target: found, way: { ...way, from }, covers, minutes: way.minutes }
}

test('a cover is worked at from where most behind it is reached; nothing behind it, nothing said', () => {
  if (!cover) throw new Error('the quad has covers')
  const targets = [
    planned('left', [cover.id]),
    planned('below', [cover.id]),
    planned('below', [cover.id]),
    planned('above', []),
  ]
  expect(coverFrom({ targets }, cover.id)).toBe('below')
  expect(coverFrom({ targets: targets.slice(0, 2) }, cover.id)).toBe('left')
  expect(coverFrom({ targets: targets.slice(3) }, cover.id)).toBeNull()
  expect(coverFrom(null, cover.id)).toBeNull()
})
