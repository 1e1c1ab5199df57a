import type { DossierPair, Minutes, Station } from '../dossiers/index.ts'
import type { Spoken } from '../shared/index.ts'
import { sayWiringWork } from './words.ts'
import type { EarlierWork, FoundWork, WiringState } from './state.ts'

/** Minutes of undoing an earlier fitter's work, by what it is. */
const earlierMinutes: Record<EarlierWork, Minutes> = {
  bypass: { best: 4, likely: 9, worst: 20 },
  puncture: { best: 3, likely: 5, worst: 10 },
  'parked plug': { best: 2, likely: 4, worst: 8 },
  'cut wire': { best: 6, likely: 9, worst: 15 },
  other: { best: 4, likely: 10, worst: 25 },
}

/** Earlier work to be taken off while the machine is open. */
export function earlierWork(
  _dossiers: DossierPair,
  { found }: Pick<WiringState, 'found'>,
  station: Station,
): (Spoken & {
  id: string
  minutes: Minutes
  done?: FoundWork['dealt']
  makes: { kind: 'dealt-with'; found: string; how: string }[]
})[] {
  if (station !== 'open-up') return []
  return found.map((item) => ({
    id: `earlier.${item.entry}`,
    ...sayWiringWork('earlier', { what: item.what, text: item.text }),
    minutes: earlierMinutes[item.what],
    done: item.dealt,
    makes: [{ kind: 'dealt-with', found: item.entry, how: 'Taken off, put back as the factory had it' }],
  }))
}
