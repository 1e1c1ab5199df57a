import { fireEvent, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

const state = {
  ...{ nightly: true, keep: 7, folder: '/yard/backups', problem: null },
  copies: [{ name: 'a.zip', bytes: 4_200_000, madeAt: '2026-05-04T02:10:00Z' }],
}

describe('backup', () => {
  test('shows the copies there are, and keeps what is chosen', async () => {
    const yard = testYard()
    yard.answers.set('/api/backup/settings', (method: string, body: string) =>
      method === 'PUT' ? { ...state, ...JSON.parse(body) } : state,
    )
    const { hands } = openApp(yard, '/backup')
    expect(await screen.findByText('4.2 MB')).toBeTruthy()
    await hands.selectOptions(screen.getByLabelText('Copies to keep'), '14')
    await waitFor(() => expect(screen.getByLabelText<HTMLSelectElement>('Copies to keep').value).toBe('14'))
    await hands.click(screen.getByLabelText('Make a copy every night'))
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('Make a copy every night').checked).toBe(false))
    expect(yard.sent.map(({ body }) => body)).toEqual([
      { nightly: true, keep: 14 },
      { nightly: false, keep: 14 },
    ])
  })

  test('what a restore brought is told in words, a refusal too', async () => {
    const yard = testYard()
    yard.answers.set('/api/backup/settings', { ...state, copies: [], problem: 'The disk is full.' })
    yard.answers.set('/api/restore', { added: 1, merged: 2, unchanged: 0, entries: 30, files: 4 })
    openApp(yard, '/backup')
    expect((await screen.findByRole('alert')).textContent).toContain('The disk is full.')
    expect(screen.getByText('None yet. The first comes tonight.')).toBeTruthy()
    const field = screen.getByLabelText('Backup file')
    fireEvent.change(field, { target: { files: [new File(['PK'], 'yard.zip')] } })
    expect(await screen.findByText('1 job came in, 2 jobs got what was missing, 30 entries, 4 files.')).toBeTruthy()
    yard.answers.set('/api/restore', () =>
      Response.json([{ code: 'zip', path: '', message: 'This is no backup of a yard.' }], { status: 422 }),
    )
    fireEvent.change(field, { target: { files: [new File(['no'], 'letter.zip')] } })
    expect(await screen.findByText('This is no backup of a yard.')).toBeTruthy()
  })

  test('a copy made now is asked for once and looked for again', async () => {
    const yard = testYard()
    let copies = state.copies
    yard.answers.set('/api/backup/settings', () => ({ ...state, copies }))
    yard.answers.set('/api/backup/copies', () => {
      copies = [...copies, { name: 'b.zip', bytes: 12_000_000, madeAt: '2026-05-05T02:10:00Z' }]
      return { name: 'b.zip' }
    })
    const { hands } = openApp(yard, '/backup')
    await hands.click(await screen.findByRole('button', { name: 'Copy now' }))
    expect(await screen.findByText('12 MB')).toBeTruthy()
    expect(yard.sent).toHaveLength(1)
  })
})
