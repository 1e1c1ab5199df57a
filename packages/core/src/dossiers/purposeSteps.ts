import { asId } from '../shared/index.ts'
import type { StepId } from './ids.ts'
import type { Kit } from './kitModel.ts'
import type { Station, Step } from './model.ts'
import { purposes, type Purpose } from './purposes.ts'

/** Steps that a job takes from its kits: fitting takes all, tuning what belongs to set-up, ride and proof, the others none. */
export function kitStepsFor(purpose: Purpose, kit: Kit): readonly Step[] {
  switch (purpose) {
    case 'fit':
      return kit.steps
    case 'retune':
      return kit.steps.filter(({ station }) => tuned.includes(station))
    case 'stock':
    case 'look':
      return []
  }
}
const tuned: readonly Station[] = ['trim', 'prove', 'hand-back']

/** Steps that a purpose brings with it, in the words of general practice; what a kit says of its way back is among them. */
export function purposeSteps(purpose: Purpose, kit: Kit): Step[] {
  switch (purpose) {
    case 'stock':
      return [
        ...kit.returnToStock.map((text, i) => step(`stock-${i + 1}`, 'set-up', text, { minutes: usual(2) })),
        step(
          'stock-start',
          'wake',
          'Start it on stock: it idles as it did before the kit, and no code of a circuit that was joined comes up.',
          {
            why: 'Only a running engine shows that every factory plug is home.',
            caution: 'Running engine only in the open or with extraction: carbon monoxide.',
            engine: 'runs',
            asks: { words: 'How it idles, and the codes read' },
            minutes: usual(8),
          },
        ),
        step('stock-shelf', 'hand-back', 'Kit counted, dried and put on the shelf with its settings on a note.', {
          why: 'The next machine is told what is missing before the day it is needed.',
          minutes: usual(5),
        }),
      ]
    case 'look':
      return [
        step(
          'look-codes',
          'take-in',
          'Read the codes, stored and pending, and write them down; clear nothing that this kit did not cause.',
          {
            asks: { words: 'Codes, or that there are none' },
            minutes: usual(4),
          },
        ),
        step(
          'look-ground',
          'take-in',
          'Engine idling, lamps on: measure the drop between the module’s ground and battery negative.',
          {
            caution:
              'Running engine only in the open or with extraction: carbon monoxide. Keep clear of fan and belts.',
            engine: 'runs',
            reading: { quantity: 'ground drop', unit: 'mV', low: 0, high: 100 },
            minutes: usual(4),
          },
        ),
        step('look-taps', 'tie-down', 'Tug every tap and joint, look at each for green copper and lifted sleeves.', {
          why: 'What comes loose comes loose in the first ten hours.',
          needs: { power: 'off' },
          asks: { words: 'What moved, or that nothing did' },
          minutes: usual(10),
        }),
        step(
          'look-ties',
          'tie-down',
          'Every tie tight, no branch rubbing, sleeve whole where it passes something hot.',
          {
            asks: { words: 'What was tied anew, or that nothing was' },
            minutes: usual(8),
          },
        ),
        step('look-plugs', 'tie-down', 'Every pair locked, module dry and fast, its lamp as it should be.', {
          minutes: usual(5),
        }),
      ]
    case 'fit':
    case 'retune':
      return []
  }
}

/** Steps that any purpose brings to a kit. */
export function stepsOfPurposes(kit: Kit): Step[] {
  return purposes.flatMap((purpose) => purposeSteps(purpose, kit))
}

function step(id: string, station: Station, text: string, more: Partial<Step>): Step {
  return { id: asId<StepId>(id), station, text, ...more }
}

const usual = (likely: number) => ({ best: likely / 2, likely, worst: likely * 2.5 })
