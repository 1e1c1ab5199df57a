import type { Scene, Tone } from './scene.ts'

/** What a scene is printed with: a colour for each tone, and for the edges. */
export interface Inks {
  tones: Record<Tone, string>
  edge: string
  /** The fill of areas that get hot, where it is another than their tone: a hatch. */
  hotFill?: string
}

/** Pale, so that what is drawn over it stands out, and told apart in grey. */
export const paperInks: Inks = {
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
