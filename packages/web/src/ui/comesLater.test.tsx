import { act, render, screen, waitFor } from '@testing-library/react'
import { Suspense, type ReactNode } from 'react'
import { expect, test, vi } from 'vitest'
import { forPages } from '../testing/testBed.tsx'
import { afterwards, fetchAfterwards } from './afterwards.ts'
import { comesLater, later, whenShown } from './comesLater.tsx'

forPages()

const Words = ({ text }: { text: string }) => <p>{text}</p>

/** Shows something that should be here by now: it stands at once. */
function showsAtOnce(Shown: (props: { text: string }) => ReactNode): void {
  render(
    <Suspense fallback={<p>waiting</p>}>
      <Shown text="here" />
    </Suspense>,
  )
  expect(screen.getByText('here')).toBeTruthy()
  expect(screen.queryByText('waiting')).toBeNull()
}

test('it is fetched once the page stands, and then shown at once, without a gap', async () => {
  const load = vi.fn(async () => Words)
  const Later = later(load)
  expect(load).not.toHaveBeenCalled()
  await afterwards
  // What all rooms want fetched afterwards is read first.
  await waitFor(() => expect(load).toHaveBeenCalledTimes(1))
  await act(async () => undefined)
  showsAtOnce(Later)
  expect(load).toHaveBeenCalledTimes(1)
})

test('one that is fetched before it is shown stands at once; nobody fetches it by itself', async () => {
  const load = vi.fn(async () => Words)
  const Shown = whenShown(load)
  await afterwards
  await act(async () => undefined)
  expect(load).not.toHaveBeenCalled()
  await Shown.fetched()
  await Shown.fetched()
  showsAtOnce(Shown)
  expect(load).toHaveBeenCalledTimes(1)
})

test('one that is not here when it is shown is waited for; what could not be fetched before is fetched then', async () => {
  const load = vi.fn(async () => Words).mockRejectedValueOnce(new Error('no link'))
  const Shown = whenShown(load)
  await expect(Shown.fetched()).rejects.toThrow('no link')
  render(
    <Suspense fallback={<p>waiting</p>}>
      <Shown text="here" />
    </Suspense>,
  )
  expect(screen.getByText('waiting')).toBeTruthy()
  expect(await screen.findByText('here')).toBeTruthy()
})

test('what could not be fetched is said, and nothing else falls', async () => {
  const Later = later<{ text: string }>(() => Promise.reject(new Error('no link')))
  render(
    <Suspense fallback={null}>
      <Later text="here" />
    </Suspense>,
  )
  expect((await screen.findByRole('alert')).textContent).toContain('not on this device yet')
  expect(screen.getByRole('button', { name: 'Load it again' })).toBeTruthy()
})

test('a dialog is not there until it is opened, and stays to close by itself', async () => {
  const Dialog = comesLater(
    async () => (props: { open: boolean }) => <p>{props.open ? 'open' : 'closing'}</p>,
    ({ open }) => open,
  )
  const { rerender, container } = render(<Dialog open={false} />)
  expect(container.textContent).toBe('')
  rerender(<Dialog open />)
  expect(await screen.findByText('open')).toBeTruthy()
  rerender(<Dialog open={false} />)
  expect(screen.getByText('closing')).toBeTruthy()
})

test('what is fetched afterwards comes one after the other, in order, whatever fails', async () => {
  const [log, ends]: [string[], (() => void)[]] = [[], []]
  const fetched = (name: string) =>
    fetchAfterwards(() => {
      log.push(`${name} begun`)
      return new Promise<void>((done, fail) => {
        ends.push(() => {
          log.push(`${name} over`)
          if (name === 'second') fail(new Error('no link'))
          else done()
        })
      })
    })
  for (const name of ['first', 'second', 'third']) fetched(name)
  await afterwards
  for (let i = 0; i < 3; i++) {
    await waitFor(() => expect(ends).toHaveLength(i + 1))
    expect(log).toHaveLength(2 * i + 1)
    ends[i]?.()
  }
  expect(log).toEqual(['first begun', 'first over', 'second begun', 'second over', 'third begun', 'third over'])
})
