import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { fittings, shippedKit, shippedMachine } from '../../../core/src/wiring/shippedCase.ts'
import { allSaved, forPages, openApp, testYard } from '../testing/testBed.tsx'
import { usePreferences } from '../platform/preferences.ts'

forPages()

/** One of each kind of machine. What is planned is never stopped on any machine with any kit, says core. */
const plain = [
  ...new Map(
    fittings.filter(({ name }) => !name.includes(',')).map((one) => [one.machine.body?.form ?? one.machine.class, one]),
  ).values(),
]
const quad = { machine: shippedMachine('pellick-gorse-430'), kit: shippedKit('quernby-p1') }

const space = () => fireEvent.keyDown(document.body, { code: 'Space', key: ' ' })
/** How many entries the page shows. Found by its text: a name that is looked for in a whole drawing takes longer than the work. */
function journalCount(): number {
  const texts = [...document.querySelectorAll('button')].map(({ textContent }) => textContent)
  return Number(/\d+/.exec(texts.find((text) => text.startsWith('Journal')) ?? '')?.[0])
}

/** Presses the space bar once what the last press wrote is shown. */
async function tick(): Promise<void> {
  const before = journalCount()
  space()
  await waitFor(() => expect(journalCount()).toBeGreaterThan(before))
}

/** Waits until hook-up stands with its dock and its keys. */
async function hookUpStands(): Promise<void> {
  await screen.findByRole('heading', { name: /ends connected$/ })
  await allSaved()
}

let jobs = 0
/** A job of the quad, opened at hook-up with all before it done. */
async function quadAtHookUp(yard = testYard()) {
  const id = `quad-${jobs++}`
  yard.put(id, quad, wholeJob(quad, 'lay-loom'))
  const app = openApp(yard, `/job/${id}/hook-up`)
  await hookUpStands()
  return { ...app, yard, id, had: yard.entries(id).length }
}

describe.each(plain)('$name', (dossiers) => {
  test('every end is connected by the space bar alone; nothing planned is stopped', async () => {
    const yard = testYard()
    const id = `hooked-${dossiers.machine.id}-${dossiers.kit.id}`
    yard.put(id, dossiers, wholeJob(dossiers, 'lay-loom'))
    openApp(yard, `/job/${id}/hook-up`)
    await hookUpStands()
    for (let press = 0; press < 40 && !screen.queryByRole('heading', { name: 'Every end is connected' }); press++)
      await tick()
    expect(screen.getByRole('heading', { name: 'Every end is connected' })).toBeTruthy()
    expect(screen.queryByRole('alert')).toBeNull()
    await allSaved()
    const ends = new Set(yard.entries(id).flatMap((entry) => (entry.kind === 'connected' ? [entry.kitEnd] : [])))
    expect([...ends].sort()).toEqual(dossiers.kit.ends.map((end) => end.id).sort())
  })
})

test('with the link down a tick is kept and said to be unsent; it is sent once the link is back', async () => {
  const { yard, id, had } = await quadAtHookUp()
  yard.cutLink(true)
  await tick()
  await waitFor(() => expect(screen.getAllByRole('status')[0]?.textContent).toMatch(/link down, 1 not yet sent/))
  expect(yard.entries(id)).toHaveLength(had)
  yard.cutLink(false)
  fireEvent(window, new Event('online'))
  await allSaved()
  expect(yard.entries(id).length).toBeGreaterThan(had)
})

test('two taps at once are one, and the next tap is taken again', async () => {
  const { yard, id, had } = await quadAtHookUp()
  space()
  space()
  await waitFor(() => expect(journalCount()).toBeGreaterThan(had))
  const once = yard.entries(id).length
  await tick()
  await allSaved()
  const made = yard.entries(id).flatMap((entry) => (entry.kind === 'connected' ? [JSON.stringify(entry.to)] : []))
  expect(new Set(made).size).toBe(made.length)
  expect(yard.entries(id).length).toBeGreaterThan(once)
})

test('Ctrl and Z takes back what this device wrote last, and says so when there is nothing', async () => {
  const { yard, id, had } = await quadAtHookUp()
  await tick()
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true })
  await screen.findByText(/^Taken back: /)
  await allSaved()
  const kinds = yard.entries(id).map((entry) => entry.kind)
  expect(kinds.slice(had)).toEqual(['connected', 'connected', 'tugged', 'undo'])
  expect(yard.entries(id).at(-1)).toMatchObject({ undoes: yard.entries(id).at(-2)?.id })
})

test('who works is asked at the first thing written down, and it is written in that name', async () => {
  usePreferences.setState({ person: null })
  const { yard, id, had, hands } = await quadAtHookUp()
  space()
  const dialog = await screen.findByRole('dialog')
  await hands.type(within(dialog).getByLabelText('Name'), 'Ilse')
  await hands.click(within(dialog).getByRole('button', { name: 'That is me' }))
  await allSaved()
  await waitFor(() => expect(yard.entries(id).length).toBeGreaterThan(had))
  expect(
    new Set(
      yard
        .entries(id)
        .slice(had)
        .map((entry) => entry.by),
    ),
  ).toEqual(new Set(['Ilse']))
})

test('a job that is not there is said to be none, with the way back', async () => {
  const { hands, at } = openApp(testYard(), '/job/ghost')
  expect((await screen.findByRole('alert')).textContent).toContain('Nothing at /api/jobs/ghost.')
  await hands.click(screen.getByRole('link', { name: 'Back to the yard' }))
  expect(at()).toBe('/')
})

test('the yard lists its jobs; one of them is opened where it stands', async () => {
  const yard = testYard()
  yard.put('hut', quad, wholeJob(quad, 'open-up'), 'Hut quad, 7')
  const { hands, at } = openApp(yard, '/')
  await hands.click(await screen.findByRole('link', { name: /Hut quad, 7/ }))
  await waitFor(() => expect(at()).toMatch(/^\/job\/hut/))
  await allSaved()
  expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Hut quad, 7')
})
