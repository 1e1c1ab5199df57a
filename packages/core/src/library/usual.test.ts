import { describe, expect, test } from 'vitest'
import { withParts, withSteps } from '../dossier-writing/index.ts'
import { parseDossier } from '../dossiers/index.ts'
import { shippedKits, shippedMachines } from '../wiring/shippedCase.ts'
import { usualParts, usualSteps } from './index.ts'

const all = [...shippedMachines, ...shippedKits]

describe('what a class shares', () => {
  test('is had by two at least and a third of them, counted by hand, and is nothing of its own', () => {
    let found = 0
    for (const machine of shippedMachines) {
      const others = shippedMachines.filter(
        (other) =>
          other.id !== machine.id &&
          other.body?.form === machine.body?.form &&
          (other.engine.fuel === 'diesel') === (machine.engine.fuel === 'diesel'),
      )
      const words = (text: string) =>
        text
          .trim()
          .toLowerCase()
          .replace(/[\s.,:;]+/g, ' ')
      for (const { thing, count, of } of usualSteps(machine, all)) {
        const have = others.filter(({ steps }) =>
          steps.some((step) => step.station === thing.station && words(step.text) === words(thing.text)),
        )
        expect([count, of]).toEqual([have.length, others.length])
        expect(count >= 2 && count * 3 >= of).toBe(true)
        expect(
          machine.steps.some(({ station, text }) => station === thing.station && words(text) === words(thing.text)),
        ).toBe(false)
        found++
      }
    }
    expect(found).toBeGreaterThan(0)
  })

  test('taken over, a machine and a kit still contradict themselves in nothing, and then nothing more is usual', () => {
    for (const machine of shippedMachines.filter((_, i) => i % 3 === 0)) {
      const bare = {
        ...machine,
        steps: machine.steps.filter(({ power }) => power).map(({ after: _after, needs: _needs, ...step }) => step),
      }
      const made = withSteps(
        bare,
        usualSteps(bare, all).map(({ thing }) => thing),
      )
      const read = parseDossier(made)
      expect(read.ok ? [] : read.problems).toEqual([])
      expect(usualSteps(made, all)).toEqual([])
    }
    for (const kit of shippedKits) {
      const bare = { ...kit, parts: [] }
      const made = withParts(
        bare,
        usualParts(bare, all).map(({ thing }) => thing),
      )
      expect(parseDossier(made).ok).toBe(true)
      expect(usualParts(made, all)).toEqual([])
    }
    expect(shippedKits.some((kit) => usualParts({ ...kit, parts: [] }, all).length > 0)).toBe(true)
  })
})
