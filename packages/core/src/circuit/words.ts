import {
  asHeading,
  inSentence,
  machineIndex,
  wireAt,
  wireName,
  type Machine,
  type ConnectorId,
} from '../dossiers/index.ts'
import type { MeterCard } from '../wiring/index.ts'
import type { AlikeWire } from './meterFigures.ts'

const shown = (volts: number) => `${volts.toFixed(2)} V`

/** Which other wire would read the same, and how the two are told apart. */
export function alikeWords(machine: Machine, card: MeterCard, alike: AlikeWire): string {
  const { connectors, nets } = machineIndex(machine)
  const colourAt = (connector: ConnectorId, cavity: number) => {
    const wire = wireAt(machine, connector, cavity)
    return wire ? wireName(wire.colour) : ''
  }
  const own = card.about.connector === alike.connector
  const plug = own ? '' : `${connectors.get(alike.connector)?.name ?? alike.connector}, `
  const colour = colourAt(alike.connector, alike.cavity)
  const net = inSentence(nets.get(alike.net)?.name ?? alike.net)
  const where = asHeading(`${plug}cavity ${alike.cavity}, ${colour}, ${net}: ${shown(alike.volts)} too.`)
  if (alike.tell) {
    const { state, own: yours, other } = alike.tell
    return `${where} ${asHeading(state)} yours reads ${shown(yours)}, that one ${shown(other)}.`
  }
  const { connector, cavity } = card.about
  const yours = connector !== undefined && cavity !== undefined ? colourAt(connector, cavity) : ''
  return yours !== '' && yours !== colour
    ? `${where} No reading tells them apart; yours is ${yours}.`
    : `${where} No reading tells them apart: count the cavity.`
}

/** What the meter shows as the loom is joined now, where that is not what it should be; null where it is. */
export function builtWords(card: MeterCard, built: number | null, planned: number | null): string | null {
  const { low, high, unit } = card.expect
  const within = (value: number | null) => value !== null && value >= low && value <= high
  if (within(built) || !within(planned)) return null
  const sign = unit === 'ohm' ? 'Ω' : unit
  return built === null
    ? 'As it is joined now nothing comes here: the meter drifts and shows no figure.'
    : `As it is joined now the meter shows ${built.toFixed(2)} ${sign}.`
}
