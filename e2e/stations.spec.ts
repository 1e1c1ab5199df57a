import { stationNames, stations } from '@tidy-badger/core/dossiers'
import { wholeJob } from '../packages/core/src/jobs/wholeJobCase.ts'
import { expect, expectAccessible, post, test } from './support/fixtures.ts'

const fittings = [
  ['ostrel-pika-449', 'wren-core-34'],
  ['ostrel-kittiwake-640', 'quernby-p4-eight'],
  ['tarnbrook-saddler-880', 'quernby-p4-twin'],
  ['tarnbrook-calder-1130', 'quernby-learner'],
  ['pellick-gorse-430', 'quernby-p1'],
  ['pellick-skua-960', 'quernby-learner'],
  ['pellick-rime-790', 'wren-core-48'],
  ['corvane-marlow-29', 'thistle-a2'],
  ['hallam-voss-shieling-21', 'thistle-d3'],
  ['hallam-voss-packhorse-62', 'thistle-d5'],
  ['hallam-voss-longhaul-69', 'wren-selector'],
  ['grangeway-t9', 'thistle-d3-field'],
] as const

const pictures: Partial<Record<string, readonly string[]>> = {
  'lay-loom': ['Places', 'Power', 'Lengths', 'Way'],
  'hook-up': ['Card', 'Signals', 'Meter', 'Record'],
}

for (const [machine, kit] of fittings)
  test(`${kit} on ${machine}: the whole job is sent in, every station is shown and done, and nothing is wrong`, async ({
    page,
    app,
  }) => {
    const send = async (path: string, body: unknown) => {
      const answer = await post(`${app.url}${path}`, body)
      expect(answer.ok, await answer.clone().text()).toBe(true)
      return answer.json()
    }
    const { id } = await send('/api/jobs', { machine: { id: machine }, kit: { id: kit }, title: `All of ${machine}` })
    const { dossiers } = await (await fetch(`${app.url}/api/jobs/${id}`)).json()
    await send(`/api/jobs/${id}/journal`, { entries: wholeJob(dossiers) })
    const { findings, traces } = await (await fetch(`${app.url}/api/jobs/${id}/wiring`)).json()
    expect(findings.filter((finding: { severity: string }) => finding.severity !== 'note')).toEqual([])
    expect(traces.asBuilt).toEqual(traces.planned)
    await page.goto(`/job/${id}/take-in`)
    const nav = page.getByRole('navigation', { name: 'Stations' })
    for (const station of stations) {
      await nav.getByRole('link', { name: new RegExp(`^${stationNames[station]} ?, done$`) }).click()
      await expect(page).toHaveURL(new RegExp(`/job/${id}/${station}`))
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      for (const picture of pictures[station] ?? []) {
        await page.getByRole('tab', { name: picture }).click()
        await expect(page.getByRole('tabpanel')).toBeVisible()
      }
    }
    await expect(page.getByText('Not taken')).toHaveCount(0)
    await expectAccessible(page)
  })
