import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { plannedConnections, proposeMatches } from '../../../core/src/wiring/index.ts'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const ute = shippedMachine('hallam-voss-shieling-21')
const d3 = shippedKit('thistle-d3')
const planned = plannedConnections(ute, d3, proposeMatches(ute, d3))
const negative = { stud: ute.batteries?.find((id) => /neg/.test(id)) ?? 'engine-ground' }
const rail = { connector: 'rail', cavity: 2 }
const asked = { machine: { id: ute.id }, state: 'key on', red: rail, black: negative }
const read = async (body: object) => {
  const { status, body: answer } = await app.ask('POST', '/api/circuit/reading', { ...asked, ...body })
  return { status, answer: answer as Record<string, unknown> }
}
const problem = (answer: unknown) => (answer as { code: string; path: string; message: string }[])[0]

describe('POST /api/circuit/reading', () => {
  test('the machine alone, with its kit, and with a fault', async () => {
    const alone = await read({})
    expect(alone.status).toBe(200)
    expect(alone.answer).toEqual({ volts: expect.closeTo(0.525, 1), floating: false })
    const fitted = await read({ kit: { id: d3.id }, connections: planned })
    expect(fitted.answer.volts).toBeCloseTo(0.525, 1)
    const open = await read({ faults: [{ kind: 'contact', connector: 'rail', cavity: 2, ohms: null }] })
    expect(Math.abs(Number(open.answer.volts))).toBeLessThan(0.05)
  })

  test('ohms with the battery off; what nothing joins is floating, not 0', async () => {
    const ohms = await read({ state: 'battery off', red: { ...rail, half: 'device' } })
    expect(ohms.answer).toEqual({ ohms: expect.any(Number), floating: false })
    const none = await read({ kit: { id: d3.id }, state: 'key on', red: { kitEnd: 'feed' } })
    expect(none).toEqual({ status: 200, answer: { volts: null, floating: true } })
  })

  test('several kits with ends of one name: which is meant is asked for', async () => {
    const kits = [{ id: 'thistle-d3' }, { id: 'lowlamp-dial' }]
    const unclear = await read({ kits, connections: planned })
    expect(unclear.status).toBe(422)
    expect(problem(unclear.answer)).toMatchObject({ path: expect.stringMatching(/^connections\.\d+\.kit$/) })
    expect(problem(unclear.answer).message).toContain('say which is meant')
    const clear = await read({ kits, connections: planned.map((made) => ({ ...made, kit: 'thistle-d3' })) })
    expect(clear.answer.volts).toBeCloseTo(0.525, 1)
  })

  test.each([
    [{ red: { connector: 'rail', cavity: 99 } }, 422, 'red.cavity', 'has no wire in cavity 99'],
    [{ red: { connector: 'moon', cavity: 1 } }, 422, 'red.connector', 'is no plug'],
    [{ black: { stud: 'moon' } }, 422, 'black.stud', 'is no stud'],
    [{ black: { splice: 'moon' } }, 422, 'black.splice', 'is no splice'],
    [{ black: { kitEnd: 'ground' } }, 422, 'black.kitEnd', 'no lead that a probe'],
    [{ faults: [{ kind: 'wire', wire: 'moon', ohms: 1 }] }, 422, 'faults.0.wire', 'is no wire'],
    [{ faults: [{ kind: 'supply', net: 'moon', live: true }] }, 422, 'faults.0.net', 'is no supply'],
    [{ faults: [{ kind: 'wire', wire: 'moon', ohms: -1 }] }, 400, 'faults.0', ''],
    [
      { kit: { id: 'thistle-d3' }, connections: [{ kitEnd: 'moon', to: { stud: 'x' } }] },
      422,
      'connections.0',
      'no end',
    ],
    [{ kit: { id: 'thistle-d3' }, kits: [{ id: 'thistle-d3' }] }, 422, 'kits', 'not both'],
    [{ kits: [{ id: 'thistle-d3' }, { id: 'thistle-d3' }] }, 422, 'kits', 'named twice'],
    [{ state: 'asleep' }, 400, 'state', ''],
    [{ machine: { id: 'moon' } }, 422, 'machine', 'There is no machine'],
  ])('%j is refused by path', async (body, status, path, says) => {
    const { status: given, answer } = await read(body)
    expect(given).toBe(status)
    expect(problem(answer).path).toContain(path)
    expect(problem(answer).message).toContain(says)
  })
})
