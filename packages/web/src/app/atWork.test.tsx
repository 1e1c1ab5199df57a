import type { JobDossiers, NewEntry } from '@tidy-badger/core/jobs'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { allSaved, forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

const quad = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }
const four = { machine: shippedMachine('ostrel-kittiwake-640'), kit: shippedKit('quernby-p4-eight') }

let jobs = 0
/** A job opened at a station, with what was written down before. */
async function opened(dossiers: JobDossiers, station: string, entries: NewEntry[] = []) {
  const yard = testYard()
  const id = `work-${jobs++}`
  yard.put(id, dossiers, entries)
  const app = openApp(yard, `/job/${id}/${station}`)
  await allSaved()
  return { ...app, yard, id, fresh: () => yard.entries(id).slice(entries.length) }
}
const kinds = (entries: readonly NewEntry[]) => entries.map(({ kind }) => kind)

describe('the journal of a job', () => {
  test('takes a note, takes it back and brings it back', async () => {
    const { hands, fresh } = await opened(quad, 'take-in')
    fireEvent.keyDown(document.body, { key: 'j' })
    const sheet = within(await screen.findByRole('dialog', { name: 'Journal' }))
    await hands.type(sheet.getByLabelText('A note'), '  the key sticks {Enter}')
    await hands.click(await sheet.findByRole('button', { name: 'Undo: the key sticks' }))
    await hands.click(await sheet.findByRole('button', { name: 'Bring back: the key sticks' }))
    await sheet.findByRole('button', { name: 'Undo: the key sticks' })
    await allSaved()
    expect(kinds(fresh())).toEqual(['note', 'undo', 'undo'])
    expect(fresh()[0]).toMatchObject({ text: 'the key sticks', by: 'Runa' })
  })

  test('a note that was typed and not written down is there again, and counted', async () => {
    const { hands } = await opened(quad, 'take-in')
    fireEvent.keyDown(document.body, { key: 'j' })
    await hands.type(await screen.findByLabelText('A note'), 'half a sent')
    await hands.click(screen.getByRole('button', { name: 'Close' }))
    fireEvent.keyDown(document.body, { key: 'j' })
    expect((await screen.findByLabelText<HTMLInputElement>('A note')).value).toBe('half a sent')
  })
})

describe('the order of covers', () => {
  test('is changed by keys and buttons, written down, and given back to the plan', async () => {
    const { hands, fresh } = await opened(four, 'open-up', wholeJob(four, 'make-safe'))
    const rows = () => screen.getAllByRole('button', { name: / off ?, open/ }).map((button) => button.dataset.row)
    await waitFor(() => expect(rows().length).toBeGreaterThan(2))
    const planned = rows()
    const first = document.querySelector<HTMLElement>(`[data-row="${planned[0]}"]`)
    first?.focus()
    fireEvent.keyDown(first ?? document.body, { key: 'ArrowDown', altKey: true })
    await waitFor(() => expect(rows()[1]).toBe(planned[0]))
    await allSaved()
    expect(kinds(fresh())).toEqual(['cover-order-chosen'])
    await hands.click(screen.getByRole('button', { name: 'Back to the planned order' }))
    await waitFor(() => expect(rows()).toEqual(planned))
    await allSaved()
    expect(fresh().at(-1)).toMatchObject({ kind: 'cover-order-chosen', value: null })
  })
})

