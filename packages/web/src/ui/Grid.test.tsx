import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { afterEach, describe, expect, test } from 'vitest'
import { Grid } from './Grid.tsx'

interface Wire {
  id: string
  name: string
  area: string
}

function Wires({ count, withNew = false }: { count: number; withNew?: boolean }) {
  const [rows, setRows] = useState(() =>
    Array.from({ length: count }, (_, i): Wire => ({ id: `w${i}`, name: `wire ${count - i}`, area: '' })),
  )
  const field = (row: Wire, part: 'name' | 'area') => (
    <input
      aria-label={`${part} of ${row.id}`}
      value={row[part]}
      onChange={(event) =>
        setRows(rows.map((other) => (other.id === row.id ? { ...other, [part]: event.target.value } : other)))
      }
    />
  )
  return (
    <Grid
      label="Wires"
      rows={rows}
      {...(withNew ? { last: { id: 'new', name: '', area: '' } } : {})}
      idOf={(row) => row.id}
      columns={[
        { id: 'name', head: 'name', text: (row) => row.name, cell: (row) => field(row, 'name') },
        { id: 'area', head: 'mm²', cell: (row) => field(row, 'area') },
      ]}
      under={(row) => (row.area === 'x' ? <p>no figure</p> : null)}
    />
  )
}

const names = () => screen.getAllByLabelText<HTMLInputElement>(/^name of/).map((field) => field.value)
const focused = () => document.activeElement?.getAttribute('aria-label')

afterEach(cleanup)

describe('rows that are edited in place', () => {
  test('arrows keep the column, Enter goes to the first field of the next row', async () => {
    render(<Wires count={3} />)
    await userEvent.click(screen.getByLabelText('area of w0'))
    await userEvent.keyboard('{ArrowDown}')
    expect(focused()).toBe('area of w1')
    await userEvent.keyboard('{Enter}')
    expect(focused()).toBe('name of w2')
    await userEvent.keyboard('{ArrowDown}{Enter}{ArrowUp}')
    expect(focused()).toBe('name of w1')
  })

  test('the row for a new one stands last and takes Enter to its own first field', async () => {
    render(<Wires count={2} withNew />)
    await userEvent.click(screen.getByLabelText('area of new'))
    await userEvent.keyboard('{Enter}')
    expect(focused()).toBe('name of new')
    await userEvent.click(screen.getByRole('button', { name: 'name' }))
    expect(names()).toEqual(['wire 1', 'wire 2', ''])
  })

  test('a head sorts by what stands there as people count, and back', async () => {
    render(<Wires count={11} />)
    await userEvent.click(screen.getByRole('button', { name: 'name' }))
    expect(names()).toEqual(Array.from({ length: 11 }, (_, i) => `wire ${i + 1}`))
    await userEvent.click(screen.getByRole('button', { name: 'name' }))
    expect(names()[0]).toBe('wire 11')
  })

  test('many rows are looked through by words; what is typed goes on in the row that is left', async () => {
    render(<Wires count={14} />)
    await userEvent.type(screen.getByLabelText('Find in: Wires'), 'wire 13')
    expect(names()).toEqual(['wire 13'])
    await userEvent.type(screen.getByLabelText('area of w1'), 'x')
    expect(screen.getByText('no figure')).toBeTruthy()
    await userEvent.clear(screen.getByLabelText('Find in: Wires'))
    await userEvent.type(screen.getByLabelText('Find in: Wires'), 'nothing like it')
    expect(screen.queryAllByLabelText(/^name of/)).toHaveLength(0)
  })
})
