import { expect, expectAccessible, saved, test } from './support/fixtures.ts'

const fittings = [
  ['ostrel-pika-449', 'wren-core-34'],
  ['ostrel-kittiwake-640', 'quernby-p4-eight'],
  ['tarnbrook-saddler-880', 'quernby-p4-twin'],
  ['tarnbrook-calder-1130', 'quernby-learner'],
  ['pellick-gorse-430', 'lowlamp-dial'],
  ['pellick-skua-960', 'quernby-learner'],
  ['pellick-rime-790', 'wren-core-48'],
  ['corvane-marlow-29', 'thistle-a2'],
  ['hallam-voss-shieling-21', 'thistle-d3'],
  ['hallam-voss-packhorse-62', 'thistle-d5'],
  ['hallam-voss-longhaul-69', 'wren-selector'],
  ['grangeway-t9', 'thistle-d3-field'],
] as const

for (const [machine, kit] of fittings)
  test(`${kit} on ${machine}, from the first end to the last by space bar, and nothing is wrong`, async ({
    page,
    app,
  }) => {
    const answer = await fetch(`${app.url}/api/jobs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ machine: { id: machine }, kit: { id: kit }, title: `All of ${machine}` }),
    })
    const { id } = await answer.json()
    await page.goto(`/job/${id}/hook-up`)
    await expect(page.getByRole('heading', { name: /^0 of \d+ ends connected$/ })).toBeVisible()
    const last = page.getByRole('heading', { name: 'Every end is connected' })
    for (let done = 1; done < 90; done++) {
      await page.keyboard.press('Space')
      await expect(page.getByRole('button', { name: `Journal ${done}` })).toBeVisible()
      if (await last.isVisible()) break
    }
    await expect(last).toBeVisible()
    for (const tab of ['Card', 'Signals', 'Meter', 'Record']) {
      await page.getByRole('tab', { name: tab }).click()
      await expect(page.getByRole('tabpanel')).toBeVisible()
    }
    await expectAccessible(page)
    await saved(page)
    const wiring = await (await fetch(`${app.url}/api/jobs/${id}/wiring`)).json()
    expect(wiring.findings.filter((finding: { severity: string }) => finding.severity !== 'note')).toEqual([])
    expect(wiring.traces.asBuilt).toEqual(wiring.traces.planned)
  })
