import { fireEvent, render, screen } from '@testing-library/react'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { forPages } from '../testing/testBed.tsx'
import { clickerKeys, singleKeys, useKeys } from './useKeys.ts'

forPages()

const did = vi.fn<(what: string) => void>()
function Page() {
  useKeys({
    Space: () => did('next'),
    n: () => did('other'),
    Enter: () => did('enter'),
    Undo: () => did('back'),
    x: undefined,
  })
  return (
    <>
      <input aria-label="field" />
      <button type="button">button</button>
      <div role="dialog" aria-label="sheet">
        <p>within</p>
      </div>
    </>
  )
}
const press = (init: KeyboardEventInit & { key: string }, at: Element = document.body) => fireEvent.keyDown(at, init)

beforeEach(() => {
  did.mockClear()
  render(<Page />)
})

describe('single keys', () => {
  test('do what stands for them, in either case, and keep the browser from its own', () => {
    expect(press({ key: 'N' })).toBe(false)
    expect(press({ key: ' ' })).toBe(false)
    expect(press({ key: 'x' })).toBe(true)
    expect(did.mock.calls.flat()).toEqual(['other', 'next'])
  })

  test('do nothing while somebody types, in a sheet, or with another key held', () => {
    press({ key: 'n' }, screen.getByLabelText('field'))
    press({ key: 'n' }, screen.getByText('within'))
    press({ key: 'n', altKey: true })
    press({ key: 'n', ctrlKey: true })
    expect(did).not.toHaveBeenCalled()
  })

  test('leave a button that has the keys its space and its enter', () => {
    const button = screen.getByRole('button', { name: 'button' })
    press({ key: ' ' }, button)
    press({ key: 'Enter' }, button)
    expect(did).not.toHaveBeenCalled()
    press({ key: 'n' }, button)
    expect(did).toHaveBeenCalledWith('other')
  })

  test('switched off they are silent; taking back and the clicker still work', () => {
    singleKeys.on = false
    clickerKeys.set('PageDown', 'Space')
    clickerKeys.set('b', 'n')
    for (const key of ['n', ' ', 'PageDown', 'b']) press({ key })
    press({ key: 'z', ctrlKey: true })
    press({ key: 'Z', metaKey: true })
    press({ key: 'z', ctrlKey: true, shiftKey: true })
    expect(did.mock.calls.flat()).toEqual(['next', 'other', 'back', 'back'])
  })
})
