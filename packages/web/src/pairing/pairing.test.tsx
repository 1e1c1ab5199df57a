import { screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { usePreferences } from '../platform/preferences.ts'
import { forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()
afterEach(() => usePreferences.setState({ person: 'Runa', bound: false }))

async function filled(yard: ReturnType<typeof testYard>, path: string) {
  const app = openApp(yard, path)
  await app.hands.type(await screen.findByLabelText('Code'), '12 34 56')
  await app.hands.clear(screen.getByLabelText('Who works with it'))
  await app.hands.type(screen.getByLabelText('Who works with it'), 'Ilse')
  await app.hands.type(screen.getByLabelText('What this device is called'), 'Tank tablet')
  await app.hands.click(screen.getByRole('button', { name: 'Pair' }))
  return app
}

describe('pairing a device', () => {
  test('sends the digits alone, takes the name, and leads back to where one was', async () => {
    const yard = testYard()
    yard.answers.set('/api/pairing', {})
    const { at } = await filled(yard, '/pair?back=%2Fsettings')
    await waitFor(() => expect(at()).toBe('/settings'))
    expect(yard.sent).toEqual([
      { path: '/api/pairing', method: 'POST', body: { code: '123456', name: 'Tank tablet', person: 'Ilse' } },
    ])
    expect(usePreferences.getState()).toMatchObject({ person: 'Ilse', bound: true })
  })

  test('leads to no other yard than this one', async () => {
    const yard = testYard()
    yard.answers.set('/api/pairing', {})
    const { at } = await filled(yard, '/pair?back=%2F%2Felsewhere')
    await waitFor(() => expect(at()).toBe('/'))
  })

  test('a wrong code is said, and nothing is taken over', async () => {
    const yard = testYard()
    yard.answers.set('/api/pairing', () =>
      Response.json([{ code: 'code', path: 'code', message: 'This code is not the one.' }], { status: 409 }),
    )
    const { at } = await filled(yard, '/pair')
    expect((await screen.findByRole('alert')).textContent).toBe('This code is not the one.')
    expect(at()).toBe('/pair')
    expect(usePreferences.getState()).toMatchObject({ person: 'Runa', bound: false })
  })

  test('the bench shows the code and what is paired, and closes a device', async () => {
    const yard = testYard()
    const device = { id: 'd1', name: 'Tank tablet', person: 'Ilse', state: 'paired' }
    const times = {
      pairedAt: '2026-05-04T08:00:00Z',
      expiresAt: '2026-06-04T08:00:00Z',
      seenAt: '2026-05-05T08:00:00Z',
    }
    yard.answers.set('/api/pairing/bench', {
      ...{ open: true, closed: false, addresses: ['http://10.0.0.7:4310'], code: '123456' },
      ...{ expiresAt: '2026-05-04T09:00:00Z', devices: [{ ...device, ...times }] },
    })
    openApp(yard, '/bench')
    expect(await screen.findByText(/123\s?456/)).toBeTruthy()
    expect(screen.getByText('Tank tablet')).toBeTruthy()
  })

  test('where it answers on this machine alone the bench says how to change that', async () => {
    const yard = testYard()
    yard.answers.set('/api/pairing/bench', {
      ...{ open: false, closed: false, addresses: [], code: null, expiresAt: null, devices: [] },
    })
    openApp(yard, '/bench')
    expect(await screen.findByText('HOST=0.0.0.0')).toBeTruthy()
  })
})
