import { screen } from '@testing-library/react'
import { expect, test } from 'vitest'
import { shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

test('a machine is compared with the version before, with an older one, or with another machine', async () => {
  const yard = testYard()
  const quad = { ...shippedMachine('pellick-gorse-430'), version: 3 }
  const before = {
    ...quad,
    version: 2,
    covers: quad.covers?.map((cover, i) => (i === 0 ? { ...cover, how: 'By hand.' } : cover)),
  }
  const oldest = { ...quad, version: 1, model: 'Gorse 400' }
  const twin = shippedMachine('pellick-skua-960')
  const row = { kind: 'machine', hash: 'x', draft: false, about: '', variants: [], fits: [] }
  yard.answers.set('/api/dossiers', [
    ...[3, 2, 1].map((version) => ({ ...row, id: quad.id, version, name: 'Pellick Gorse 430' })),
    { ...row, id: twin.id, version: 1, name: 'Pellick Skua 960 S' },
  ])
  const put = (document: { id: string }, queries: readonly string[]) => {
    for (const query of queries)
      yard.answers.set(`/api/dossiers/machine/${document.id}${query}`, { document, hash: 'x' })
  }
  put(quad, ['', '?version=3'])
  put(before, ['?version=2'])
  put(oldest, ['?version=1'])
  put(twin, ['?version=1'])
  const { hands } = openApp(yard, `/dossiers/machine/${quad.id}`)
  expect(await screen.findByText('What changed since version 2')).toBeTruthy()
  expect(screen.getByText(/^Cover .*: how/)).toBeTruthy()
  const choice = screen.getByLabelText('Compared with')
  await hands.selectOptions(choice, 'version 1')
  expect(await screen.findByText('model: "Gorse 400" is now "Gorse 430"')).toBeTruthy()
  await hands.selectOptions(choice, 'Pellick Skua 960 S')
  expect(await screen.findByText('Otherwise than the Pellick Skua 960 S')).toBeTruthy()
  expect(screen.getByText('Plug', { selector: 'summary' })).toBeTruthy()
  await hands.selectOptions(choice, 'nothing')
  expect(screen.queryByText(/^Otherwise than/)).toBeNull()
})
