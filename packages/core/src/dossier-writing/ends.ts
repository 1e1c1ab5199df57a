import {
  gridCavities,
  type ColourName,
  type KitEnd,
  type PairLine,
  type Shell,
  type SignalSort,
  type WireColour,
} from '../dossiers/index.ts'
import { asId } from '../shared/index.ts'

/** What every end has, whatever it is. */
export type EndBase = Pick<KitEnd, 'id' | 'tag' | 'name' | 'breakOutM' | 'branchM' | 'needed'>

/** Stripes that count cylinders. */
const counting: readonly ColourName[] = ['black', 'blue', 'green', 'yellow', 'white', 'brown', 'grey', 'orange']

/** Colours a loom gives what its wires are for; the stripe counts where there are several. */
function ownColour({ role, cylinder, row, track }: SignalSort): WireColour {
  const stripe = counting[((cylinder ?? track ?? 1) - 1) % counting.length]
  if (role === 'injector') return { base: row === 'upper' ? 'violet' : 'pink', stripe }
  if (role === 'coil') return { base: 'orange', stripe: stripe === 'orange' ? 'red' : stripe }
  if (role === 'ground') return { base: 'brown' }
  if (role === 'supply') return { base: 'red', stripe: 'white' }
  if (role === 'pedal-position') return track === 2 ? { base: 'light blue', stripe } : { base: 'light blue' }
  if (role === 'crank' || role === 'cam') return { base: 'green', stripe: role === 'cam' ? 'white' : 'black' }
  return { base: 'white', stripe: stripe === 'white' ? 'red' : stripe }
}

const line = (cavity: number, does: PairLine['does'], wants: SignalSort, areaMm2 = 0.5): PairLine => ({
  ...{ cavity, does, wants, areaMm2 },
  colour: ownColour(wants),
})

const feed: SignalSort = { signal: 'supply-switched', role: 'supply' }
const ground: SignalSort = { signal: 'sensor-ground', role: 'ground' }
const fiveVolts: SignalSort = { signal: 'reference-5v', role: 'supply' }

/** Sensors that are a resistor between two pins. */
const twoPinned = ['air-temperature', 'coolant-temperature', 'oil-temperature', 'fuel-temperature']

/** What the plug of such a device usually has, cavity by cavity. */
function usualLines(sort: SignalSort): PairLine[] {
  const { signal, role } = sort
  if (signal === 'injector-drive') return [line(1, 'tap', feed, 0.75), line(2, 'interrupt', sort)]
  if (signal === 'coil-drive') return [line(1, 'pass', feed, 0.75), line(2, 'interrupt', sort, 0.75)]
  if (role === 'pedal-position')
    return ([1, 2] as const).flatMap((track) => [
      line(3 * track - 2, 'pass', fiveVolts),
      line(3 * track - 1, 'interrupt', { ...sort, track }),
      line(3 * track, 'pass', ground),
    ])
  if (twoPinned.includes(role)) return [line(1, 'pass', ground), line(2, 'interrupt', sort)]
  return [
    line(1, 'pass', ground),
    line(2, signal === 'frequency' ? 'tap' : 'interrupt', sort),
    line(3, 'pass', fiveVolts),
  ]
}

const numbers = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight']

/** An end of that kind for a circuit of that sort, as they usually are. */
export function usualEnd(type: KitEnd['type'], sort: SignalSort | null, base: EndBase): KitEnd {
  const wants = sort ?? feed
  switch (type) {
    case 'inline-pair': {
      const lines = usualLines(wants)
      const count = Math.max(...lines.map(({ cavity }) => cavity))
      const shell: Shell = {
        family: `sealed ${numbers[count] ?? count}-way`,
        colour: 'black',
        outline: count === 2 ? 'oval' : 'rectangle',
        key: 'flat',
      }
      return {
        ...{ type, ...base, lines, cavities: gridCavities(count, count > 4 ? 2 : 1) },
        factoryHalf: { shell, gender: 'male' },
        deviceHalf: { shell, gender: 'female' },
      }
    }
    case 'flying-lead':
      return {
        type,
        ...base,
        colour: ownColour(wants),
        areaMm2: wants.role === 'supply' ? 0.75 : 0.35,
        wants,
        sheet: [],
      }
    case 'ring': {
      const live = wants.role === 'supply'
      return {
        ...{ type, ...base, areaMm2: 1, holeMm: 6.4, sheet: [] },
        colour: { base: live ? 'red' : 'black' },
        wants: live ? { signal: 'supply-always', role: 'supply' } : { signal: 'power-ground', role: 'ground' },
        ...(live ? { fuseA: 5 } : {}),
      }
    }
    case 'port':
      return { type, ...base, closedBy: 'cap' }
    case 'vent':
      return { type, ...base, why: 'The module reads the weather through it.' }
    case 'plug':
      return {
        ...{ type, ...base, telling: 'How the right socket is known is not written down.' },
        into: asId('socket'),
        enters: [asId('socket')],
      }
  }
}

/** What an end is there for: of a pair, the wire the module changes, or reads. */
export function sortOfEnd(end: KitEnd): SignalSort | null {
  if (end.type === 'inline-pair')
    return (['interrupt', 'tap', 'pass'] as const).flatMap((does) => end.lines.filter((one) => one.does === does))[0]
      .wants
  return end.type === 'flying-lead' || end.type === 'ring' ? end.wants : null
}

/** The end for another circuit. */
export function endFor(end: KitEnd, sort: SignalSort): KitEnd {
  if (end.type === 'flying-lead' || end.type === 'ring') return { ...end, wants: sort }
  if (end.type !== 'inline-pair') return end
  const main = sortOfEnd(end)
  return { ...end, lines: end.lines.map((one) => (one.wants === main ? { ...one, wants: sort } : one)) }
}
