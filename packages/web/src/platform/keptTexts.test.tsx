import { act, renderHook } from '@testing-library/react'
import { expect, test } from 'vitest'
import { forPages } from '../testing/testBed.tsx'
import { keptText, useKeptText, useKeptTexts, useTypedCount } from './keptTexts.ts'
import { useKeptFields } from './useKeptFields.ts'

forPages()

test('what is typed outlives its field and the page, until it is cleared', async () => {
  const first = renderHook(() => useKeptText('job/x/note'))
  act(() => first.result.current[1]('looked at'))
  expect(first.result.current[0]).toBe('looked at')
  first.unmount()
  // As after a reload: only what the device keeps is there.
  const kept = localStorage.getItem('tidy-badger-typed') ?? ''
  useKeptTexts.setState({ texts: {} })
  expect(keptText('job/x/note')).toBe('')
  localStorage.setItem('tidy-badger-typed', kept)
  await useKeptTexts.persist.rehydrate()
  const second = renderHook(() => useKeptText('job/x/note'))
  expect(second.result.current[0]).toBe('looked at')
  act(() => second.result.current[1](''))
  expect(useKeptTexts.getState().texts).toEqual({})
})

test('how much is typed is counted by where it stands', () => {
  const { keep } = useKeptTexts.getState()
  for (const place of ['job/x/note', 'job/x/wrote/a', 'job/xy/note', 'draft/z']) keep(place, 'typed')
  const counts = renderHook(() => [useTypedCount('job/x/'), useTypedCount('job/'), useTypedCount('')])
  expect(counts.result.current).toEqual([2, 3, 4])
  act(() => keep('job/x/note', ''))
  expect(counts.result.current).toEqual([1, 2, 3])
})

test('fields of one card are kept together, one beside the other', () => {
  const card = renderHook(() => useKeptFields('job/x/pull'))
  expect(card.result.current.typed).toEqual({})
  act(() => card.result.current.put('mass', '310'))
  act(() => card.result.current.putAll({ fuel: '98', mass: '312' }))
  act(() => card.result.current.put('tyre', ''))
  expect(card.result.current.typed).toEqual({ mass: '312', fuel: '98', tyre: '' })
  expect(renderHook(() => useKeptFields('job/y/pull')).result.current.typed).toEqual({})
  act(() => card.result.current.clear())
  expect([card.result.current.typed, keptText('job/x/pull')]).toEqual([{}, ''])
})
