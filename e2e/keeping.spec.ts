import { spawnSync } from 'node:child_process'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, expectAccessible, journalOf, named, post, saved, test, watch } from './support/fixtures.ts'
import { runApp } from './support/runApp.ts'

const root = fileURLToPath(new URL('..', import.meta.url))
const quad = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }

test('a failure that passes turns no work into “not taken”: it is tried again, and “send again” does not wait', async ({
  ownPage: page,
  app,
  copy,
  cutting,
}) => {
  const id = await copy('demo-hut-7')
  cutting.link = true
  let failing = true
  await page.route('**/api/jobs/*/journal', (route) =>
    failing && route.request().method() === 'POST'
      ? route.fulfill({ status: 500, json: [{ code: 'internal', path: '', message: 'The disk is full.' }] })
      : route.continue(),
  )
  await page.goto(`/job/${id}/hook-up`)
  await page.getByRole('button', { name: 'Factory plug into loom end C' }).click()
  await expect(page.getByText('1 not yet sent')).toBeVisible()
  await expect(page.getByText(/Not sent yet: .*The disk is full\./s)).toBeVisible()
  await expect(page.getByText('Not taken')).toHaveCount(0)
  await expectAccessible(page)
  await page.reload()
  await expect(page.getByText('1 not yet sent')).toBeVisible()
  // It goes well from the press on, not before: its own next try would take the button away.
  await page.exposeFunction('pressed', () => (failing = false))
  await page.evaluate(() => {
    const pressed: () => Promise<boolean> = Reflect.get(window, 'pressed')
    document.addEventListener('pointerdown', () => void pressed(), { capture: true })
  })
  await page.getByRole('button', { name: 'Send again' }).click()
  await saved(page)
  expect((await journalOf(app, id)).at(-1)?.kind).toBe('connected')
})

