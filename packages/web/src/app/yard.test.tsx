import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { usePreferences } from '../platform/preferences.ts'
import { forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

const quad = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }
const four = { machine: shippedMachine('ostrel-kittiwake-640'), kit: shippedKit('quernby-p4-eight') }

function twoJobs() {
  const yard = testYard()
  yard.put('hut', quad, wholeJob(quad, 'open-up'), 'Hut quad, 7')
  yard.put('pass', four, [], 'Pass rider')
  return yard
}
const titles = () =>
  screen
    .getAllByRole('link')
    .map((link) => link.textContent)
    .filter((text) => / \+ /.test(text))

describe('the yard', () => {
  test('is looked through by any words of name, machine, kit and station', async () => {
    const { hands } = openApp(twoJobs(), '/')
    await screen.findByText('Hut quad, 7')
    expect(titles()).toHaveLength(2)
    await hands.type(screen.getByLabelText('Look for'), `pass ${four.machine.model.split(' ')[0]}`)
    expect(titles()).toHaveLength(1)
    await hands.type(screen.getByLabelText('Look for'), ' nothing such')
    expect(screen.getByText('Nothing here fits that.')).toBeTruthy()
  })

  test('is ordered by name, and a job is put away and said to be', async () => {
    const yard = twoJobs()
    yard.answers.set('/api/jobs/hut/archive', {})
    const { hands } = openApp(yard, '/')
    await hands.selectOptions(await screen.findByLabelText('Order by'), 'name')
    expect(titles()[0]).toContain('Hut quad')
    await hands.click(screen.getByRole('button', { name: 'Put away Hut quad, 7' }))
    expect(await screen.findByText(/put away. It is under Show/)).toBeTruthy()
    expect(yard.sent).toEqual([{ path: '/api/jobs/hut/archive', method: 'POST', body: null }])
  })

  test('a job that cannot be read hides no other, and can be saved', async () => {
    const yard = testYard()
    yard.answers.set('/api/jobs', [
      { id: 'broken', title: 'Old one', createdAt: '2026-01-01T00:00:00Z', unreadable: 'entry 3 has no kind' },
    ])
    openApp(yard, '/')
    expect(await screen.findByText(/Cannot be read: entry 3 has no kind/)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Save it as a file' }).getAttribute('href')).toBe('/api/jobs/broken/export')
  })

  test('without jobs it says what to do first', async () => {
    const { hands, at } = openApp(testYard(), '/')
    await hands.click(await screen.findByRole('button', { name: 'Open the first job' }))
    await waitFor(() => expect(at()).toBe('/new'))
  })
})

const row = (kind: 'machine' | 'kit', id: string, name: string, more: object = {}) => ({
  ...{ kind, id, version: 1, hash: `${id}1`, draft: false, name, about: `about ${name}`, variants: [], fits: [] },
  ...more,
})

describe('a new job', () => {
  function yardOfRows() {
    const yard = testYard()
    yard.answers.set('/api/dossiers', [
      row('machine', 'gorse', 'Gorse'),
      row('machine', 'saddler', 'Saddler', { draft: true }),
      row('kit', 'twin', 'P4 twin', { fits: ['saddler'] }),
      row('kit', 'single', 'P1', { fits: ['gorse'] }),
    ])
    return yard
  }

  test('asks for machine and kit, those that fit first, and warns of the others', async () => {
    const yard = yardOfRows()
    const { hands } = openApp(yard, '/new')
    expect((await screen.findByRole('button', { name: 'Open the job' })).hasAttribute('disabled')).toBe(true)
    await hands.click(screen.getByLabelText(/^Gorse/))
    const kits = within(screen.getByRole('group', { name: 'Which kit?' })).getAllByRole('radio')
    expect(kits.map((kit) => kit.getAttribute('value'))).toEqual(['single', 'twin'])
    expect(screen.getByText(/Not made for this machine/)).toBeTruthy()
    expect(screen.getByText(/With gaps/)).toBeTruthy()
  })

  test('is opened with what was chosen, and a refusal is said', async () => {
    const yard = yardOfRows()
    yard.answers.set('/api/jobs', (method: string) =>
      method === 'POST'
        ? Response.json([{ code: 'full', path: '', message: 'The yard is full.' }], { status: 409 })
        : [],
    )
    const { hands } = openApp(yard, '/new')
    await hands.click(await screen.findByLabelText(/^Gorse/))
    await hands.click(screen.getByLabelText(/^P1/))
    await hands.type(screen.getByLabelText(/What is it called/), '  Hut 9 ')
    await hands.click(screen.getByRole('button', { name: 'Open the job' }))
    expect((await screen.findByRole('alert')).textContent).toBe('The yard is full.')
    expect(yard.sent.at(-1)?.body).toEqual({ machine: { id: 'gorse' }, kits: [{ id: 'single' }], title: 'Hut 9' })
  })

  test('takes several kits, and one from the shelf', async () => {
    const yard = yardOfRows()
    yard.answers.set('/api/dossiers', [
      row('machine', 'gorse', 'Gorse'),
      row('kit', 'single', 'P1', { fits: ['gorse'] }),
      row('kit', 'dial', 'Dial', { fits: [] }),
      row('kit', 'twin', 'P4 twin', { fits: ['saddler'] }),
    ])
    yard.answers.set('/api/shelf', [
      { id: 'job-1/', kit: { id: 'dial' }, name: 'Lowlamp Dial', missing: ['Cable ties'] },
    ])
    yard.answers.set('/api/jobs', (method: string) =>
      method === 'POST' ? Response.json([{ code: 'kits-clash', path: 'kits', message: 'No.' }], { status: 422 }) : [],
    )
    const { hands } = openApp(yard, '/new')
    await hands.click(await screen.findByLabelText(/^P1/))
    const along = within(screen.getByRole('group', { name: 'And in the same job?' }))
    expect(along.getAllByRole('checkbox')).toHaveLength(1)
    await hands.click(along.getByLabelText(/^Dial/))
    await hands.click(await screen.findByLabelText(/Take the Lowlamp Dial from the shelf.*Missing: Cable ties/))
    await hands.click(screen.getByRole('button', { name: 'Open the job' }))
    expect((await screen.findByRole('alert')).textContent).toBe('No.')
    expect(yard.sent.at(-1)?.body).toEqual({
      machine: { id: 'gorse' },
      kits: [{ id: 'single' }, { id: 'dial' }],
      fromShelf: ['job-1/'],
    })
  })
})

describe('commands', () => {
  test('K opens them, letters choose, and one is gone to', async () => {
    const { hands, at } = openApp(twoJobs(), '/')
    await screen.findByText('Hut quad, 7')
    fireEvent.keyDown(document.body, { key: 'k' })
    const field = await screen.findByRole('combobox', { name: 'Commands' })
    await waitFor(() => expect(screen.getByRole('option', { name: /Pass rider/ })).toBeTruthy())
    await hands.type(field, 'night')
    const list = within(screen.getByRole('dialog', { name: 'Commands' }))
    expect(list.getAllByRole('option').map((option) => option.textContent)).toEqual(['Night colours'])
    await hands.keyboard('{Enter}')
    expect(usePreferences.getState().theme).toBe('dark')
    usePreferences.getState().setTheme('auto')
    fireEvent.keyDown(document.body, { key: 'k', ctrlKey: true })
    await hands.type(await screen.findByRole('combobox', { name: 'Commands' }), 'machines and')
    await hands.keyboard('{Enter}')
    await waitFor(() => expect(at()).toBe('/dossiers'))
  })

  test('? shows keys and words of the trade', async () => {
    openApp(twoJobs(), '/')
    await screen.findByText('Hut quad, 7')
    fireEvent.keyDown(document.body, { key: '?' })
    const help = await screen.findByRole('dialog', { name: 'Help' })
    await waitFor(() => expect(within(help).getByText('authority')).toBeTruthy())
  })
})

describe('settings', () => {
  test('figures, dates, size and a clicker are of this device', async () => {
    const before = usePreferences.getState()
    const { hands } = openApp(testYard(), '/settings')
    await hands.selectOptions(await screen.findByLabelText('Dates'), '2026-08-03')
    await hands.selectOptions(screen.getByLabelText('Units'), 'US')
    await hands.selectOptions(screen.getByLabelText('Size of text and buttons'), 'larger')
    await hands.click(screen.getByLabelText(/Single keys do things/))
    const next = screen.getByLabelText('Does the next thing')
    const other = screen.getByLabelText('Not like this')
    fireEvent.keyDown(next, { key: 'PageDown' })
    fireEvent.keyDown(other, { key: 'PageDown' })
    const { dates, figures, size, keys, clicker } = usePreferences.getState()
    expect({ dates, units: figures.units, size, keys }).toEqual({
      dates: 'yyyy-MM-dd',
      units: 'US',
      size: 112,
      keys: false,
    })
    // A key means one thing.
    expect(clicker).toEqual({ next: null, other: 'PageDown' })
    await hands.click(screen.getByRole('button', { name: 'No key for “not like this”' }))
    expect(usePreferences.getState().clicker.other).toBeNull()
    usePreferences.setState(before)
  })
})
