import { screen } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { openApp, testYard, forPages } from '../testing/testBed.tsx'

forPages()

const machine = { id: 'pellick-gorse-430', version: 4, hash: 'a'.repeat(64) }
const quad = {
  ...{ id: 'v1', machine, machineName: 'Pellick Gorse 430', plate: 'SB 77', frame: null },
  ...{ owner: { name: 'Hut 9', contact: 'radio 4' }, createdAt: '2026-06-01T08:00:00.000Z' },
  fitted: [
    { kit: 'quernby-p1', name: 'Quernby P1', jobId: 'j1', as: '', place: 'rack-plate', placeName: 'Rack plate' },
  ],
  connections: [
    {
      kit: 'quernby-p1',
      kitEnd: 'ground',
      to: { stud: 'battery-negative' },
      jobId: 'j1',
      says: 'Ground ring: battery negative',
    },
  ],
  punctures: [{ connector: 'throttle', cavity: 2, sealed: false, inUse: true }],
  cuts: [],
  jobs: [{ id: 'j1', title: 'Hut 9, 2019', purpose: 'fit', finished: true, openedAt: '2026-06-01T08:00:00.000Z' }],
  open: [{ what: 'A look after ten hours: ties, taps, ground and codes', since: '2026-06-02T08:00:00.000Z' }],
  cameOff: [],
  alike: ['v2'],
}

function yardOnFile() {
  const yard = testYard()
  yard.answers.set('/api/dossiers', [])
  yard.answers.set('/api/vehicles?q=', [{ ...quad, jobs: 1, open: 0, title: 'Hut 9, 2019', changedAt: quad.createdAt }])
  yard.answers.set('/api/vehicles?q=sb', [])
  yard.answers.set('/api/vehicles/v1', quad)
  yard.answers.set('/api/shelf', [
    {
      ...{ id: 'j0/', kit: { ...machine, id: 'lowlamp-dial' }, name: 'Lowlamp Dial', fits: [], since: quad.createdAt },
      ...{ vehicle: 'v1', jobId: 'j0', missing: ['Cable ties'], settings: [{ setting: 'Units', value: 'lambda' }] },
    },
  ])
  return yard
}

describe('machines on file', () => {
  test('are found by what is typed, and the shelf says what a kit lacks', async () => {
    const { hands } = openApp(yardOnFile(), '/vehicles')
    expect(await screen.findByRole('link', { name: /SB 77.*Pellick Gorse 430.*Hut 9/ })).toBeTruthy()
    expect(await screen.findByText('Missing: Cable ties.')).toBeTruthy()
    expect(screen.getByText(/Units lambda/)).toBeTruthy()
    await hands.type(screen.getByLabelText('Look for'), 'sb')
    expect(await screen.findByText('No machine on file fits that.')).toBeTruthy()
  })

  test('one shows what is in it, what is open, its life, and what can be done next', async () => {
    const yard = yardOnFile()
    yard.answers.set('/api/jobs', () =>
      Response.json([{ code: 'nothing-fitted', path: '', message: 'Nothing is in it.' }], { status: 422 }),
    )
    const { hands } = openApp(yard, '/vehicles/v1')
    expect(await screen.findByRole('heading', { name: 'SB 77' })).toBeTruthy()
    expect(screen.getByText(/look after ten hours/)).toBeTruthy()
    await hands.click(screen.getByText('Quernby P1'))
    expect(screen.getByText('Ground ring: battery negative')).toBeTruthy()
    expect(screen.getByText(/1 wire was pierced or bared: 1 under a tap, 0 sealed/)).toBeTruthy()
    await hands.click(screen.getByRole('button', { name: 'Back to stock' }))
    expect(await screen.findByText('Nothing is in it.')).toBeTruthy()
    expect(yard.sent.at(-1)?.body).toMatchObject({ vehicle: 'v1', purpose: 'stock' })
  })

  test('another with its plate is merged, and whose it is can be written down', async () => {
    const yard = yardOnFile()
    yard.answers.set('/api/vehicles/v1/merge', quad)
    const { hands } = openApp(yard, '/vehicles/v1')
    await hands.click(await screen.findByRole('button', { name: 'It is this one' }))
    expect(await screen.findByText(/One machine on file now/)).toBeTruthy()
    expect(yard.sent.at(-1)).toMatchObject({ path: '/api/vehicles/v1/merge', body: { vehicle: 'v2' } })
    await hands.type(screen.getByLabelText('How to reach'), '!')
    await hands.click(screen.getByRole('button', { name: 'Write it down' }))
    expect(await screen.findByText('Written down.')).toBeTruthy()
    expect(yard.sent.at(-1)).toMatchObject({
      method: 'PATCH',
      body: { plate: 'SB 77', owner: { name: 'Hut 9', contact: 'radio 4!' } },
    })
  })
})
