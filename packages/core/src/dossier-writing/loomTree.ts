import type { Kit, KitEnd } from '../dossiers/index.ts'

/** One end in the drawn loom, px: where it leaves the trunk, where its branch ends, and its line. */
export interface TreeRow {
  end: KitEnd
  outX: number
  tipX: number
  y: number
}

export interface LoomTree {
  width: number
  height: number
  /** px a metre. */
  scale: number
  /** The module's right edge, where the trunk begins, and its line. */
  fromX: number
  trunkX: number
  trunkY: number
  rows: TreeRow[]
  /** Whole marks of the scale: metres from the module, px. */
  marks: { metres: number; x: number }[]
}

const moduleWidth = 92
const trunkY = 46
const rowHeight = 44
const tagWidth = 64
/** A scale has at least this much on it, m. */
const shortest = 0.5

/**
 * The loom to scale: the trunk from the module to the right, a branch down from where it leaves and then along its length. What leaves
 * last stands first, so that no branch crosses another.
 * @param width of the whole picture, px
 */
export function loomTree(kit: Kit, width: number): LoomTree {
  const reach = kit.ends.map((end) => Math.min(end.breakOutM, kit.trunkM) + end.branchM)
  const longest = Math.max(shortest, kit.trunkM, ...reach)
  const scale = (width - moduleWidth - tagWidth) / longest
  const at = (metres: number) => moduleWidth + metres * scale
  const order = kit.ends
    .map((end, i) => ({ end, i }))
    .sort((a, b) => outOf(kit, b.end) - outOf(kit, a.end) || b.end.branchM - a.end.branchM || a.i - b.i)
  const rows = order.map(({ end }, i): TreeRow => ({
    end,
    outX: at(outOf(kit, end)),
    tipX: at(outOf(kit, end) + end.branchM),
    y: trunkY + (i + 1) * rowHeight,
  }))
  const step = [0.1, 0.2, 0.5, 1, 2, 5].find((metres) => metres * scale >= 60) ?? 5
  return {
    ...{ width, scale, trunkY, rows, fromX: moduleWidth },
    height: trunkY + (rows.length + 1) * rowHeight,
    trunkX: at(kit.trunkM),
    marks: Array.from({ length: Math.floor(longest / step + 1e-9) + 1 }, (_, i) => ({
      metres: Math.round(i * step * 10) / 10,
      x: at(i * step),
    })),
  }
}

const outOf = (kit: Kit, end: KitEnd) => Math.min(end.breakOutM, kit.trunkM)

/** Metres from the module at a place of the picture. */
export function metresAt(tree: LoomTree, x: number): number {
  return (x - tree.fromX) / tree.scale
}
