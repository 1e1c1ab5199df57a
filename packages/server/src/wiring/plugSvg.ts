import {
  wireAt,
  colourHex,
  faceGeometry,
  machineIndex,
  wireName,
  type Connector,
  type FaceSide,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { document, wirePath, words } from './svgParts.ts'

/** A plug's face with its numbers and a list of its wires; which side is seen is written over it. */
export function plugSvg(machine: Machine, connector: Connector, side: FaceSide): string {
  const face = faceGeometry(connector, side)
  const index = machineIndex(machine)
  const { body } = face
  const list = face.height + 40
  const rows = connector.cavities.filter((cavity) => !cavity.blank)
  const shell = colourHex[connector.shell.colour]
  return document(440, list + rows.length * 20 + 16, `${connector.name}, ${side}`, [
    words(12, 20, `${connector.name}: seen from the ${side}`, ' font-weight="700" font-size="15"'),
    `<g transform="translate(60 22)">`,
    ...(face.lock
      ? [
          `<rect x="${face.lock.x}" y="${face.lock.y}" width="${face.lock.width}" height="${face.lock.height}" rx="4" fill="${connector.lock.colour ? colourHex[connector.lock.colour] : shell}" stroke="#15181a" stroke-width="2"/>`,
        ]
      : []),
    ...face.keys
      .filter((key) => !key.takenOut)
      .map((key) => `<path d="${key.path}" fill="${shell}" stroke="#15181a" stroke-width="2.5"/>`),
    `<rect x="${body.x}" y="${body.y}" width="${body.width}" height="${body.height}" rx="${body.rounding}" fill="${shell}" stroke="#15181a" stroke-width="2.5"/>`,
    ...face.keys
      .filter((key) => key.takenOut)
      .map((key) => `<path d="${key.path}" fill="#ffffff" stroke="#15181a" stroke-width="2.5"/>`),
    ...face.cavities.flatMap(({ cavity, x, y, size }) => {
      const wire = wireAt(machine, connector.id, cavity.number)
      return [
        `<rect x="${x - size / 2}" y="${y - size / 2}" width="${size}" height="${size}" rx="3" fill="${cavity.blank ? 'none' : '#25292c'}" stroke="#f6f5ef"${cavity.blank ? ' stroke-dasharray="3 3"' : ''}/>`,
        ...(wire ? [wirePath(`M${x - size * 0.36} ${y}h${size * 0.72}`, wire.colour, Math.max(3, size * 0.4))] : []),
        ...(face.numbered(cavity)
          ? [
              words(
                x,
                y + size / 2 + 11,
                String(cavity.number),
                ' text-anchor="middle" font-size="11" font-weight="700" fill="#f6f5ef" stroke="#15181a" stroke-width="2.4" paint-order="stroke"',
              ),
            ]
          : []),
      ]
    }),
    '</g>',
    ...rows.flatMap((cavity, i) => {
      const y = list + i * 20
      const wire = wireAt(machine, connector.id, cavity.number)
      const net = wire && index.nets.get(wire.net)
      return [
        words(34, y, String(cavity.number), ' text-anchor="end"'),
        ...(wire ? [wirePath(`M44 ${y - 4}h34`, wire.colour, 8)] : []),
        words(90, y, wire ? `${wireName(wire.colour)}, ${wire.areaMm2} mm²: ${net?.name ?? ''}` : 'empty'),
      ]
    }),
  ])
}
