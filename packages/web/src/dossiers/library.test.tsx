import { screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

function openPage() {
  const yard = testYard()
  yard.answers.set('/api/dossiers', [])
  yard.answers.set('/api/drafts', [])
  return { yard, ...openApp(yard, '/dossiers') }
}

describe('a search through all machines and kits', () => {
  test('shows what was found, machine by machine, and leads to the plug', async () => {
    const { yard, hands } = openPage()
    const [machine] = [shippedMachine('pellick-gorse-430')]
    const plug = machine.connectors[1]
    yard.answers.set('/api/library/search?q=grey', [
      {
        ...{ kind: 'machine', id: machine.id, version: 1, name: 'Pellick Gorse 430', count: 7 },
        hits: [{ what: 'wire', connector: plug?.id, cavity: 2, says: 'Plug, cavity 2: Throttle, plain grey' }],
      },
    ])
    for (const path of ['', '?version=1'])
      yard.answers.set(`/api/dossiers/machine/${machine.id}${path}`, { document: machine, hash: 'x' })
    await hands.click(await screen.findByRole('searchbox'))
    await hands.paste('grey')
    await hands.click(await screen.findByRole('link', { name: 'Plug, cavity 2: Throttle, plain grey' }))
    expect(await screen.findByRole('heading', { name: plug?.name ?? '' })).toBeTruthy()
  })

  test('says when nothing has all of it', async () => {
    const { yard, hands } = openPage()
    yard.answers.set('/api/library/search?q=unobtainium', [])
    await hands.click(await screen.findByRole('searchbox'))
    await hands.paste('unobtainium')
    expect(await screen.findByText(/Nothing has all of that/)).toBeTruthy()
  })

  test('by the plug in the hand: asks with what is seen, says what differs', async () => {
    const { yard, hands } = openPage()
    const answer = {
      ...{ machine: 'm', machineName: 'Hut Sledge', connector: 'c', name: 'Fan plug', place: 'left' },
      ...{ agrees: ['3 cavities'], differs: ['black, here grey'] },
    }
    yard.answers.set('/api/library/plugs?cavities=3', [answer])
    yard.answers.set('/api/library/plugs?cavities=3&colour=black', [answer])
    await hands.click(await screen.findByText('This plug in my hand'))
    await hands.type(screen.getByLabelText(/^Cavities/), '3')
    await hands.selectOptions(screen.getByLabelText('Colour'), 'black')
    await waitFor(() => expect(screen.getByText(/black, here grey/)).toBeTruthy())
  })
})

test('which kits go on a machine is matched when it is asked', async () => {
  const yard = testYard()
  const machine = shippedMachine('pellick-gorse-430')
  const row = {
    kind: 'machine',
    id: machine.id,
    version: 1,
    hash: 'x',
    draft: false,
    name: 'Gorse',
    about: '',
    variants: [],
  }
  yard.answers.set('/api/dossiers', [{ ...row, fits: [] }])
  for (const path of ['', '?version=1'])
    yard.answers.set(`/api/dossiers/machine/${machine.id}${path}`, { document: { ...machine, version: 1 }, hash: 'x' })
  const fit = { kind: 'kit', version: 1, ends: 6, placed: 6, missing: [], margin: 0.01, weakest: 'F, Feed lead' }
  yard.answers.set(`/api/library/fits?machine=${machine.id}`, [
    { ...fit, id: 'a', name: 'Quernby P1', declared: true },
    { ...fit, id: 'b', name: 'Lowlamp Dial', declared: false },
    { ...fit, id: 'c', name: 'Wren Core', declared: false, missing: ['X, something'] },
  ])
  const { hands } = openApp(yard, `/dossiers/machine/${machine.id}`)
  await hands.click(await screen.findByText('Kits that go on it'))
  expect(await screen.findByRole('link', { name: 'Quernby P1' })).toBeTruthy()
  expect(screen.getByRole('link', { name: 'Lowlamp Dial' })).toBeTruthy()
  expect(screen.getAllByText(/least certain: F, Feed lead, as good elsewhere/)).toHaveLength(2)
  expect(screen.queryByText('Wren Core')).toBeNull()
})
