import {
  inSentence,
  machineIndex,
  type ConnectorId,
  type DossierPair,
  type Minutes,
  type Station,
} from '../dossiers/index.ts'
import type { Done } from '../journal/index.ts'
import type { Spoken } from '../shared/index.ts'
import { sayWiringWork } from './words.ts'
import type { EarlierWork, FoundWork, WiringState } from './state.ts'

/** Minutes of undoing an earlier fitter's work, by what it is; of an unknown module at each of its plugs. */
const earlierMinutes: Record<EarlierWork, Minutes> = {
  'unknown module': { best: 3, likely: 6, worst: 15 },
  bypass: { best: 4, likely: 9, worst: 20 },
  puncture: { best: 3, likely: 5, worst: 10 },
  'parked plug': { best: 2, likely: 4, worst: 8 },
  'cut wire': { best: 6, likely: 9, worst: 15 },
  other: { best: 4, likely: 10, worst: 25 },
}

interface Work extends Spoken {
  id: string
  minutes: Minutes
  done?: Done
  makes: { kind: 'dealt-with'; found: string; how: string; connector?: ConnectorId }[]
}

/** Earlier work to be taken off while the machine is open. */
export function earlierWork({ machine }: DossierPair, { found }: Pick<WiringState, 'found'>, station: Station): Work[] {
  if (station !== 'open-up') return []
  const { connectors } = machineIndex(machine)
  return found.flatMap((item): Work[] => {
    if (!item.plugs)
      return [
        {
          id: `earlier.${item.entry}`,
          ...sayWiringWork('earlier', { what: item.what, text: item.text }),
          minutes: earlierMinutes[item.what],
          done: item.dealt,
          makes: [{ kind: 'dealt-with', found: item.entry, how: 'Taken off, put back as the factory had it' }],
        },
      ]
    return item.plugs.map(({ connector, out }): Work => {
      const plug = connectors.get(connector)
      const spoken = sayWiringWork('unplug-unknown', {
        text: item.text,
        plug: plug?.name ?? connector,
        device: plug?.device ?? 'device',
      })
      return {
        id: `earlier.${item.entry}.${connector}`,
        ...spoken,
        minutes: earlierMinutes[item.what],
        done: item.dealt ?? out,
        makes: [
          {
            kind: 'dealt-with',
            found: item.entry,
            connector,
            how: `Both halves out, ${inSentence(plug?.name ?? connector)} back onto the ${plug?.device ?? 'device'}, clicked and tugged`,
          },
        ],
      }
    })
  })
}

/** Plugs an unknown module still sits in. */
export function unknownIn({ plugs = [], dealt }: FoundWork): ConnectorId[] {
  return dealt ? [] : plugs.flatMap(({ connector, out }) => (out ? [] : [connector]))
}

/** Circuits that a module in a plug could change, in words: what is neither a supply nor a ground. */
export function changeableIn({ machine }: Pick<DossierPair, 'machine'>, plugs: readonly ConnectorId[]): string[] {
  const { wiresOf, nets } = machineIndex(machine)
  const names = plugs.flatMap((plug) =>
    (wiresOf.get(plug) ?? []).flatMap(({ wire }) => {
      const net = nets.get(wire.net)
      return net && !/supply|ground|reference|unknown/.test(net.signal) ? [net.name] : []
    }),
  )
  return [...new Set(names)]
}
