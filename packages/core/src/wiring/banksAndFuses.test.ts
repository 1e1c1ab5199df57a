import { describe, expect, test } from 'vitest'
import { readFolder, writeFolder } from '../dossier-files/index.ts'
import { parseDossier, sourceOf, surfacesOf, type Kit, type Machine } from '../dossiers/index.ts'
import { readSort, sortText, withSort } from '../dossier-writing/index.ts'
import { checkWiring } from './checkWiring.ts'
import { plannedConnections } from './plannedConnections.ts'
import { proposeMatches } from './proposeMatches.ts'
import { shippedKit, shippedMachine } from './shippedCase.ts'

const marlow = shippedMachine('corvane-marlow-29')
const a2 = shippedKit('thistle-a2')
const rulesOf = (machine: Machine, kit: Kit) => {
  const plan = proposeMatches(machine, kit)
  return checkWiring(machine, kit, plannedConnections(machine, kit, plan), { plan }).map(({ rule }) => rule)
}

describe('two banks', () => {
  test('are said in words, told apart by the match, and the other one is a stop', () => {
    const learner = shippedKit('quernby-learner')
    const skua = shippedMachine('pellick-skua-960')
    const on = (machine: Machine, bank: 1 | 2): Machine => ({
      ...machine,
      nets: machine.nets.map((net) =>
        net.role === 'oxygen' && net.signal === 'analogue-0-5' ? { ...net, bank } : net,
      ),
    })
    const wants = (bank: 1 | 2): Kit => ({
      ...learner,
      ends: learner.ends.map((end) =>
        end.type === 'inline-pair'
          ? {
              ...end,
              lines: end.lines.map((line) =>
                line.wants.role === 'oxygen' && line.wants.signal === 'analogue-0-5'
                  ? { ...line, wants: { ...line.wants, bank } }
                  : line,
              ),
            }
          : end.type === 'flying-lead' && end.wants.role === 'oxygen'
            ? { ...end, wants: { ...end.wants, bank } }
            : end,
      ),
    })
    const asked = JSON.stringify(wants(1)) !== JSON.stringify(learner)
    if (asked) {
      expect(rulesOf(on(skua, 1), wants(1))).not.toContain('wrong-bank')
      const plan = proposeMatches(skua, learner)
      const built = plannedConnections(skua, learner, plan)
      expect(checkWiring(on(skua, 2), wants(1), built, { plan }).map(({ rule }) => rule)).toContain('wrong-bank')
    }
    for (const words of ['oxygen bank 2', 'cam bank 1', 'injector 3 upper bank 1']) {
      const read = readSort(words)
      expect(read.ok && sortText(read.value)).toBe(words)
    }
    const [net] = marlow.nets
    const made = withSort(marlow, net.id, 'oxygen 2 bank 2')
    expect(made.ok && made.value.nets[0]).toMatchObject({ role: 'oxygen', cylinder: 2, bank: 2 })
    expect(withSort(marlow, net.id, 'nothing of the kind').ok).toBe(false)
  })

  test('of a lead: the other one is a stop, the right one none', () => {
    const kit: Kit = {
      ...a2,
      ends: a2.ends.map((end) =>
        end.id === 'throttle' && end.type === 'flying-lead' ? { ...end, wants: { ...end.wants, bank: 2 } } : end,
      ),
    }
    const banked = (bank: 1 | 2): Machine => ({
      ...marlow,
      nets: marlow.nets.map((net) => (net.role === 'throttle-position' ? { ...net, bank } : net)),
    })
    const plan = proposeMatches(marlow, a2)
    const built = plannedConnections(marlow, a2, plan)
    expect(checkWiring(banked(1), kit, built, { plan }).map(({ rule }) => rule)).toContain('wrong-bank')
    expect(checkWiring(banked(2), kit, built, { plan }).map(({ rule }) => rule)).not.toContain('wrong-bank')
  })
})

