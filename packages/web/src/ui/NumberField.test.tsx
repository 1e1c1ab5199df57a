import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { useState } from 'react'
import { NumberField } from './NumberField.tsx'
import { Sheet } from './Sheet.tsx'
import '../testing/patience.ts'

afterEach(cleanup)

function Field({ onEnter, words }: { onEnter?: () => void; words?: string }) {
  const [text, setText] = useState('')
  return (
    <NumberField label="Battery at rest" unit="V" text={text} onText={setText} onEnter={onEnter}>
      {words}
    </NumberField>
  )
}

const type = (value: string) => {
  const field = screen.getByRole('textbox')
  fireEvent.change(field, { target: { value } })
  return field.getAttribute('aria-invalid')
}

test('a field is marked only once what stands in it is no figure', () => {
  render(<Field />)
  expect(screen.getByLabelText('Battery at rest, V').getAttribute('aria-invalid')).toBe('false')
  for (const good of ['12.6', '12,6', '−0.2', '12,6 V', '']) expect(type(good), good).toBe('false')
  for (const wrong of ['x', '12.6.1', '12 A', '1e3']) expect(type(wrong), wrong).toBe('true')
})

test('words before it name it, and Enter is handed on', () => {
  const onEnter = vi.fn()
  render(<Field onEnter={onEnter} words="At the posts, V" />)
  const field = screen.getByLabelText('At the posts, V')
  fireEvent.keyDown(field, { key: '1' })
  expect(onEnter).not.toHaveBeenCalled()
  fireEvent.keyDown(field, { key: 'Enter' })
  expect(onEnter).toHaveBeenCalledOnce()
})

test('a sheet gives the keys to what is to be typed first', async () => {
  const onClose = vi.fn()
  render(
    <Sheet open onClose={onClose} title="Who works here?">
      <button>Something else</button>
      <input aria-label="Name" data-first />
    </Sheet>,
  )
  await waitFor(() => expect(document.activeElement).toBe(screen.getByLabelText('Name')))
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Escape' })
  expect(onClose).toHaveBeenCalled()
})
