import type { Body } from '../dossiers/index.ts'

export type View = 'top' | 'side'

/** Room around the machine in a view, m. */
export const viewRimM = 0.12

/** How a machine's own axes lie in a view, m on the paper from its upper left corner. */
export interface BodyView {
  width: number
  height: number
  /** From the front end rearwards. */
  along: (x: number) => number
  /** Seen from the left: up from the ground. From above: from the middle to the right. */
  across: (value: number) => number
}

/**
 * A machine with its front to the left: seen from its left side, or from above. From above its left is at the bottom of the paper, as
 * the left hand of somebody who looks to the left.
 */
export function bodyView(body: Body, view: View): BodyView {
  const [low, high] = view === 'top' ? [-body.widthM / 2, body.widthM / 2] : [0, body.heightM]
  return {
    width: body.lengthM + 2 * viewRimM,
    height: high - low + 2 * viewRimM,
    along: (x) => x + viewRimM,
    across: (value) => high - value + viewRimM,
  }
}
