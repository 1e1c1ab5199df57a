import type { Body, BodyForm } from '../dossiers/index.ts'

/** A point of a drawing, m: along the machine from its front end, and up from the ground or to the right of its middle. */
export type DrawnPoint = [number, number]

export interface DrawnWheel {
  x: number
  /** Side view: height of the hub. Top view: distance from the middle. */
  at: number
  radius: number
  /** Top view only. */
  width: number
}

/** Lines of a machine as it is seen, m. */
export interface BodyOutline {
  side: { lines: DrawnPoint[][]; wheels: DrawnWheel[] }
  top: { lines: DrawnPoint[][]; wheels: DrawnWheel[] }
}

/** Lines of a form, each a row of points: along in parts of the length, up in parts of the height, across in parts of half the width. */
interface FormLines {
  side: string[]
  top: string[]
  /** Front hub, as a part of what the wheelbase leaves of the length. */
  frontHub: number
  tracks: 1 | 2
  wheelWidth: number
}

const cycle: FormLines = {
  side: [
    '0.17 0.27, 0.27 0.82, 0.3 0.9',
    '0.22 0.92, 0.33 0.88',
    '0.2 0.66, 0.14 0.72, 0.19 0.84, 0.27 0.82',
    '0.29 0.74, 0.36 0.84, 0.5 0.83, 0.56 0.7, 0.86 0.74, 0.9 0.68, 0.62 0.6',
    '0.3 0.68, 0.4 0.3, 0.58 0.26, 0.62 0.42, 0.56 0.66',
    '0.6 0.36, 0.82 0.27',
  ],
  top: [
    '0.26 -0.98, 0.29 -0.6, 0.29 0.6, 0.26 0.98',
    '0.12 -0.18, 0.2 -0.34, 0.3 -0.3, 0.36 -0.34, 0.52 -0.3, 0.6 -0.22, 0.86 -0.22, 0.92 -0.1, 0.92 0.1, 0.86 0.22, 0.6 0.22, 0.52 0.3, 0.36 0.34, 0.3 0.3, 0.2 0.34, 0.12 0.18, 0.12 -0.18',
  ],
  frontHub: 0.47,
  tracks: 1,
  wheelWidth: 0.13,
}

