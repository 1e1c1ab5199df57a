import { describe, expect, expectTypeOf, test } from 'vitest'
import { asId, idIn, type Written } from '../shared/index.ts'
import type { Kit } from './kitModel.ts'
import type { Machine } from './model.ts'
import type * as ids from './ids.ts'
import { machineSchema } from './schema.ts'

describe('an id', () => {
  test('of one family passes for no other, and no plain string for any', () => {
    expectTypeOf<string>().not.toExtend<ids.ConnectorId>()
    expectTypeOf<'crank'>().not.toExtend<ids.ConnectorId>()
    expectTypeOf<ids.StudId>().not.toExtend<ids.ConnectorId>()
    expectTypeOf<ids.CoverId>().not.toExtend<ids.StepId>()
    expectTypeOf<ids.SocketId>().not.toExtend<ids.KitEndId>()
    expectTypeOf<ids.SpotId>().not.toExtend<ids.ZoneId>()
    expectTypeOf<ids.ConnectorId>().toExtend<string>()
  })

  test('of a zone or a spot is a point, of an end or a socket a place of the kit, of an end a part of the loom', () => {
    expectTypeOf<ids.ZoneId>().toExtend<ids.PointId>()
    expectTypeOf<ids.SpotId>().toExtend<ids.PointId>()
    expectTypeOf<ids.KitEndId>().toExtend<ids.KitPlaceId>()
    expectTypeOf<ids.SocketId>().toExtend<ids.KitPlaceId>()
    expectTypeOf<ids.KitEndId>().toExtend<ids.LoomPartId>()
    expectTypeOf<ids.PlaceId>().not.toExtend<ids.PointId>()
  })

  test('comes out of the schema branded, and out of a document nobody parsed as a word', () => {
    expectTypeOf<ReturnType<typeof machineSchema.parse>['connectors'][number]['zone']>().toExtend<ids.ZoneId>()
    expectTypeOf<Written<Machine>['wires'][number]['net']>().toEqualTypeOf<string>()
    expectTypeOf<Written<Machine>>().not.toExtend<Machine>()
    expectTypeOf<Written<Kit>['ends'][number]['id']>().toEqualTypeOf<string>()
    expectTypeOf<Machine>().toExtend<Written<Machine>>()
    expect(machineSchema.shape.id.safeParse('Not An Id').success).toBe(false)
    expect(machineSchema.shape.id.parse('hut-mule-1')).toBe('hut-mule-1')
  })

  test('is looked up in the list it comes from', () => {
    const list = ['a', 'b'].map((text) => ({ id: asId<ids.NetId>(text) }))
    expect(idIn(list, 'b')).toBe('b')
    expect(idIn(list, 'c')).toBeUndefined()
  })
})
