import type { Machine, Minutes } from '../dossiers/index.ts'
import type { AccessWay, Cover } from '../dossiers/writtenCase.ts'
import { asWritten, seededRandom } from '../shared/index.ts'
import { shippedMachine } from '../wiring/shippedCase.ts'
import type { AccessTarget } from './model.ts'

const drives = [
  { kind: 'hex socket', size: 4 },
  { kind: 'hex socket', size: 5 },
  { kind: 'hex head', size: 10 },
  { kind: 'six-lobe', size: 30 },
  { kind: 'cross', size: 2 },
] as const
const froms = ['above', 'below', 'left'] as const

/** A machine of chance, with so many covers and plugs, two ways of up to three covers to each plug. */
export function randomAccess(
  seed: number,
  coverCount: number,
  plugCount: number,
): { machine: Machine; targets: AccessTarget[] } {
  const random = seededRandom(seed)
  const base = shippedMachine('hallam-voss-packhorse-62')
  const pick = (count: number) => Math.floor(random.uniform() * count)
  const minutes = (): Minutes => {
    const likely = Math.round(random.between(2, 24))
    return { best: Math.ceil(likely / 2), likely, worst: likely * 2 }
  }
  const covers = Array.from({ length: coverCount }, (_, i): Cover => ({
    id: `c${i}`,
    name: `Cover ${i}`,
    box: { x: random.between(0, 5.9), y: random.between(-1, 1), z: 1, length: 0.4, width: 0.3, height: 0.1 },
    after: i > 0 && random.uniform() < 0.3 ? [`c${pick(i)}`] : [],
    off: minutes(),
    on: minutes(),
    fasteners: [{ count: 2 + pick(6), kind: 'screw', threadMm: 6, drive: drives[pick(drives.length)] }],
    saves: [],
    ...(random.uniform() < 0.1 ? { helper: true } : {}),
    ...(random.uniform() < 0.3 ? { run: true } : {}),
  }))
  const connectors = Array.from({ length: plugCount }, (_, i) => ({
    ...base.connectors[i % base.connectors.length],
    id: `p${i}`,
    name: `Plug ${i}`,
  }))
  const ways = connectors.flatMap((connector) =>
    froms.slice(0, 2).map((from): AccessWay => ({
      id: `${connector.id}-${from}`,
      to: { connector: connector.id },
      from,
      needs: [...new Set(Array.from({ length: 1 + pick(3) }, () => `c${pick(coverCount)}`))],
      minutes: minutes(),
    })),
  )
  return {
    machine: asWritten<Machine>({
      ...base,
      id: `random-${seed}`,
      covers,
      connectors,
      ways,
      places: [],
      spots: [],
      passages: [],
      nets: [],
      wires: [],
      variants: [],
    }),
    targets: connectors.map(({ id, name, zone }) => asWritten<AccessTarget>({ kind: 'connector', id, name, zone })),
  }
}
