import { stationNames, stations } from '@tidy-badger/core/dossiers'
import { screen, waitFor } from '@testing-library/react'
import axe from 'axe-core'
import { describe, expect, test } from 'vitest'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { fittings } from '../../../core/src/wiring/shippedCase.ts'
import { allSaved, openApp, testYard, forPages } from '../testing/testBed.tsx'

forPages()

/** One kit for each machine that ships. */
const oneEach = [...new Map(fittings.map((fitting) => [fitting.machine.id, fitting])).values()]

const pictures: Partial<Record<string, readonly string[]>> = {
  'lay-loom': ['Places', 'Power', 'Lengths', 'Way'],
  'hook-up': ['Card', 'Signals', 'Meter', 'Record'],
}

describe.each(oneEach)('$name', (dossiers) => {
  test('every station of a finished job is shown and said to be done, with each of its pictures', async () => {
    const yard = testYard()
    const id = `whole-${dossiers.machine.id}`
    yard.put(id, dossiers, wholeJob(dossiers), 'All of it')
    const { hands } = openApp(yard, `/job/${id}/take-in`)
    await allSaved()
    for (const station of stations) {
      await hands.click(await screen.findByRole('link', { name: new RegExp(`^${stationNames[station]} ?, done$`) }))
      await waitFor(() => expect(document.title).toContain(stationNames[station]))
      await waitFor(() => expect(document.querySelector('main')?.textContent?.length).toBeGreaterThan(60))
      expect(screen.getAllByRole('heading', { level: 1 }).length).toBe(1)
      for (const picture of pictures[station] ?? []) {
        await hands.click(await screen.findByRole('tab', { name: picture }))
        await waitFor(() =>
          expect(screen.getByRole('tabpanel', { hidden: false }).textContent).not.toMatch(/^(Opening…)?$/),
        )
      }
    }
    expect(screen.queryByText(/NaN|undefined|\[object/)).toBeNull()
    expect(screen.queryByText('Not taken')).toBeNull()
    // What a colour is, is seen by a browser alone.
    const { violations } = await axe.run(document, { rules: { 'color-contrast': { enabled: false } } })
    expect(
      violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(' | ')}`),
    ).toEqual([])
  })
})
