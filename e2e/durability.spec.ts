import { mkdir, mkdtemp, rename, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runApp, yardFolder } from './support/runApp.ts'
import { expect, post, soon, test } from './support/fixtures.ts'

test('what was acknowledged survives kill -9', async () => {
  let app = await runApp({ brief: true, folder: await yardFolder() })
  const opened = await post(`${app.url}/api/jobs`, { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } })
  const { id } = await opened.json()
  const acknowledged: string[] = []
  let killed = false
  const writing = (async () => {
    for (let i = 0; !killed; i++) {
      const answer = await post(`${app.url}/api/jobs/${id}/journal`, {
        entries: [{ id: `n${i}`, kind: 'note', text: 'x' }],
      }).catch(() => null)
      if (answer?.ok) acknowledged.push(`n${i}`)
    }
  })()
  await soon(() => acknowledged.length).toBeGreaterThan(60)
  await app.kill()
  killed = true
  await writing
  const { folder } = app
  app = await runApp({ brief: true, folder })
  const { entries } = await (await fetch(`${app.url}/api/jobs/${id}/journal`)).json()
  const kept = new Set(entries.map((entry: { id: string }) => entry.id))
  expect(acknowledged.filter((entry) => !kept.has(entry))).toEqual([])
  await app.stop()
})

test('a second process on the same folder is refused in one sentence', async () => {
  const app = await runApp({ brief: true, folder: await yardFolder() })
  await expect(runApp({ folder: app.folder })).rejects.toThrow(/Another Tidy Badger is at work in .*TIDY_BADGER_DATA/)
  await app.stop()
})

test('starting the demo again changes nothing that the user made', async () => {
  const folder = await yardFolder()
  const first = await runApp({ brief: true, folder })
  await post(`${first.url}/api/jobs/demo-hut-7/journal`, { entries: [{ id: 'mine', kind: 'note', text: 'mine' }] })
  const before = await (await fetch(`${first.url}/api/jobs`)).json()
  await first.kill()
  const again = await runApp({ brief: true, folder, demo: true })
  expect(await (await fetch(`${again.url}/api/jobs`)).json()).toEqual(before)
  await again.stop()
})

test('a data folder that is taken away under the server: nothing is acknowledged, and work goes on once it is back', async () => {
  const app = await runApp({ brief: true, folder: await yardFolder() })
  const opened = await post(`${app.url}/api/jobs`, { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } })
  const { id } = await opened.json()
  const write = (entry: string) =>
    post(`${app.url}/api/jobs/${id}/journal`, { entries: [{ id: entry, kind: 'note', text: 'x' }] })
  expect((await write('a')).status).toBe(200)
  await rename(app.folder, `${app.folder}-away`)
  const refused = await write('b')
  expect(refused.status).toBe(503)
  expect(await refused.json()).toMatchObject([{ code: 'folder-gone' }])
  expect((await fetch(`${app.url}/api/health`)).status).toBe(503)
  await rename(`${app.folder}-away`, app.folder)
  expect((await write('c')).status).toBe(200)
  const { entries } = await (await fetch(`${app.url}/api/jobs/${id}/journal`)).json()
  expect(entries.map((entry: { id: string }) => entry.id)).toEqual(['a', 'c'])
  await app.stop()
})

test('a folder with a yard’s files and no whole database is not begun anew', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-half-'))
  await mkdir(join(folder, 'photos'))
  await writeFile(join(folder, 'photos', 'a'), 'x')
  await expect(runApp({ folder })).rejects.toThrow(/PG_VERSION is missing.*npm run restore/s)
  await rm(folder, { recursive: true })
})
