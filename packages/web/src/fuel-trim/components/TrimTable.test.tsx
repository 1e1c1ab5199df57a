import { fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { expect, test, vi } from 'vitest'
import { forPages } from '../../testing/testBed.tsx'
import type { CellKey, CellView } from '../selectors.ts'
import { TrimTable } from './TrimTable.tsx'

forPages()

const cell = (rpm: number, load: number, next: number): CellView => ({
  ...{ key: `${rpm}/${load}`, rpm, load, now: 0, next, suggestion: null, measured: null },
  ...{ fullLoad: load >= 100, accepted: next !== 0 && load < 100 },
})
const cells = [2000, 3000].flatMap((rpm) => [20, 60, 100].map((load) => cell(rpm, load, load === 60 ? 0 : 3)))

function Table({ onToggle }: { onToggle: (cell: CellView) => void }) {
  const [selected, onSelect] = useState<CellKey | null>(null)
  return <TrimTable cells={cells} selected={selected} onSelect={onSelect} onToggle={onToggle} />
}
const grid = () => screen.getByRole('grid')
const here = () => document.activeElement?.getAttribute('data-cell')

test('arrows walk the table and stay within it, Enter turns a cell', () => {
  const onToggle = vi.fn<(cell: CellView) => void>()
  render(<Table onToggle={onToggle} />)
  fireEvent.keyDown(grid(), { key: 'Enter' })
  expect(onToggle).not.toHaveBeenCalled()
  for (const key of ['ArrowDown', 'ArrowRight', 'ArrowRight', 'ArrowRight']) fireEvent.keyDown(grid(), { key })
  expect(here()).toBe('3000/100')
  fireEvent.keyDown(grid(), { key: 'ArrowUp' })
  fireEvent.keyDown(grid(), { key: 'ArrowUp' })
  fireEvent.keyDown(grid(), { key: 'ArrowLeft' })
  expect(here()).toBe('2000/60')
  fireEvent.keyDown(grid(), { key: 'Enter' })
  expect(onToggle).toHaveBeenCalledWith(cells[1])
})

test('every cell says its place, its value and what becomes of it', () => {
  render(<Table onToggle={() => undefined} />)
  expect(screen.getByRole('button', { name: /^2000 rpm, 20 % throttle: \+3(\.0)? %/ })).toBeTruthy()
  expect(screen.getAllByRole('button')).toHaveLength(cells.length)
})
