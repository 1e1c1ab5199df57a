import { describe, expect, test } from 'vitest'
import { colourNames } from '../dossiers/index.ts'
import { closeColours, colourDistance } from './colourDistance.ts'
import { leastDistance } from './colourDistanceCase.ts'

describe('how far apart two colours look', () => {
  test.each(colourNames)('%s: as worked out anew, both ways round, and on the same side of close', (a) => {
    for (const b of colourNames) {
      const anew = a === b ? 0 : leastDistance(a, b)
      expect(colourDistance(a, b)).toBeCloseTo(anew, 1)
      expect(colourDistance(a, b)).toBe(colourDistance(b, a))
      expect(colourDistance(a, b) < closeColours).toBe(anew < closeColours)
    }
  })
})
