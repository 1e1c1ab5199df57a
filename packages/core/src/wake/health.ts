import { isDiesel, type Machine } from '../dossiers/index.ts'

/** One thing to look at before anybody claims, sets a level or trims. */
export interface HealthItem {
  what: string
  /** What is in order. */
  good: string
}

/** Whether the machine is fit for it: what is looked at, by what it is. General practice of the trade. */
export function healthList({ engine, class: kind }: Machine): HealthItem[] {
  const diesel = isDiesel(engine)
  const twoStroke = engine.strokes === 2
  return [
    { what: 'Oil', good: twoStroke ? 'in the tank, the pump’s line without air' : 'at its mark, no fuel in it' },
    ...(engine.cooling === 'liquid' ? [{ what: 'Coolant', good: 'at its mark, cold, no bubbles' }] : []),
    { what: 'Air filter', good: 'clean, its box closed all round' },
    { what: 'Leaks', good: 'no oil, fuel, coolant or exhaust leak; no whistle of intake air' },
    {
      what: /snow/i.test(kind) ? 'Track and skis' : 'Tyres',
      good: /snow/i.test(kind)
        ? 'track tension right, no ice between'
        : 'sound, at road pressure, load rating for the use',
    },
    ...(diesel
      ? [
          { what: 'Injector balance', good: 'every cylinder within the maker’s window at idle' },
          { what: 'Rail pressure', good: 'actual within 5 MPa of wanted on stock, idle and raised' },
          { what: 'Soot load', good: 'in the maker’s window, no regeneration running' },
        ]
      : [
          { what: 'Compression', good: 'where it can be read: cylinders within 10 % of each other' },
          ...(twoStroke
            ? []
            : [{ what: 'Fuel trims', good: 'where it can be read: within ±8 % warm, at idle and cruise' }]),
        ]),
  ]
}
