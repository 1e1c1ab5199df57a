// Works out how far apart the insulation colours look and writes the table: npx tsx scripts/colourDistances.ts
import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { colourNames } from '../packages/core/src/dossiers/colours.ts'
import { leastDistance } from '../packages/core/src/wiring/colourDistanceCase.ts'

const rows = colourNames.map(
  (a, i) =>
    `  [${colourNames
      .slice(0, i)
      .map((b) => leastDistance(a, b).toFixed(2))
      .join(', ')}],`,
)
writeFileSync(
  fileURLToPath(new URL('../packages/core/src/wiring/colourDistances.ts', import.meta.url)),
  `/**
 * CIEDE2000 between every two insulation colours, the least over normal, deuteranope and protanope sight: a row for each colour, in the
 * order of the list of colours, against those before it. Written by scripts/colourDistances.ts; a test works it out again.
 */
export const colourDistances: readonly (readonly number[])[] = [
${rows.join('\n')}
]
`,
)
