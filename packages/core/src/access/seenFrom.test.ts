import { expect, test } from 'vitest'
import type { ConnectorId } from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'
import { shippedMachines } from '../wiring/shippedCase.ts'
import { seenFrom } from './seenFrom.ts'

test('a plug in the cabin is shown from inside, one in the bay from above, one of a cycle from its left', () => {
  const seen = (machine: string, plug: string) => {
    const found = shippedMachines.find(({ id }) => id.includes(machine))
    if (!found) throw new Error(`no ${machine}`)
    return seenFrom(found, { kind: 'connector', id: asId<ConnectorId>(plug) })
  }
  expect(seen('shieling', 'pedal')).toBe('inside')
  expect(seen('marlow', 'ecu-a')).toBe('inside')
  expect(seen('longhaul', 'rail')).toBe('top')
  expect(seen('kittiwake', 'throttle')).toBe('side')
})

test('a machine without a size is not shown', () => {
  const [machine] = shippedMachines
  if (!machine) throw new Error('none')
  const { body: _, ...bare } = machine
  expect(seenFrom(bare, { kind: 'connector', id: asId<ConnectorId>('injector') })).toBeNull()
})