const forms: Record<BodyForm, FormLines> = {
  motorcycle: cycle,
  quad: {
    side: [
      '0.02 0.62, 0.08 0.72, 0.28 0.74, 0.31 0.94, 0.35 0.97',
      '0.31 0.8, 0.42 0.84, 0.52 0.8, 0.82 0.8, 0.84 0.74, 0.98 0.76, 0.99 0.66',
      '0.04 0.6, 0.3 0.58, 0.34 0.34, 0.66 0.34, 0.7 0.58, 0.97 0.62',
      '0.02 0.76, 0.24 0.78',
      '0.76 0.86, 0.99 0.86',
    ],
    top: [
      '0.3 -0.72, 0.33 -0.4, 0.33 0.4, 0.3 0.72',
      '0.02 -0.5, 0.04 -0.86, 0.28 -0.86, 0.34 -0.34, 0.62 -0.3, 0.7 -0.86, 0.96 -0.86, 0.99 -0.5, 0.99 0.5, 0.96 0.86, 0.7 0.86, 0.62 0.3, 0.34 0.34, 0.28 0.86, 0.04 0.86, 0.02 0.5, 0.02 -0.5',
    ],
    frontHub: 0.5,
    tracks: 2,
    wheelWidth: 0.24,
  },
  'side-by-side': {
    side: [
      '0.02 0.36, 0.04 0.5, 0.3 0.56, 0.36 0.98, 0.68 1, 0.74 0.56',
      '0.3 0.56, 0.34 0.24, 0.68 0.24, 0.7 0.5',
      '0.7 0.5, 0.98 0.5, 0.99 0.38, 0.7 0.36',
    ],
    top: [
      '0.02 -0.6, 0.06 -0.9, 0.98 -0.9, 0.98 0.9, 0.06 0.9, 0.02 0.6, 0.02 -0.6',
      '0.3 -0.85, 0.3 0.85',
      '0.7 -0.9, 0.7 0.9',
    ],
    frontHub: 0.5,
    tracks: 2,
    wheelWidth: 0.28,
  },
  'snow machine': {
    side: [
      '0.02 0.1, 0.1 0.04, 0.36 0.06',
      '0.06 0.46, 0.16 0.66, 0.3 0.84, 0.38 0.98, 0.43 0.92',
      '0.06 0.46, 0.1 0.34, 0.42 0.34',
      '0.36 0.84, 0.46 0.7, 0.76 0.72, 0.8 0.56',
      '0.36 0.08, 0.84 0.06, 0.98 0.22, 0.96 0.44, 0.44 0.5, 0.36 0.08',
    ],
    top: [
      '0.02 -0.92, 0.36 -0.92, 0.36 -0.78, 0.04 -0.78',
      '0.02 0.92, 0.36 0.92, 0.36 0.78, 0.04 0.78',
      '0.06 -0.3, 0.14 -0.66, 0.36 -0.7, 0.46 -0.34, 0.98 -0.32, 0.98 0.32, 0.46 0.34, 0.36 0.7, 0.14 0.66, 0.06 0.3, 0.06 -0.3',
      '0.4 -0.8, 0.42 0, 0.4 0.8',
    ],
    frontHub: 0.5,
    tracks: 1,
    wheelWidth: 0,
  },
  car: {
    side: [
      '0.01 0.34, 0.02 0.52, 0.28 0.64, 0.4 0.98, 0.66 1, 0.82 0.68, 0.98 0.64, 0.99 0.34',
      '0.01 0.34, 0.02 0.18, 0.98 0.18, 0.99 0.34',
      '0.31 0.64, 0.42 0.93, 0.64 0.95, 0.78 0.68, 0.31 0.64',
    ],
    top: [
      '0.01 -0.6, 0.04 -0.92, 0.96 -0.92, 0.99 -0.6, 0.99 0.6, 0.96 0.92, 0.04 0.92, 0.01 0.6, 0.01 -0.6',
      '0.3 -0.84, 0.38 -0.7, 0.7 -0.7, 0.82 -0.8, 0.82 0.8, 0.7 0.7, 0.38 0.7, 0.3 0.84, 0.3 -0.84',
    ],
    frontHub: 0.46,
    tracks: 2,
    wheelWidth: 0.22,
  },
  pickup: {
    side: [
      '0.01 0.36, 0.02 0.62, 0.28 0.68, 0.34 0.99, 0.55 1, 0.58 0.66, 0.98 0.66, 0.99 0.34',
      '0.01 0.36, 0.02 0.24, 0.98 0.26, 0.99 0.34',
      '0.31 0.68, 0.36 0.94, 0.53 0.95, 0.54 0.68, 0.31 0.68',
    ],
    top: [
      '0.01 -0.7, 0.03 -0.92, 0.99 -0.92, 0.99 0.92, 0.03 0.92, 0.01 0.7, 0.01 -0.7',
      '0.29 -0.84, 0.36 -0.76, 0.56 -0.78, 0.56 0.78, 0.36 0.76, 0.29 0.84, 0.29 -0.84',
      '0.6 -0.8, 0.98 -0.8, 0.98 0.8, 0.6 0.8, 0.6 -0.8',
    ],
    frontHub: 0.44,
    tracks: 2,
    wheelWidth: 0.26,
  },
  'field machine': {
    side: [
      '0.01 0.06, 0.06 0.28, 0.14 0.2, 0.16 0.06, 0.01 0.06',
      '0.12 0.22, 0.24 0.4',
      '0.18 0.44, 0.18 0.98, 0.36 1, 0.38 0.44, 0.18 0.44',
      '0.38 0.36, 0.4 0.86, 0.92 0.84, 0.98 0.5, 0.94 0.26, 0.38 0.3',
    ],
    top: [
      '0.01 -1, 0.14 -1, 0.14 1, 0.01 1, 0.01 -1',
      '0.18 -0.5, 0.36 -0.5, 0.36 0.5, 0.18 0.5, 0.18 -0.5',
      '0.38 -0.86, 0.94 -0.86, 0.98 0, 0.94 0.86, 0.38 0.86, 0.38 -0.86',
    ],
    frontHub: 0.5,
    tracks: 2,
    wheelWidth: 0.6,
  },
}

/** A machine drawn from its form and size: from the left side, and from above with the front to the left. */
export function bodyOutline(body: Body): BodyOutline {
  const lines = forms[body.form]
  const { lengthM, heightM, widthM, wheelM } = body
  const front = (lengthM - body.wheelbaseM) * lines.frontHub
  const radius = wheelM / 2
  const hubs = body.form === 'snow machine' ? [] : [front, front + body.wheelbaseM]
  const across = lines.tracks === 1 ? [0] : [-1, 1].map((side) => side * (widthM / 2 - lines.wheelWidth / 2))
  return {
    side: {
      lines: lines.side.map((line) => pointsOf(line).map(([x, z]): DrawnPoint => [x * lengthM, z * heightM])),
      wheels: hubs.map((x) => ({ x, at: radius, radius, width: lines.wheelWidth })),
    },
    top: {
      lines: lines.top.map((line) => pointsOf(line).map(([x, y]): DrawnPoint => [x * lengthM, (y * widthM) / 2])),
      wheels: hubs.flatMap((x) => across.map((at) => ({ x, at, radius, width: lines.wheelWidth }))),
    },
  }
}

function pointsOf(line: string): number[][] {
  return line.split(',').map((point) => point.trim().split(' ').map(Number))
}
