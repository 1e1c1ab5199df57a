import type { Kit, KitEnd, KitEndId, KitSetting } from '../dossiers/index.ts'
import { asId, asWritten } from '../shared/index.ts'
import { usualEnd } from './ends.ts'
import { readSort } from './sortWords.ts'
import type { StepWords } from './usual.ts'

/** What a class says of a kit of its own. */
export interface Made {
  ends: KitEnd[]
  system: string
  words: StepWords
  module: Kit['module']
  trunkM: number
  cautions: string[]
  more?: Partial<Pick<Kit, 'sockets' | 'terminators' | 'naming' | 'settings' | 'trim' | 'lamps' | 'levels'>>
}

/** An end by its tag, its name and where it is. */
export function end(
  type: KitEnd['type'],
  tag: string,
  name: string,
  wants: string | null,
  [breakOutM, branchM]: readonly [number, number],
  needed = true,
): KitEnd {
  const sort = wants === null ? null : readSort(wants)
  return usualEnd(type, sort?.ok ? sort.value : null, {
    ...{ id: asId<KitEndId>(tag.toLowerCase()), tag, name, breakOutM, branchM, needed },
  })
}

export const round = (metres: number) => Math.round(metres * 100) / 100

export const lampWords = 'The module’s lamp with the key on: as its sheet says.'
export const richOrLean =
  'Petrol: too much or too little fuel destroys engines. Look at every cell before it is taken over, and ride a new table gently first.'
export const heat =
  'More fuel or boost means more heat: exhaust temperature before the turbine is the limit, and a probe after it reads 100 to 200 K lower.'

export const map: KitSetting = asWritten<KitSetting>({
  ...{ id: 'map', name: 'Map in use', unit: '', choices: ['stock', 'A', 'B'], shipped: 'stock' },
  why: 'The unit ships on stock; with no switch fitted the map chosen here is the one that runs.',
})
export const throttleEnds = asWritten<KitSetting[]>([
  {
    ...{ id: 'throttle-shut', name: 'Throttle shut', unit: 'V', low: 0.2, high: 1.5, shipped: '0.50', captured: true },
    why: 'Captured with the key on and the throttle let go: 0.45 to 0.75 V is usual.',
  },
  {
    ...{ id: 'throttle-open', name: 'Throttle open', unit: 'V', low: 3, high: 4.9, shipped: '4.00', captured: true },
    why: 'Captured with the throttle to the stop: 3.8 to 4.5 V is usual. By wire, the unit’s own procedure captures it.',
  },
])
export const level: KitSetting = asWritten<KitSetting>({
  ...{ id: 'level', name: 'Level', unit: '', choices: ['stock', '1', '2', '3'], shipped: 'stock' },
  why: 'The unit ships on stock and people forget; try levels from stock up.',
})

/** A wideband sensor with a plug of its own and a dial on a long lead. */
export function widebandEnds(outM: number): Pick<Made, 'ends'> & { sockets: NonNullable<Kit['sockets']> } {
  const sensor = asId<NonNullable<Kit['sockets']>[number]['id']>('socket-sensor')
  const made = end('plug', 'W', 'Wideband sensor plug', null, [outM, 0.9])
  return {
    sockets: [{ id: sensor, name: 'Sensor socket', style: 'socket' }],
    ends:
      made.type === 'plug'
        ? [
            {
              ...made,
              ...{ into: sensor, enters: [sensor], far: 'sensor' },
              telling: 'The one six-pin socket on the loom.',
            },
          ]
        : [],
  }
}
