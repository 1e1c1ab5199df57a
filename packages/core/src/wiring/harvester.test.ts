import { ref } from '../shared/refCase.ts'
import type { NetId } from '../dossiers/index.ts'
import { expect, test } from 'vitest'
import { feedOptions } from '../electrical/index.ts'
import { plannedConnections } from './plannedConnections.ts'
import { proposeMatches } from './proposeMatches.ts'
import { shippedKit, shippedMachine } from './shippedCase.ts'
import { traceSignal } from './traceSignal.ts'

const t9 = shippedMachine('grangeway-t9')
const field = shippedKit('thistle-d3-field')
const plan = proposeMatches(t9, field)

test('outer plug, bracket loom and inner plug lie in series: the drive passes the module before it reaches an injector', () => {
  for (const net of ['inj-1p', 'inj-6p'].map(ref<NetId>)) {
    const { ways, module } = traceSignal(t9, field, plannedConnections(t9, field, plan), net)
    expect(module).toBe('changes it')
    expect(ways).toHaveLength(1)
    const kinds = ways[0].hops.map((hop) => hop.kind)
    expect(kinds.indexOf('changed')).toBeGreaterThan(kinds.indexOf('control unit'))
    expect(kinds.indexOf('device')).toBeGreaterThan(kinds.indexOf('changed'))
    expect(ways[0].hops.at(-1)?.connector).toBe('injection-inner')
    expect(ways[0].hops.map((hop) => hop.says).join(' ')).toContain('Bracket socket')
  }
})

test('nothing of the inner plug is joined to the outer one by a splice', () => {
  const spliced = t9.wires.filter((wire) => wire.net.startsWith('inj-') && 'splice' in wire.to)
  expect(spliced).toEqual([])
})

test('its feed is a lead of its own on a circuit that can spare it, with its checks', () => {
  const [advised] = feedOptions(t9, field, plan, 'lamp circuit directly')
  expect(advised).toMatchObject({ verdict: 'advised', own: true })
  expect(advised.checks.length).toBeGreaterThan(0)
})

test('a loom without any supply in it says so instead of advising its sensor pairs', () => {
  const bare = { ...field, ends: field.ends.filter((end) => end.id !== 'feed') }
  const options = feedOptions(t9, bare, proposeMatches(t9, bare))
  expect(options.find((option) => option.kind === 'nothing')).toMatchObject({ verdict: 'refused' })
  expect(options.some((option) => /own pairs/.test(option.name))).toBe(false)
})