describe('not as planned', () => {
  test('a lead on another wire is written down with how it is joined, and the check answers at once', async () => {
    const { hands, fresh } = await opened(quad, 'hook-up', wholeJob(quad, 'lay-loom'))
    const lead = quad.kit.ends.find((end) => end.type === 'flying-lead')
    await hands.click(await screen.findByRole('button', { name: new RegExp(`^${lead?.tag}\\b|${lead?.name}`) }))
    fireEvent.keyDown(document.body, { key: 'n' })
    const sheet = within(await screen.findByRole('dialog', { name: `${lead?.name}: not as planned` }))
    await hands.type(sheet.getByLabelText('Find a wire'), 'crank')
    const [found] = await sheet.findAllByRole('button', { name: /crank/i })
    await hands.click(found ?? document.body)
    await allSaved()
    const [made] = fresh()
    expect(made).toMatchObject({ kind: 'connected', kitEnd: lead?.id })
    expect(made?.kind === 'connected' && made.method).toBe(quad.kit.taps[0]?.method)
    await waitFor(() => expect(screen.getAllByText(/Stop|Not here|crank/i).length).toBeGreaterThan(0))
  })

  test('an end is capped, and taken off again in one story', async () => {
    const { hands, fresh } = await opened(quad, 'hook-up', wholeJob(quad, 'lay-loom'))
    const lead = quad.kit.ends.find((end) => end.type === 'flying-lead')
    await hands.click(await screen.findByRole('button', { name: new RegExp(`^${lead?.tag}\\b|${lead?.name}`) }))
    fireEvent.keyDown(document.body, { key: 'n' })
    await hands.click(await screen.findByRole('button', { name: 'It is capped' }))
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
    await hands.click(await screen.findByRole('button', { name: new RegExp(`^${lead?.tag}\\b|${lead?.name}`) }))
    fireEvent.keyDown(document.body, { key: 'n' })
    await hands.click(await screen.findByRole('button', { name: 'It is taken off again' }))
    await allSaved()
    expect(kinds(fresh())).toEqual(['connected', 'disconnected'])
  })
})

describe('the meter', () => {
  test('a reading is judged as it is written down; a figure with a comma is one', async () => {
    const { hands, fresh } = await opened(quad, 'hook-up', wholeJob(quad, 'lay-loom'))
    const lead = quad.kit.ends.find((end) => end.type === 'flying-lead')
    await hands.click(await screen.findByRole('button', { name: new RegExp(`^${lead?.tag}\\b|${lead?.name}`) }))
    await hands.click(await screen.findByRole('tab', { name: 'Meter' }))
    const field = await screen.findByLabelText(/^Reading/)
    await hands.type(field, 'much')
    expect(screen.getByRole('button', { name: 'Write it down' }).hasAttribute('disabled')).toBe(true)
    await hands.clear(field)
    await hands.type(field, '99999,5')
    await hands.click(screen.getByRole('button', { name: 'Write it down' }))
    await screen.findByText(/^Likely: /)
    await allSaved()
    expect(fresh()[0]).toMatchObject({ kind: 'reading', value: 99999.5 })
  })
})

describe('any wire', () => {
  test('is found from every station and shown at hook-up', async () => {
    const { hands, at } = await opened(quad, 'take-in')
    fireEvent.keyDown(document.body, { key: 'f' })
    await hands.type(await screen.findByRole('combobox', { name: 'Find any wire' }), 'nothing such')
    expect(await screen.findByText('No wire of that description.')).toBeTruthy()
    await hands.clear(screen.getByRole('combobox', { name: 'Find any wire' }))
    await hands.type(screen.getByRole('combobox', { name: 'Find any wire' }), 'throttle')
    const sheet = within(screen.getByRole('dialog', { name: 'Find any wire' }))
    await hands.click((await sheet.findAllByRole('option'))[0] ?? document.body)
    await waitFor(() => expect(at()).toMatch(/hook-up$/))
    expect(await screen.findByRole('tab', { name: 'Loom' })).toBeTruthy()
  })
})

describe('the day', () => {
  test('says what is left in the head and task by task in its sheet', async () => {
    const { hands } = await opened(quad, 'open-up', wholeJob(quad, 'make-safe'))
    const button = await screen.findByRole('button', { name: /^Left \d+:\d\d/ })
    await hands.click(button)
    const sheet = within(await screen.findByRole('dialog', { name: 'The day' }))
    await waitFor(() => expect(sheet.getAllByRole('listitem').length).toBeGreaterThan(5))
  })
})
