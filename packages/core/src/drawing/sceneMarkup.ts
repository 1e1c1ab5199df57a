import type { Machine } from '../dossiers/index.ts'
import { escapedXml } from '../shared/index.ts'
import { bodyView, viewWords, type View } from './bodyView.ts'
import { machineScene } from './machineScene.ts'
import type { Scene, Tone } from './scene.ts'

/** What a scene is printed with: a colour for each tone, and for the edges. */
export interface Inks {
  tones: Record<Tone, string>
  edge: string
  /** The fill of areas that get hot, where it is another than their tone: a hatch. */
  hotFill?: string
}

/** Pale, so that what is drawn over it stands out, and told apart in grey. */
const paper: Inks = {
  tones: {
    near: '#f7f7f3',
    middle: '#ececea',
    far: '#dadbd7',
    hot: '#f0d8cf',
    glass: '#e3edf3',
    tyre: '#c4c6c3',
    ink: '#6f7472',
    open: 'none',
  },
  edge: '#9a9d98',
}

export const inkKinds = ['day', 'night', 'paper', 'grey'] as const
export type InkKind = (typeof inkKinds)[number]

/** By day and by night as on the screen; pale under something else; black and white. */
export const inks: Record<InkKind, Inks> = {
  day: {
    tones: {
      near: '#ecebe2',
      middle: '#d3d4c9',
      far: '#a9aca2',
      hot: '#eaaf98',
      glass: '#cbdde7',
      tyre: '#4a5053',
      ink: '#15181a',
      open: 'none',
    },
    edge: '#2b3033',
  },
  night: {
    tones: {
      near: '#33393d',
      middle: '#282d31',
      far: '#1f2326',
      hot: '#7a4433',
      glass: '#2e4757',
      tyre: '#101214',
      ink: '#eef0ea',
      open: 'none',
    },
    edge: '#b9bdb6',
  },
  paper,
  grey: {
    tones: {
      near: '#ffffff',
      middle: '#ebebeb',
      far: '#cfcfcf',
      hot: '#ffffff',
      glass: '#f4f4f4',
      tyre: '#7d7d7d',
      ink: '#1a1a1a',
      open: 'none',
    },
    edge: '#333333',
  },
}

/** Width of an edge in hairs. */
export const edgeHairs = [0, 0.7, 1.2, 1.9] as const

/**
 * A scene as SVG paths in metres, for a group that turns its axes.
 * @param hair width of a hair, m
 */
export function sceneMarkup(scene: Scene, hair: number, { tones, edge, hotFill }: Inks): string {
  const wide = (value: number) => value.toFixed(4)
  return scene
    .map(({ d, tone, edge: edgeKind, tubeM }) => {
      const line = (colour: string, width: number) =>
        `<path d="${d}" fill="none" stroke="${colour}" stroke-width="${wide(width)}"/>`
      if (tubeM !== undefined) return line(edge, tubeM + 1.6 * hair) + line(tones[tone], tubeM)
      const fill = tone === 'hot' ? (hotFill ?? tones.hot) : tones[tone]
      const stroke = edgeKind === 0 ? '' : ` stroke="${edge}" stroke-width="${wide(edgeHairs[edgeKind] * hair)}"`
      return `<path d="${d}" fill="${fill}"${stroke}/>`
    })
    .join('')
}

/**
 * A machine alone, as an SVG document; what gets hot is hatched, so that it is told without colour. Empty without its size.
 * @param px how wide it is shown: its lines are as fine as that allows
 */
export function machineSvg(machine: Machine, view: View, kind: InkKind, px: number): string {
  const { body } = machine
  const whole = body ? bodyView(body, view) : { width: 3, height: 1, transform: '' }
  const hair = whole.width / px
  const { tones, edge } = inks[kind]
  const hatch = `<pattern id="hot" width="${6 * hair}" height="${6 * hair}" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="${6 * hair}" height="${6 * hair}" fill="${tones.hot}"/><path d="M0 0V${6 * hair}" stroke="${edge}" stroke-opacity="0.45" stroke-width="${1.2 * hair}"/></pattern>`
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${whole.width} ${whole.height}" width="${px}" height="${Math.round((px * whole.height) / whole.width)}">`,
    `<title>${escapedXml(`${machine.maker} ${machine.model}, ${viewWords(view).toLowerCase()}`)}</title>`,
    `<defs>${hatch}</defs>`,
    `<g transform="${whole.transform}" stroke-linejoin="round" stroke-linecap="round">`,
    sceneMarkup(machineScene(machine, view), hair, { ...inks[kind], hotFill: 'url(#hot)' }),
    '</g></svg>',
  ].join('')
}
