import { ref } from '../shared/refCase.ts'
import { describe, expect, test } from 'vitest'
import { machineIndex, type Machine, type ConnectorId } from '../dossiers/index.ts'
import { connectorLookalikes, meterCards, plannedConnections, proposeMatches, type MeterCard } from '../wiring/index.ts'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { buildCircuit } from './buildCircuit.ts'
import { meterFigures, type AlikeWire } from './meterFigures.ts'
import type { FittedKit } from './model.ts'
import { alikeWords, builtWords } from './words.ts'

/** The kit with nothing joined yet. */
const loose = ({ kit }: FittedKit): FittedKit => ({ kit, connections: [] })

function all(machine: Machine, fitted: FittedKit) {
  const matches = proposeMatches(machine, fitted.kit)
  const cards = fitted.kit.ends.flatMap((end) =>
    meterCards(
      machine,
      fitted.kit,
      end,
      matches.find(({ kitEnd }) => kitEnd === end.id),
    ),
  )
  return { cards, figures: meterFigures(machine, [fitted], [loose(fitted)], cards) }
}

/** Every wire of the machine tried one by one, without sorting or short cuts. */
function alikeBySearch(machine: Machine, fitted: FittedKit, card: MeterCard): string[] {
  const { wiresOf } = machineIndex(machine)
  const { red, black, state, expect: range } = card
  if (range.unit !== 'V' || state === 'battery off' || card.barred || !('connector' in red)) return []
  const circuit = buildCircuit(machine, [card.phase === 'prove' ? fitted : loose(fitted)], { state })
  const own = wiresOf.get(red.connector)?.find(({ cavity }) => cavity === red.cavity)?.wire.net
  const looks = connectorLookalikes(machine, red.connector).map(({ connector }) => connector)
  const found: string[] = []
  for (const connector of machine.connectors)
    for (const { cavity, wire } of wiresOf.get(connector.id) ?? []) {
      const same = connector.id === red.connector
      if (!same && !(looks.includes(connector.id) && cavity === red.cavity)) continue
      if (wire.net === own) continue
      const inPlug = 'connector' in black
      const held = inPlug && !same ? { connector: connector.id, cavity: black.cavity } : black
      if ('connector' in held && !wiresOf.get(held.connector)?.some((item) => item.cavity === held.cavity)) continue
      const shown = circuit.reading({ connector: connector.id, cavity }, held)
      if (shown.kind === 'volts' && shown.volts >= range.low && shown.volts <= range.high)
        found.push(`${connector.id} ${cavity}`)
    }
  return found.sort()
}

describe.each(fittings.map((fitting) => ({ ...fitting })))('meter cards of $name', ({ machine, kit }) => {
  const fitted: FittedKit = { kit, connections: plannedConnections(machine, kit, proposeMatches(machine, kit)) }
  const { cards, figures } = all(machine, fitted)

  test('every figure that is computed lies in the range that its card gives', () => {
    const off = cards.flatMap((card, i) => {
      const { planned } = figures[i]
      return planned === null || (planned >= card.expect.low - 0.005 && planned <= card.expect.high + 0.005)
        ? []
        : [`${card.id}: ${card.expect.low} to ${card.expect.high}, but ${planned.toFixed(3)}`]
    })
    expect(off).toEqual([])
  })

  test('wires that read alike are those that a plain search finds; what tells them apart does', () => {
    cards.forEach((card, i) => {
      const { alike } = figures[i]
      expect(alike.map(({ connector, cavity }) => `${connector} ${cavity}`).sort(), card.id).toEqual(
        alikeBySearch(machine, fitted, card),
      )
      for (const { tell } of alike) if (tell) expect(Math.abs(tell.own - tell.other)).toBeGreaterThanOrEqual(0.2)
    })
  })
})

describe('in words', () => {
  const ute = shippedMachine('hallam-voss-shieling-21')
  const d3 = shippedKit('thistle-d3')
  const planned: FittedKit = { kit: d3, connections: plannedConnections(ute, d3, proposeMatches(ute, d3)) }
  const { cards } = all(ute, planned)
  const rail = cards.find(({ about, state }) => about.connector === 'rail' && about.cavity === 2 && state === 'key on')
  if (!rail) throw new Error('no card at the rail sensor')

  test('joined on one side only, the card says what the meter shows', () => {
    const connections = planned.connections.map((made) =>
      made.kitEnd === 'rail'
        ? { ...made, to: { connector: ref<ConnectorId>('rail'), side: 'factory' as const } }
        : made,
    )
    const [{ built, planned: right }] = meterFigures(ute, [planned], [{ kit: d3, connections }], [rail])
    expect(builtWords(rail, built, right)).toMatch(/^As it is joined now the meter shows -?0\.0\d V\.$/)
    expect(builtWords(rail, right, right)).toBeNull()
    expect(builtWords(rail, null, right)).toContain('the meter drifts')
  })

  test('another wire with the same figure is named with what tells it apart', () => {
    const other: AlikeWire = { connector: ref('rail'), cavity: 1, net: ref('x'), volts: 0.52, tell: null }
    expect(alikeWords(ute, rail, other)).toMatch(/^Cavity 1, .+: 0\.52 V too\. No reading tells them apart/)
    const told = { ...other, tell: { state: 'idling' as const, own: 1.2, other: 0.5 } }
    expect(alikeWords(ute, rail, told)).toMatch(/ Idling yours reads 1\.20 V, that one 0\.50 V\.$/)
  })
})