describe('what stands in plugs and circuits', () => {
  test('a terminal takes two wires of one circuit where it says so, and no third, and no other', () => {
    const wire = marlow.wires.find(({ from }) => 'connector' in from)
    if (!wire || !('connector' in wire.from)) throw new Error('no wire')
    const { connector, cavity } = wire.from
    const doubled: Machine = {
      ...marlow,
      connectors: marlow.connectors.map((plug) =>
        plug.id === connector
          ? { ...plug, cavities: plug.cavities.map((one) => (one.number === cavity ? { ...one, double: true } : one)) }
          : plug,
      ),
    }
    const more = (...ids: string[]): Machine => ({
      ...doubled,
      wires: [
        ...doubled.wires,
        ...ids.map((id) => ({ ...wire, id: id as typeof wire.id, to: marlow.wires[0].to, from: wire.from })),
      ],
    })
    const said = (machine: Machine) => {
      const read = parseDossier(machine)
      return read.ok ? [] : read.problems.map(({ message }) => message)
    }
    const loose = (machine: Machine): Machine => ({
      ...machine,
      wires: machine.wires.map((one) =>
        one.id.startsWith('w-two') ? { ...one, to: { splice: 'two' as never } } : one,
      ),
    })
    expect(said(loose(more('w-two-a'))).filter((text) => text.includes(`Cavity ${cavity}`))).toEqual([])
    expect(said(loose(more('w-two-a', 'w-two-b'))).join()).toContain('takes two wires of one circuit')
    const other = marlow.nets.find(({ id }) => id !== wire.net)
    const wrong = loose(more('w-two-a'))
    expect(
      said({
        ...wrong,
        wires: wrong.wires.map((one) => (one.id === 'w-two-a' && other ? { ...one, net: other.id } : one)),
      }).join(),
    ).toContain('takes two wires of one circuit')
    expect(said(loose({ ...more('w-two-a'), connectors: marlow.connectors })).join()).toContain('already')
    expect(readFolder(writeFolder(doubled))).toEqual({ ok: true, value: doubled })
  })

  test('a contact says where a circuit comes from; one of no cavity is refused', () => {
    const net = marlow.nets.find(
      (one) => surfacesOf(marlow, one).filter((place) => 'connector' in place).length > 1 && !one.source,
    )
    const plain =
      net ?? marlow.nets.find((one) => surfacesOf(marlow, one).filter((place) => 'connector' in place).length > 1)
    if (!plain) throw new Error('no circuit between two plugs')
    const { source: _stated, ...unstated } = plain
    const places = surfacesOf(marlow, plain).filter((place) => 'connector' in place)
    for (const place of places) {
      const machine: Machine = {
        ...marlow,
        nets: marlow.nets.map((one) => (one.id === plain.id ? unstated : one)),
        connectors: marlow.connectors.map((plug) =>
          'connector' in place && plug.id === place.connector
            ? { ...plug, contacts: [[place.cavity, place.cavity]] }
            : plug,
        ),
      }
      expect(sourceOf(machine, unstated, places)).toEqual(place)
      expect(readFolder(writeFolder(machine))).toEqual({ ok: true, value: machine })
    }
    const [plug, ...rest] = marlow.connectors
    const read = parseDossier({ ...marlow, connectors: [{ ...plug, contacts: [[1, 999]] }, ...rest] })
    expect(read.ok ? '' : read.problems[0].message).toContain('has no cavity 999 for a contact')
  })

  test('a feed that its circuit’s fuse does not bear is to be mended; one that it bears is only not known to have room', () => {
    const feed = proposeMatches(marlow, a2).find(({ kitEnd }) => kitEnd === 'feed')?.target
    const wire = marlow.wires.find(({ from, to }) =>
      [from, to].some(
        (end) =>
          feed &&
          'cavity' in feed &&
          'connector' in end &&
          end.connector === feed.connector &&
          end.cavity === feed.cavity,
      ),
    )
    const fused = (fuseA: number): Machine => ({
      ...marlow,
      nets: marlow.nets.map((net) => {
        if (net.id !== wire?.net) return net
        const { spareA: _spare, ...rest } = net
        return { ...rest, fuseA }
      }),
    })
    const plan = proposeMatches(marlow, a2)
    const built = plannedConnections(marlow, a2, plan)
    const found = (fuseA: number) => checkWiring(fused(fuseA), a2, built, { plan })
    expect(found(0.1).find(({ rule }) => rule === 'feed-over-fuse')?.reason).toMatch(/whose fuse of 0.1 A carries 0 A/)
    expect(found(30).map(({ rule }) => rule)).toContain('feed-spare-unknown')
    expect(found(30).map(({ rule }) => rule)).not.toContain('feed-over-fuse')
  })
})
