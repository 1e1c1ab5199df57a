import { act, render, screen } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { forPages } from '../testing/testBed.tsx'
import { WhenSeen } from './WhenSeen.tsx'

forPages()

test('it is drawn when it comes in sight and stays; its room is kept meanwhile', () => {
  const watchers: { tell: (seen: boolean) => void; stop: () => void }[] = []
  vi.stubGlobal(
    'IntersectionObserver',
    class {
      disconnect = vi.fn()
      constructor(call: (entries: { isIntersecting: boolean }[]) => void) {
        watchers.push({ tell: (isIntersecting) => call([{ isIntersecting }]), stop: this.disconnect })
      }
      observe() {}
    },
  )
  const { container, unmount } = render(
    <WhenSeen className="h-[150px]">
      <p>a chart</p>
    </WhenSeen>,
  )
  expect(screen.queryByText('a chart')).toBeNull()
  expect(container.querySelector('.h-\\[150px\\]')).toBeTruthy()
  act(() => watchers[0]?.tell(false))
  expect(screen.queryByText('a chart')).toBeNull()
  act(() => watchers[0]?.tell(true))
  expect(screen.getByText('a chart')).toBeTruthy()
  expect(watchers[0]?.stop).toHaveBeenCalled()
  act(() => watchers[0]?.tell(false))
  expect(screen.getByText('a chart')).toBeTruthy()
  unmount()
})

test('where the browser cannot say what is in sight, it is drawn at once', () => {
  vi.stubGlobal('IntersectionObserver', undefined)
  Reflect.deleteProperty(window, 'IntersectionObserver')
  render(
    <WhenSeen className="">
      <p>a chart</p>
    </WhenSeen>,
  )
  expect(screen.getByText('a chart')).toBeTruthy()
})
