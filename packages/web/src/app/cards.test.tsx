// @vitest-environment happy-dom
import type { JobDossiers, NewEntry } from '@tidy-badger/core/jobs'
import { readHeight } from '@tidy-badger/core/setup'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { allSaved, forPages, openApp, testYard } from '../testing/testBed.tsx'

forPages()

const truck = { machine: shippedMachine('hallam-voss-packhorse-62'), kit: shippedKit('thistle-d5') }
let jobs = 0
/** A job opened at a station, and one of its cards. */
async function card(dossiers: JobDossiers, station: string, title: string, entries: NewEntry[] = []) {
  const yard = testYard()
  const id = `card-${jobs++}`
  yard.put(id, dossiers, entries)
  const { hands } = openApp(yard, `/job/${id}/${station}`)
  await allSaved()
  await hands.click(await screen.findByRole('button', { name: title }))
  const sheet = within(await screen.findByRole('dialog', { name: title }))
  return { hands, sheet, written: () => yard.entries(id) }
}
const type = (field: HTMLElement, text: string) => fireEvent.change(field, { target: { value: text } })

describe('the ladder of levels', () => {
  test('goes from stock up, one run at a time, and ends where one misses', async () => {
    const { hands, sheet, written } = await card(truck, 'trim', 'Ladder of levels')
    await sheet.findByText(/Nothing is allowed yet: stock comes first/)
    const run = async (rail: string) => {
      type(sheet.getByLabelText(/^Exhaust before the turbine/), '640')
      type(sheet.getByLabelText(/^Held for, s/), '75')
      type(sheet.getByLabelText(/^Coolant/), '92')
      type(sheet.getByLabelText(/^Rail/), rail)
      type(sheet.getByLabelText(/^Boost/), '180')
      await hands.click(sheet.getByRole('button', { name: 'Write the run down' }))
    }
    await run('165')
    await sheet.findByText(/Allowed so far: stock. Next: level 1/)
    await run('201')
    await sheet.findByText(/Allowed so far: stock. A run missed: no higher level/)
    expect(sheet.getByText(/rail: 201, at most 200/)).toBeTruthy()
    await hands.click(sheet.getByText(/^What level 1 does/))
    expect(within(sheet.getByRole('region', { name: 'Map of the level' })).getAllByText(/kW/).length).toBe(16)
    await allSaved()
    expect(written().map(({ kind }) => kind)).toEqual(['level-run', 'level-run'])
  })
})

describe('pulls', () => {
  const bench = (kw: number) =>
    `time,rpm,power kW\n${Array.from({ length: 20 }, (_item, i) => `${i / 5},${1500 + 70 * i},${(kw * (i + 10)) / 29}`).join('\n')}`
  test('are read as they are pasted, compared, and a claim is judged', async () => {
    const { hands, sheet, written } = await card(truck, 'prove', 'Pulls and claim')
    const lines = () => sheet.getByLabelText(/^Its lines/)
    type(lines(), 'time,power\n0,1')
    await sheet.findByText(/No column is the engine speed/)
    for (const [when, kw] of [
      ['On stock', 200],
      ['On stock', 201],
      ['With the kit', 220],
      ['With the kit', 221],
    ] as const) {
      type(lines(), bench(kw))
      await hands.click(sheet.getByRole('button', { name: when }))
      await sheet.findAllByText(new RegExp(`${kw}\\.0 kW at 2830`))
    }
    await sheet.findByText(/\+20\.0 kW ± 3\.0.*: shown/)
    type(sheet.getByLabelText('What is claimed, kW more'), '40')
    await hands.click(sheet.getByRole('button', { name: 'Judge it' }))
    await sheet.findByText(/The claim of 40 kW: not met/)
    await allSaved()
    expect(written().map(({ kind }) => kind)).toEqual([...Array<string>(4).fill('pull-made'), 'gain-claimed'])
  })
})

describe('what is looked at beside the steps', () => {
  test('a meter at take-in is written down with its unit', async () => {
    const { hands, sheet, written } = await card(truck, 'take-in', 'Kilometres or hours')
    await hands.type(sheet.getByLabelText('The meter shows'), '184200')
    await waitFor(() =>
      expect(sheet.getByRole<HTMLButtonElement>('button', { name: 'Write it down' }).disabled).toBe(false),
    )
    await hands.click(sheet.getByRole('button', { name: 'Write it down' }))
    await allSaved()
    expect(written()[0]).toMatchObject({ kind: 'meter-read', value: 184200, unit: 'km' })
  })
  test('a unit by its number', async () => {
    const { hands, sheet, written } = await card(truck, 'set-up', 'Numbers on the unit')
    await hands.type(sheet.getByLabelText('Number on the unit'), 'D5-62')
    await hands.type(sheet.getByLabelText('Serial'), '0042')
    await waitFor(() =>
      expect(sheet.getByRole<HTMLButtonElement>('button', { name: 'Write it down' }).disabled).toBe(false),
    )
    await hands.click(sheet.getByRole('button', { name: 'Write it down' }))
    await sheet.findByText(/Written down: D5-62, serial 0042/)
    expect(written()[0]).toMatchObject({ kind: 'unit-identified', pairs: true })
  })
})

test.each([
  ['0,80', 0.8],
  ['800 mm', 0.8],
  ['31.5 in', 0.8001],
  ['33"', 0.8382],
  ['285/70 R17', 0.806],
  ['8', null],
  ['tall', null],
])('a height typed as %s', (text, metres) => {
  expect(readHeight(text)).toBe(metres)
})
