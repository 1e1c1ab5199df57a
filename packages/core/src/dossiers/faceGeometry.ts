import type { Cavity, Connector } from './model.ts'

export type FaceSide = 'wire side' | 'mating side'

export interface FaceGeometry {
  width: number
  height: number
  body: { x: number; y: number; width: number; height: number; rounding: number }
  /** Outlines that stand on the body (ribs, flats) or are taken out of it (notch), as SVG paths. */
  keys: { path: string; takenOut: boolean }[]
  lock: { x: number; y: number; width: number; height: number } | null
  cavities: { cavity: Cavity; x: number; y: number; size: number }[]
  /** Numbers are written below each cavity; on crowded faces only the first and last of a row carry one. */
  numbered: (cavity: Cavity) => boolean
}

const frame = { x: 26, y: 34, width: 268, height: 116 }

/**
 * A plug's face as it is drawn: shell, key, lock and cavities.
 * @param side the document is kept as seen from the wire side; the mating side is its mirror image
 */
export function faceGeometry(connector: Connector, side: FaceSide): FaceGeometry {
  const mirrored = side === 'mating side'
  const rows = [...new Set(connector.cavities.map((cavity) => cavity.y))].sort((a, b) => a - b)
  const body = bodyOf(connector, rows.length)
  const size = cavitySize(connector.cavities, body)
  const many = connector.cavities.length > 8
  const ends = new Set(
    rows.flatMap((y) => {
      const row = connector.cavities.filter((cavity) => cavity.y === y)
      return [row[0]?.number, row.at(-1)?.number]
    }),
  )
  return {
    width: 320,
    height: body.y + body.height + 28,
    body,
    keys: keysOf(connector, body, mirrored),
    lock: connector.lock.kind === 'none' ? null : { x: 128, y: body.y - 18, width: 64, height: 22 },
    cavities: connector.cavities.map((cavity) => ({
      cavity,
      x: body.x + 18 + ((body.width - 36) * (mirrored ? 10 - cavity.x : cavity.x)) / 10,
      y: body.y + 10 + ((body.height - 20) * cavity.y) / 10 - (many ? 0 : 6),
      size,
    })),
    numbered: (cavity) => !many || ends.has(cavity.number),
  }
}

function bodyOf(connector: Connector, rows: number): FaceGeometry['body'] {
  const { outline } = connector.shell
  if (outline === 'round') {
    const across = connector.cavities.length > 4 ? 168 : 120
    return { x: 160 - across / 2, y: frame.y, width: across, height: across, rounding: across / 2 }
  }
  const height = Math.max(frame.height, 30 * rows + 20)
  const rounding = outline === 'rectangle' ? 10 : outline === 'd-shape' ? 26 : height / 2
  return { ...frame, height, rounding }
}

/** As large as fits between neighbouring cavities. */
function cavitySize(cavities: readonly Cavity[], body: FaceGeometry['body']): number {
  const gap = (values: number[], span: number) => {
    const sorted = [...new Set(values)].sort((a, b) => a - b)
    const steps = sorted.slice(1).map((value, i) => value - sorted[i])
    return steps.length === 0 ? span : (Math.min(...steps) / 10) * span
  }
  const rows = new Set(cavities.map((cavity) => cavity.y)).size
  const sameRow = cavities.filter((cavity) => cavity.y === cavities[0]?.y)
  const across =
    gap(
      sameRow.map((cavity) => cavity.x),
      body.width - 36,
    ) - 4
  const down =
    gap(
      cavities.map((cavity) => cavity.y),
      body.height - 20,
    ) - (cavities.length > 8 ? 4 : rows > 1 ? 18 : 16)
  return Math.max(8, Math.min(54, across, down))
}

function keysOf(connector: Connector, body: FaceGeometry['body'], mirrored: boolean): FaceGeometry['keys'] {
  const middle = body.x + body.width / 2
  const bottom = body.y + body.height
  const rect = (x: number, y: number, width: number, height: number) => `M${x} ${y}h${width}v${height}h${-width}z`
  switch (connector.shell.key) {
    case 'none':
      return []
    case 'flat':
      return [{ path: `M${middle - 34} ${bottom - 4}h68l-12 16h-44z`, takenOut: false }]
    case 'two ribs':
      return [
        { path: rect(middle - 54, bottom - 4, 18, 15), takenOut: false },
        { path: rect(middle + 36, bottom - 4, 18, 15), takenOut: false },
      ]
    case 'side rib':
      return [
        {
          path: rect(mirrored ? body.x - 8 : body.x + body.width - 6, body.y + body.height / 2 - 13, 14, 26),
          takenOut: false,
        },
      ]
    case 'notch':
      return [{ path: `M${middle - 20} ${bottom + 2}l8 -13h24l8 13`, takenOut: true }]
  }
}
