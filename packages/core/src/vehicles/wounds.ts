import { wireAt, wireName, type Kit, type KitEnd, type Machine, type TapMethod } from '../dossiers/index.ts'
import type { Connection } from '../wiring/index.ts'
import type { Wound } from './state.ts'

/** What a connection did to a wire of the machine for good. */
export interface WoundMade extends Wound {
  kind: 'puncture' | 'cut'
  end: KitEnd
  method?: TapMethod
}

/** What an end at a place does to the wire there: it cuts it, or it pierces or bares it; a pin into an empty cavity and a ring do nothing. */
export function woundOf(kit: Kit, { kitEnd, to, method }: Connection): WoundMade | null {
  const end = kit.ends.find((item) => item.id === kitEnd)
  if (end?.type !== 'flying-lead' || end.intoSpare || !('connector' in to) || !('cavity' in to)) return null
  return {
    kind: end.cut ? 'cut' : 'puncture',
    end,
    connector: to.connector,
    cavity: to.cavity,
    ...(method === undefined ? {} : { method }),
  }
}

/** Wounds of several connections, each wire once. */
export function woundsOf(kit: Kit, connections: readonly Connection[]): WoundMade[] {
  const found = new Map<string, WoundMade>()
  for (const made of connections) {
    const wound = woundOf(kit, made)
    if (wound && !found.has(`${wound.connector} ${wound.cavity}`))
      found.set(`${wound.connector} ${wound.cavity}`, wound)
  }
  return [...found.values()]
}

/** How a wound is made good, with the wire's size and colour. */
export function mendingWords(machine: Machine, { kind, connector, cavity }: WoundMade): string {
  const wire = wireAt(machine, connector, cavity)
  const size = wire ? `${wireName(wire.colour)}, ${wire.areaMm2} mm²` : 'the wire'
  return kind === 'cut'
    ? `Both halves joined, soldered or crimped, under a sleeve with glue: ${size}`
    : `Cleaned and closed with a sleeve with glue or sealing tape: ${size}`
}
