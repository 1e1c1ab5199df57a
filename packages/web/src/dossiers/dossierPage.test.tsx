import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

function openDossier(id: string, change: (machine: ReturnType<typeof shippedMachine>) => object = () => ({})) {
  const yard = testYard()
  const machine = { ...shippedMachine(id), version: 1 }
  const row = { kind: 'machine', id, version: 1, hash: id, draft: false, name: machine.model, about: '', variants: [] }
  yard.answers.set('/api/dossiers', [{ ...row, fits: [] }])
  const document = { document: { ...machine, ...change(machine) }, hash: id }
  for (const path of ['', '?version=1']) yard.answers.set(`/api/dossiers/machine/${id}${path}`, document)
  return { machine, ...openApp(yard, `/dossiers/machine/${id}`) }
}

const drawing = (name: RegExp) => screen.getAllByRole('group', { name })[0]
const viewBox = (name: RegExp) => drawing(name)?.getAttribute('viewBox')?.split(' ').map(Number) ?? []

describe('a machine as published', () => {
  test('shows every chapter of it, and where on the machine what is picked lies', async () => {
    const { machine, hands } = openDossier('pellick-gorse-430')
    for (const [chapter, list] of [
      ['Covers', machine.covers],
      ['Places', machine.places],
      ['Passages', machine.passages],
    ] as const) {
      await hands.click(await screen.findByRole('tab', { name: chapter }))
      for (const { name } of list ?? [])
        expect(screen.getAllByText(new RegExp(`^${name.replaceAll(/[()]/g, '.')}$`, 'i')).length).toBeGreaterThan(0)
    }
    await hands.click(screen.getByRole('tab', { name: 'Steps' }))
    expect(screen.getByText(machine.steps[0]?.text ?? '')).toBeTruthy()
    await hands.click(screen.getByRole('tab', { name: 'Figures' }))
    for (const caution of machine.cautions) expect(screen.getByText(caution)).toBeTruthy()
  })

  test('follows what is picked, and a hand moves the drawing by keys and buttons', async () => {
    const { hands } = openDossier('pellick-gorse-430')
    await hands.click(await screen.findByRole('tab', { name: 'Covers' }))
    await hands.click(await screen.findByRole('button', { name: /^Left side panel/ }))
    const name = /^Gorse 430 from the left$/
    const byItself = viewBox(name)
    expect(byItself[2]).toBeLessThan(2)
    fireEvent.keyDown(drawing(name) ?? document.body, { key: '0' })
    await waitFor(() => expect(viewBox(name)[2]).toBeGreaterThan(2.2))
    const [x, , width = 0] = viewBox(name)
    fireEvent.keyDown(drawing(name) ?? document.body, { key: '+' })
    await waitFor(() => expect(viewBox(name)[2]).toBeCloseTo(width / 1.5, 6))
    fireEvent.keyDown(drawing(name) ?? document.body, { key: 'ArrowRight' })
    await waitFor(() => expect(viewBox(name)[0]).toBeGreaterThan(x ?? 0))
    await hands.click(screen.getByRole('button', { name: /^All of it, Gorse 430 from the left/ }))
    await waitFor(() => expect(viewBox(name)[2]).toBe(width))
    // The work goes on elsewhere: the drawing follows again.
    await hands.click(screen.getByRole('button', { name: /^Front panel/ }))
    await waitFor(() => expect(viewBox(/^Gorse 430 from/)[2]).toBeLessThan(width))
  })

  test('its drawing is a list, and says what does not go with its passages', async () => {
    const { hands } = openDossier('hallam-voss-packhorse-62', ({ body }) => ({
      body: body && {
        ...body,
        parts: ['turbine', 'exhaust-manifold', 'exhaust-pipe', 'particle-filter', 'silencer'].map((part) => ({
          id: part,
          gone: true,
        })),
      },
    }))
    await hands.click(await screen.findByRole('tab', { name: 'Drawing' }))
    const parts = within(await screen.findByRole('region', { name: 'Parts of the drawing' }))
    expect(parts.getByText('compressor')).toBeTruthy()
    expect(parts.queryByText('turbine')).toBeNull()
    const notes = within(screen.getByRole('list', { name: 'What does not go together' }))
    expect(notes.getAllByText(/claims turbo at 720 °C/).length).toBe(1)
  })

  test('a kit is shown by its ends', async () => {
    const yard = testYard()
    const kit = shippedKit('quernby-p1')
    yard.answers.set('/api/dossiers', [])
    yard.answers.set('/api/dossiers/kit/quernby-p1', { document: kit, hash: 'p1' })
    openApp(yard, '/dossiers/kit/quernby-p1')
    expect(await screen.findByText(`${kit.ends.length} ends`)).toBeTruthy()
  })
})
