import { fireEvent, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

const zip = new File(['PK'], 'quad.zip', { type: 'application/zip' })

async function openPage(answer: unknown) {
  const yard = testYard()
  yard.answers.set('/api/dossiers', [])
  yard.answers.set('/api/drafts', [])
  yard.answers.set('/api/dossiers/folder', answer)
  const { hands } = openApp(yard, '/dossiers')
  const field = await screen.findByLabelText('A zipped folder')
  return { yard, hands, field }
}

describe('a zipped folder that is brought in', () => {
  test('shows what is otherwise, and is published as it was read', async () => {
    const document = { ...shippedMachine('pellick-gorse-430'), version: 5 }
    const { yard, hands, field } = await openPage({
      document,
      next: 5,
      beside: 4,
      changes: ['Plug: Grey injector plug'],
    })
    await hands.upload(field, zip)
    expect(await screen.findByText('Plug: Grey injector plug')).toBeTruthy()
    expect(screen.getByText('Otherwise than version 4:')).toBeTruthy()
    await hands.click(screen.getByRole('button', { name: 'Publish as version 5' }))
    await waitFor(() =>
      expect(yard.sent.filter(({ path, method }) => path === '/api/dossiers' && method === 'POST')).toMatchObject([
        { body: { id: document.id, version: 5 } },
      ]),
    )
  })

  test('that is there already says so and offers nothing', async () => {
    const { hands, field } = await openPage({ document: shippedKit('quernby-p1'), next: null, beside: 2, changes: [] })
    await hands.upload(field, zip)
    expect(await screen.findByText(/It says what version 2 says/)).toBeTruthy()
    expect(screen.queryByRole('button', { name: /Publish/ })).toBeNull()
  })

  test('that is wrong says every place, and dropping another takes its turn', async () => {
    const problem = { code: 'cell-unread', path: 'covers.csv', file: 'covers.csv', line: 4, column: 9 }
    const { yard, hands, field } = await openPage(
      Response.json([{ ...problem, message: '"soon" is no figure of minutes.' }], { status: 422 }),
    )
    await hands.upload(field, zip)
    expect(await screen.findByText('"soon" is no figure of minutes.')).toBeTruthy()
    expect(screen.getByText('covers.csv:4:9')).toBeTruthy()
    yard.answers.set('/api/dossiers/folder', {
      ...{ document: { ...shippedKit('quernby-p1'), version: 1 }, next: 1, beside: null, changes: [] },
    })
    const data = { types: ['Files'], files: [zip] }
    fireEvent.dragOver(window, { dataTransfer: data })
    fireEvent.drop(window, { dataTransfer: data })
    expect(await screen.findByText('Nobody has written it down here yet.')).toBeTruthy()
    expect(screen.queryByText('covers.csv:4:9')).toBeNull()
  })
})
