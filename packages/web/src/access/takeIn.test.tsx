import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { allSaved, forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

const quad = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }
let jobs = 0
/** A machine that is just taken in. */
async function takenIn() {
  const yard = testYard()
  const id = `taken-${jobs++}`
  yard.put(id, quad, [])
  const { hands } = openApp(yard, `/job/${id}/take-in`)
  await allSaved()
  return { hands, written: () => yard.entries(id) }
}
const type = (label: RegExp | string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
/** A part of the page by its heading, as soon as its script is here. */
async function part(heading: string) {
  const section = (await screen.findByRole('heading', { name: heading })).closest('section')
  if (!section) throw new Error(`"${heading}" stands in no section`)
  return within(section)
}

describe('taking in', () => {
  test('what an earlier fitter left is written down with its plug, and stands on the list', async () => {
    const { hands, written } = await takenIn()
    const found = await part('Found from earlier work')
    const [plug] = quad.machine.connectors
    if (!plug) throw new Error('no plug')
    type('What was found', 'bypass')
    type('What it is', 'two wires twisted together')
    type('At which plug', plug.id)
    await hands.click(found.getByRole('button', { name: 'Add' }))
    await found.findByText(/two wires twisted together/)
    await allSaved()
    expect(written()).toMatchObject([
      { kind: 'found', what: 'bypass', text: 'two wires twisted together', about: { connector: plug.id } },
    ])
    // The next one begins empty.
    await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('What it is').value).toBe(''))
  })

  test('a module nobody knows is written down with every plug it sits in', async () => {
    const { hands, written } = await takenIn()
    const found = await part('Found from earlier work')
    type('What was found', 'unknown module')
    type('What it is', 'a black box under the seat')
    const sits = quad.machine.connectors.slice(0, 2)
    for (const { name } of sits) await hands.click(await found.findByRole('checkbox', { name }))
    expect(found.getByText('Every plug it sits in: 2')).toBeTruthy()
    await hands.click(found.getByRole('button', { name: 'Add' }))
    await found.findByText(/a black box under the seat/)
    await allSaved()
    expect(written()).toMatchObject([{ what: 'unknown module', plugs: sits.map(({ id }) => id) }])
  })

  test('an entry of blanks alone is not taken, and it says so', async () => {
    const { hands, written } = await takenIn()
    const found = await part('Found from earlier work')
    type('What it is', '   ')
    await hands.click(found.getByRole('button', { name: 'Add' }))
    await found.findByRole('alert')
    expect(written()).toEqual([])
  })

  test('the owner is told, by name; then nobody is asked again', async () => {
    const { hands, written } = await takenIn()
    const told = await part('Told to the owner')
    type('Name of who heard and agreed', 'Old Marit')
    const sign = told.getByRole<HTMLButtonElement>('button', { name: 'Signed as told' })
    await waitFor(() => expect(sign.disabled).toBe(false))
    await hands.click(sign)
    await told.findByText(/Told to Old Marit by Runa/)
    expect(told.queryByRole('button')).toBeNull()
    await allSaved()
    expect(written()).toMatchObject([{ kind: 'told', to: 'Old Marit' }])
  })

  test('an answer is kept as the field is left, once', async () => {
    const { written } = await takenIn()
    type('What the owner wants', 'no more stumble')
    fireEvent.blur(screen.getByLabelText('What the owner wants'))
    await allSaved()
    await waitFor(() => expect(written()).toHaveLength(1))
    fireEvent.blur(screen.getByLabelText('What the owner wants'))
    await allSaved()
    expect(written()).toHaveLength(1)
    expect(JSON.stringify(written())).toContain('no more stumble')
  })
})
