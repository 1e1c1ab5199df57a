import { render, screen } from '@testing-library/react'
import { StrictMode } from 'react'
import { expect, test } from 'vitest'
import { forPages } from '../testing/testBed.tsx'
import { FirstSight, sightIsOver } from './FirstSight.tsx'

forPages()

test('what the page came with stands until a job is here, and not after it', () => {
  document.body.innerHTML =
    '<div id="first-sight" role="status"><p>Hut 7 · Gorse 430. Stop: the pair is open.</p></div>'
  const first = render(
    <StrictMode>
      <FirstSight what="Getting the job…" />
    </StrictMode>,
  )
  expect(screen.getByRole('status').textContent).toContain('Stop: the pair is open.')
  expect(screen.queryByText('Getting the job…')).toBeNull()
  // The room of the job stands in for what fetched it: the same words go on standing.
  first.unmount()
  const room = render(<FirstSight what="Getting the job…" />)
  expect(screen.getAllByRole('status')).toHaveLength(1)
  expect(screen.getByText(/Hut 7/)).toBeTruthy()
  room.unmount()
  sightIsOver()
  render(<FirstSight what="Getting the job…" />)
  expect(screen.getByText('Getting the job…')).toBeTruthy()
  expect(screen.queryByText(/Hut 7/)).toBeNull()
})

test('what the page came with about another job, or the yard, does not stand for this one', () => {
  history.replaceState(null, '', '/')
  document.body.innerHTML = '<div id="first-sight" role="status"><p>In the yard: Hut 7.</p></div>'
  const yard = render(<FirstSight what="Looking…" />)
  expect(screen.getByText('In the yard: Hut 7.')).toBeTruthy()
  yard.unmount()
  history.replaceState(null, '', '/job/hut-7/trim')
  const job = render(<FirstSight what="Getting the job…" />)
  expect(screen.queryByText(/In the yard/)).toBeNull()
  expect(screen.getByText('Getting the job…')).toBeTruthy()
  job.unmount()
  sightIsOver()
  document.body.innerHTML = '<div id="first-sight" role="status"><p>Hut 7.</p></div>'
  const room = render(<FirstSight what="Getting the job…" />)
  room.unmount()
  history.replaceState(null, '', '/job/hut-7/hook-up')
  const station = render(<FirstSight what="Getting the job…" />)
  expect(screen.getByText('Hut 7.')).toBeTruthy()
  station.unmount()
  sightIsOver()
})