test('what is typed and not written down yet is kept: a question in between, a look elsewhere, a reload', async ({
  browser,
  app,
  copy,
}) => {
  const id = await copy('demo-hut-7')
  const page = await (await browser.newContext({ baseURL: app.url })).newPage()
  const { errors } = watch(page, { link: false })
  await page.goto(`/job/${id}/take-in`)
  await page.getByLabel('Plate or frame number').fill('SB 4711')
  await page.getByLabel('Owner or who brought it').click()
  await expect(page.getByRole('dialog', { name: 'Who is working at this device?' })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Plate or frame number')).toHaveValue('SB 4711')
  await expect(page.getByText('typed, kept here')).toBeVisible()
  await page.getByLabel('Plate or frame number').press('Enter')
  await page.getByLabel('Name', { exact: true }).fill('Runa')
  await page.getByRole('button', { name: 'That is me' }).click()
  await saved(page)
  expect((await journalOf(app, id)).at(-1)).toMatchObject({ kind: 'answered', question: 'plate', value: 'SB 4711' })
  expect(errors).toEqual([])
})

test('the yard is saved as a file and brought back; a device that knows more offers to send it again', async ({
  browser,
}) => {
  const app = await runApp({ brief: true })
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-keep-'))
  try {
    const { id } = await (await post(`${app.url}/api/jobs`, { ...quad, title: 'Hut quad' })).json()
    await post(`${app.url}/api/jobs/${id}/journal`, { entries: [{ id: 'first', kind: 'note', text: 'first' }] })
    const page = await (
      await browser.newContext({ baseURL: app.url, viewport: { width: 1280, height: 800 } })
    ).newPage()
    const cutting = { link: false }
    const { errors } = watch(page, cutting)
    await named(page, 'Runa')
    await page.goto('/backup')
    await expect(page.getByRole('heading', { name: 'Backup' })).toBeVisible()
    await expectAccessible(page)
    const download = page.waitForEvent('download')
    await page.getByRole('link', { name: 'Save the yard as a file' }).click()
    const file = join(folder, 'yard.zip')
    await writeFile(file, await (await page.request.get((await download).url())).body())
    await page.getByRole('button', { name: 'Copy now' }).click()
    await expect(page.getByText(/\d MB$/)).toHaveCount(1)
    await page.getByLabel('Copies to keep').selectOption('14')

    await page.goto(`/job/${id}/take-in`)
    await saved(page)
    await page.keyboard.press('j')
    await page.getByLabel('A note').fill('after the backup')
    await page.getByRole('button', { name: 'Write down', exact: true }).click()
    await page.keyboard.press('Escape')
    await saved(page)

    // The disk is lost: an empty yard under the same address, and the backup brought in from a prompt, none running.
    cutting.link = true
    await app.end()
    const other = await mkdtemp(join(tmpdir(), 'tidy-badger-new-'))
    const port = Number(new URL(app.url).port)
    const prompt = (action: string, name: string) =>
      spawnSync('npm', ['run', '--silent', action, '--', name], {
        cwd: root,
        env: { ...process.env, TIDY_BADGER_DATA: other, PORT: String(port) },
        encoding: 'utf8',
      })
    const brought = prompt('restore', file)
    expect(brought.stderr).not.toContain('Error')
    expect(brought.stdout).toMatch(/Brought in: \d+ jobs that were not here/)
    const again = await runApp({ brief: true, folder: other, port })
    try {
      await expect(page.getByText(/lacks 1 entry of this job/)).toBeVisible()
      await expectAccessible(page)
      await page.getByRole('button', { name: 'Send it again' }).click()
      await saved(page)
      expect((await journalOf(again, id)).map((entry) => entry.text)).toEqual(['first', 'after the backup'])
      expect(prompt('backup', join(folder, 'beside.zip')).stdout).toContain('beside.zip')
    } finally {
      await again.stop()
    }
    expect(errors).toEqual([])
  } finally {
    await app.stop()
    await rm(folder, { recursive: true, force: true })
  }
})

test('two people on one draft: neither overwrites the other unseen', async ({ browser, app }) => {
  const pages = await Promise.all(
    ['Runa', 'Tomas'].map(async (name) => {
      const page = await (
        await browser.newContext({ baseURL: app.url, viewport: { width: 1280, height: 800 } })
      ).newPage()
      await named(page, name)
      return page
    }),
  )
  const [one, two] = pages
  await one.goto('/dossiers')
  await one.getByLabel('Maker').fill('Hut')
  await one.getByLabel('Model').fill('Shared')
  await one.getByRole('button', { name: 'Write it down' }).click()
  await expect(one.getByRole('heading', { name: /Hut Shared/ })).toBeVisible()
  await two.goto(one.url())
  await expect(two.getByRole('heading', { name: /Hut Shared/ })).toBeVisible()
  const plug = async (page: typeof one, name: string) => {
    await page.getByLabel('Name', { exact: true }).fill(name)
    await page.getByRole('button', { name: 'Add the plug' }).click()
  }
  await plug(one, 'Injector')
  await expect(one.getByText('saved', { exact: true })).toBeVisible()
  await plug(two, 'Coil')
  await expect(two.getByText('saved this draft in between')).toBeVisible()
  await expectAccessible(two)
  await two.getByRole('button', { name: 'Save mine as its own draft' }).click()
  await expect(two.getByText('saved this draft in between')).toHaveCount(0)
  await expect(two.getByRole('button', { name: /^Coil \d/ })).toBeVisible()
  await one.reload()
  await expect(one.getByRole('button', { name: /^Injector \d/ })).toBeVisible()
  await expect(one.getByRole('button', { name: /Coil/ })).toHaveCount(0)
})

test('a newer version of a dossier is offered to a job, taken, and given back', async ({ page, app }) => {
  const { document } = await (await fetch(`${app.url}/api/dossiers/machine/tarnbrook-calder-1130`)).json()
  const opened = await post(`${app.url}/api/jobs`, {
    machine: { id: document.id },
    kit: { id: 'quernby-learner' },
    title: 'Tourer',
  })
  const { id, machine } = await opened.json()
  const [plug, ...plugs] = document.connectors
  const next = {
    ...document,
    version: machine.version + 1,
    connectors: [{ ...plug, place: 'under the left fairing' }, ...plugs],
  }
  expect((await post(`${app.url}/api/dossiers`, next)).status).toBe(201)
  await page.goto(`/job/${id}/take-in`)
  await expect(page.getByText(`version ${machine.version + 1} of its dossier is out`)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'See what changes' }).click()
  await expect(page.getByText(`Plug ${plug.name}: place is now "under the left fairing"`)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: `Work with version ${machine.version + 1} from now on` }).click()
  await expect(page.getByText('of its dossier is out')).toHaveCount(0)
  await saved(page)
  const now = await (await fetch(`${app.url}/api/jobs/${id}`)).json()
  expect(now.machine.version).toBe(machine.version + 1)
  await page.keyboard.press('j')
  await page.getByRole('button', { name: /^Undo/ }).first().click()
  await page.keyboard.press('Escape')
  await expect(page.getByText('of its dossier is out')).toBeVisible()
})
