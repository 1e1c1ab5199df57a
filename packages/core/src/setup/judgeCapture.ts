import { netAt, type DossierPair, type KitMember, type Machine, type Net } from '../dossiers/index.ts'
import { readFigure } from '../shared/index.ts'
import { expectedReadings, isByWire, memberWiring, type WiringState } from '../wiring/index.ts'
import { leastSpanV, throttleSweep, type SweepSample } from './throttleSweep.ts'

/** What is expected of a throttle that is captured. */
export interface CaptureExpected {
  kind: 'cable' | 'by-wire'
  /** What its track goes through by the dossier, V; null where that is not written down. */
  spanV: number | null
  /** Least span that passes, V. */
  leastV: number
}

/** Circuits of the machine that leads of a kit are joined to. */
export function joinedNets(
  { machine, kit }: DossierPair,
  { key }: KitMember,
  { connections }: Pick<WiringState, 'connections'>,
): Net[] {
  const own = memberWiring(kit, connections).find(({ member }) => member.key === key)
  return (own?.connections ?? []).flatMap(({ to }) =>
    'cavity' in to ? (netAt(machine, to.connector, to.cavity) ?? []) : [],
  )
}

/** The throttle a kit listens to, as its dossier has it: by the circuit its lead or pair is joined to, or the machine's only one. */
export function captureExpected(
  { machine, kit }: DossierPair,
  member: KitMember,
  state: Pick<WiringState, 'connections'>,
): CaptureExpected {
  const joined = joinedNets({ machine, kit }, member, state).filter(({ role }) => role === 'throttle-position')
  const net = joined[0] ?? machine.nets.find(({ role, track }) => role === 'throttle-position' && (track ?? 1) === 1)
  const spanV = net ? spanOf(machine, net) : null
  return {
    kind: isByWire(machine) ? 'by-wire' : 'cable',
    spanV,
    leastV: round(leastSpanV(spanV ?? undefined)),
  }
}

const round = (volts: number) => Math.round(volts * 100) / 100

/** From the middle of what it shows shut to the middle of what it shows open, V. */
function spanOf(machine: Machine, net: Net): number | null {
  const readings = expectedReadings(machine, net)
  const middle = (state: 'key on' | 'key on, fully open') => {
    const found = readings.find((reading) => reading.state === state && reading.unit === 'V')
    return found?.low === undefined || found.high === undefined ? null : (found.low + found.high) / 2
  }
  const [shut, open] = [middle('key on'), middle('key on, fully open')]
  return shut === null || open === null ? null : round(open - shut)
}

/** Two volts that were read: whether they are a throttle. */
export function judgeCapture(
  { shutV, openV }: { shutV: number; openV: number },
  { leastV, kind }: CaptureExpected,
): { verdict: 'pass' | 'fail'; says: string } {
  const spanV = round(openV - shutV)
  if (spanV >= leastV)
    return { verdict: 'pass', says: `${spanV.toFixed(2)} V from shut to open; at least ${leastV.toFixed(2)} V.` }
  return {
    verdict: 'fail',
    says: `Only ${spanV.toFixed(2)} V from shut to open; at least ${leastV.toFixed(2)} V. ${
      kind === 'by-wire'
        ? 'By wire the blade need not follow with the key only on: the unit’s own procedure captures it.'
        : 'Look whether the cable opens it fully, and at its 5 V.'
    }`,
  }
}

/** A sweep as text: time in s and one or two tracks in V on each line, apart by comma, semicolon, tab or space. Words on top are passed over. */
export function readSweepText(text: string): SweepSample[] {
  return text.split(/\r?\n/).flatMap((line): SweepSample[] => {
    const cells = line.trim().split(line.includes(';') ? /\s*;\s*/ : line.includes('\t') ? /\t/ : /[,\s]+/)
    const [t, v1, v2] = cells.map((cell) => readFigure(cell))
    return t === undefined || t === null || v1 === undefined || v1 === null
      ? []
      : [{ t, v1, ...(v2 === undefined || v2 === null ? {} : { v2 }) }]
  })
}

/** A sweep judged by what is expected. */
export function judgeSweep(text: string, { kind, spanV }: CaptureExpected): ReturnType<typeof throttleSweep> {
  return throttleSweep({ kind, samples: readSweepText(text), ...(spanV === null ? {} : { spanV }) })
}
