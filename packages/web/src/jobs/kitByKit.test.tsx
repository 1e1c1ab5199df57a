import { joinKits } from '@tidy-badger/core/dossiers'
import { screen, waitFor } from '@testing-library/react'
import { expect, test } from 'vitest'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { allSaved, forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

test('looms of two kits are laid one after the other, and what is written down names the kit', async () => {
  const dossiers = {
    machine: shippedMachine('pellick-skua-960'),
    kit: joinKits([shippedKit('quernby-learner'), shippedKit('lowlamp-dial')]),
  }
  const yard = testYard()
  yard.put('two', dossiers, wholeJob(dossiers, 'open-up'))
  const { hands } = openApp(yard, '/job/two/lay-loom')
  await allSaved()
  const learner = await screen.findByRole('button', { name: 'Quernby Learner' })
  expect(learner.getAttribute('aria-pressed')).toBe('true')
  await hands.click(screen.getByRole('button', { name: 'Lowlamp Dial' }))
  await allSaved()
  await hands.keyboard(' ')
  const laid = () => yard.entries('two').filter(({ kind }) => kind === 'routed')
  await waitFor(() => expect(laid().length).toBeGreaterThan(0))
  const parts = laid().map((entry) => ('part' in entry ? entry.part : ''))
  expect(parts.filter((part) => !part.startsWith('lowlamp-dial:'))).toEqual([])
  await hands.keyboard(' ')
  await waitFor(() =>
    expect(yard.entries('two').findLast(({ kind }) => kind === 'mounted')).toMatchObject({ kit: 'lowlamp-dial' }),
  )
})
