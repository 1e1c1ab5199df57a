import { machineScene, partIdOf } from '@tidy-badger/core/drawing'
import type { DrawnPartId } from '@tidy-badger/core/dossiers'
import { render } from '@testing-library/react'
import { expect, test } from 'vitest'
import { gorseJob } from '../../../core/src/jobs/journalCase.ts'
import { forPages } from '../testing/testBed.tsx'
import { MachineShapes } from './components/MachineShapes.tsx'

forPages()

/** Parts that are off; it counts how often it is asked. */
class Off extends Set<DrawnPartId> {
  asked = 0
  override has(part: DrawnPartId): boolean {
    this.asked++
    return super.has(part)
  }
}

test('a machine is drawn anew where another part is off, and not where the same are', () => {
  const { machine } = gorseJob
  const [one, other] = [...new Set(machineScene(machine, 'top').map((shape) => partIdOf(shape.part)))]
  if (one === undefined || other === undefined) throw new Error('the machine is drawn of one part')
  const drawn = (off: Off | undefined, unit = 0.01) => (
    <svg>
      <MachineShapes machine={machine} view="top" unit={unit} hidden={off} />
    </svg>
  )
  const { container, rerender } = render(drawn(new Off([one])))
  const shapes = () => container.querySelectorAll('path').length
  const withoutOne = shapes()
  const same = new Off([one])
  rerender(drawn(same, 0.02))
  expect(same.asked).toBeLessThan(5)
  expect(container.querySelector('g')?.getAttribute('style')).toContain('0.02px')
  const both = new Off([one, other])
  rerender(drawn(both))
  expect(both.asked).toBeGreaterThan(20)
  // As many off, and others: drawn anew too.
  rerender(drawn(new Off([other])))
  const withoutOther = shapes()
  rerender(drawn(undefined))
  const whole = shapes()
  expect(whole).toBeGreaterThan(Math.max(withoutOne, withoutOther))
  rerender(drawn(new Off()))
  expect(shapes()).toBe(whole)
})
