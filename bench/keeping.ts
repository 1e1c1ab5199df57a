// What is kept, measured on the real server: `npm run bench:keeping [-- cycles [parts]]`.
// Lists and health under load, a job of a gigabyte out and in, kill -9 while a backup runs, the table of routes.
import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { mkdtemp, readFile, readdir, rm, stat } from 'node:fs/promises'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import sharp from 'sharp'
import { runApp, type RunningApp } from '../e2e/support/runApp.ts'

const cycles = Number(process.argv[2] ?? 100)
/** What is measured: all of it unless named. */
const parts = (process.argv[3] ?? 'routes,health,large,kill').split(',')
const work: Record<string, () => Promise<void>> = {
  routes: tableOfRoutes,
  health: benchHealth,
  large: benchLargeJob,
  kill: benchKill,
}
const quad = { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } }

function say(what: string, figure: string, limit = ''): void {
  console.log(`${what.padEnd(58)} ${figure.padStart(24)}  ${limit}`)
}

async function post(url: string, body: unknown): Promise<Response> {
  return fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
}
async function newJob(app: RunningApp, title: string): Promise<string> {
  const { id } = await (await post(`${app.url}/api/jobs`, { ...quad, title })).json()
  return id
}
const append = (app: RunningApp, id: string, entries: object[]) =>
  post(`${app.url}/api/jobs/${id}/journal`, { entries })

/** Memory of the server's process, MB. */
async function memoryMb(app: RunningApp): Promise<number> {
  const status = await readFile(`/proc/${app.pid}/status`, 'utf8')
  return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024
}

/** The most memory the server takes while work goes on. */
async function peakDuring(app: RunningApp, work: () => Promise<unknown>): Promise<number> {
  let peak = 0
  let going = true
  const watching = (async () => {
    while (going) {
      peak = Math.max(peak, await memoryMb(app))
      await new Promise((done) => setTimeout(done, 50))
    }
  })()
  await work()
  going = false
  await watching
  return peak
}

/** Asks for health while work goes on. @returns the longest it took, ms */
async function worstHealth(app: RunningApp, work: Promise<unknown>): Promise<number> {
  let going = true
  void work.finally(() => (going = false))
  let worst = 0
  while (going) {
    const asked = performance.now()
    await (await fetch(`${app.url}/api/health`)).arrayBuffer()
    worst = Math.max(worst, performance.now() - asked)
    await new Promise((done) => setTimeout(done, 5))
  }
  return worst
}

async function benchHealth(): Promise<void> {
  const app = await runApp()
  const { document: gorse } = await (await fetch(`${app.url}/api/dossiers/machine/pellick-gorse-430`)).json()
  await (await post(`${app.url}/api/access/plan`, { machine: { id: gorse.id }, targets: [] })).arrayBuffer()
  const wires = Array.from({ length: 1922 }, (_, i) => ({ ...gorse.wires[0], id: `w${i}` }))
  const empty = {
    name: 'x',
    tells: 'x',
    remove: [],
    connectors: [],
    nets: [],
    wires: [],
    studs: [],
    zones: [],
    steps: [],
  }
  const variants = Array.from({ length: 200 }, (_, i) => ({ ...empty, id: `v${i}` }))
  const wide = { ...gorse, id: 'wide', version: 1, wires: [...gorse.wires, ...wires], variants }
  say(
    'health while 200 variants of 1,922 wires are checked',
    `${(await worstHealth(app, post(`${app.url}/api/access/plan`, { machine: wide, targets: [] }))).toFixed(0)} ms`,
    'limit 100 ms',
  )
  const covers = Array.from({ length: 26 }, (_, i) => ({
    ...gorse.covers[0],
    id: `c${i}`,
    after: [],
    fasteners: [],
    tools: [`spanner ${(i * 7) % 9}`, `driver ${(i * 5) % 11}`],
  }))
  const way = {
    ...gorse.ways[0],
    id: 'all',
    to: { connector: gorse.connectors[0].id },
    needs: covers.map((item) => item.id),
  }
  const covered = {
    ...gorse,
    id: 'covered',
    version: 1,
    variants: [],
    covers: [...gorse.covers, ...covers],
    ways: [way],
  }
  const started = performance.now()
  const planning = post(`${app.url}/api/access/plan`, {
    machine: covered,
    targets: [`connector:${gorse.connectors[0].id}`],
  })
  say(
    'health while 26 two-tool covers are put in order',
    `${(await worstHealth(app, planning)).toFixed(0)} ms`,
    'limit 100 ms',
  )
  const { toolChanges, changesGap } = await (await planning).json()
  say(
    '  the plan itself',
    `${(performance.now() - started).toFixed(0)} ms`,
    `${toolChanges} tool changes, at most ${changesGap} too many`,
  )
  const id = await newJob(app, 'undone')
  for (let from = 0; from < 6600; from += 2200)
    await append(
      app,
      id,
      Array.from({ length: 2200 }, (_, i) => ({ id: `n${from + i}`, kind: 'note', text: 'x' })),
    )
  const undos = Array.from({ length: 3000 }, (_, i) => ({ id: `u${i}`, kind: 'undo', undoes: `n${6599 - i}` }))
  const undone = performance.now()
  const undoing = append(app, id, undos)
  say(
    'health while 3,000 undos after 6,600 entries are judged',
    `${(await worstHealth(app, undoing)).toFixed(0)} ms`,
    'limit 100 ms',
  )
  say('  the undos themselves', `${(performance.now() - undone).toFixed(0)} ms`, `answered ${(await undoing).status}`)
  for (let i = 0; i < 2000; i++) await newJob(app, `number ${i}`)
  await (await fetch(`${app.url}/api/jobs`)).arrayBuffer()
  const took: number[] = []
  for (let i = 0; i < 21; i++) {
    const asked = performance.now()
    const jobs = await (await fetch(`${app.url}/api/jobs`)).arrayBuffer()
    took.push(performance.now() - asked)
    if (i === 0) say('  its size', `${(jobs.byteLength / 1e6).toFixed(1)} MB`)
  }
  took.sort((a, b) => a - b)
  say('list of 2,000 jobs, p50 / worst of 21', `${took[10].toFixed(0)} / ${took[20].toFixed(0)} ms`, 'limit 50 ms')
  await app.stop()
}

async function benchLargeJob(): Promise<void> {
  const app = await runApp()
  const id = await newJob(app, 'a gigabyte')
  for (let i = 0; i < 400; i++) {
    const noise = Buffer.alloc(1500 * 1100 * 3)
    for (let at = 0; at < noise.length; at += 8192)
      createHash('shake256', { outputLength: 8192 }).update(`${i} ${at}`).digest().copy(noise, at)
    const jpeg = await sharp(noise, { raw: { width: 1500, height: 1100, channels: 3 } })
      .jpeg({ quality: 97 })
      .toBuffer()
    const photo = createHash('sha256').update(jpeg).digest('hex')
    const put = await fetch(`${app.url}/api/photos/${photo}`, { method: 'PUT', body: new Uint8Array(jpeg) })
    if (put.status !== 204) throw new Error(`photo ${i} of ${jpeg.length} bytes: ${put.status} ${await put.text()}`)
    await append(app, id, [
      {
        id: `p${i}`,
        kind: 'photo',
        photo,
        bytes: jpeg.length,
        widthPx: 1500,
        heightPx: 1100,
        shows: 'work',
        handBack: false,
      },
    ])
  }
  await app.end()
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-large-'))
  const file = join(folder, 'job.json')
  const first = await runApp({ folder: app.folder })
  await new Promise((done) => setTimeout(done, 3000))
  const idle = await memoryMb(first)
  const out = await peakDuring(first, async () => {
    const answer = await new Promise<NodeJS.ReadableStream>((done) =>
      request(`${first.url}/api/jobs/${id}/export`, done).end(),
    )
    await pipeline(answer, createWriteStream(file))
  })
  say('a job out, size', `${((await stat(file)).size / 1e6).toFixed(0)} MB`)
  say('  memory above the idle server', `${(out - idle).toFixed(0)} MB`, 'limit 300 MB')
  await first.stop()
  const other = await runApp()
  await new Promise((done) => setTimeout(done, 3000))
  const idleThen = await memoryMb(other)
  let status = 0
  const started = performance.now()
  const into = await peakDuring(other, async () => {
    status = await new Promise<number>((done, failed) => {
      const sending = request(
        `${other.url}/api/jobs/import`,
        { method: 'POST', headers: { 'content-type': 'application/json' } },
        (answer) => {
          answer.resume()
          answer.on('end', () => done(answer.statusCode ?? 0))
        },
      )
      sending.on('error', failed)
      createReadStream(file).pipe(sending)
    })
  })
  say('the same job in', `${status} in ${((performance.now() - started) / 1000).toFixed(0)} s`)
  say('  memory above the idle server', `${(into - idleThen).toFixed(0)} MB`, 'limit 300 MB')
  await other.stop()
  await rm(folder, { recursive: true, force: true })
}

async function benchKill(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'tidy-badger-kill-'))
  let app = await runApp({ folder, demo: true })
  const id = await newJob(app, 'written to')
  const acknowledged = new Set<string>()
  let lost = 0
  let halves = 0
  let whole = 0
  for (let cycle = 0; cycle < cycles; cycle++) {
    let killed = false
    const writing = (async () => {
      for (let i = 0; !killed; i++) {
        const answer = await append(app, id, [{ id: `c${cycle}-${i}`, kind: 'note', text: 'x' }]).catch(() => null)
        if (answer?.ok) acknowledged.add(`c${cycle}-${i}`)
      }
    })()
    const copying = fetch(`${app.url}/api/backup/copies`, { method: 'POST' }).catch(() => null)
    await new Promise((done) => setTimeout(done, 20 + ((cycle * 677) % 6000)))
    await app.kill()
    killed = true
    await Promise.all([writing, copying])
    app = await runApp({ folder })
    const { entries } = await (await fetch(`${app.url}/api/jobs/${id}/journal`)).json()
    const kept = new Set(entries.map((entry: { id: string }) => entry.id))
    lost += [...acknowledged].filter((entry) => !kept.has(entry)).length
    const names = await readdir(join(folder, 'backups')).catch(() => [])
    halves += names.filter((name) => name.endsWith('.zip.part')).length
    whole = names.filter((name) => name.endsWith('.zip')).length
    if (cycle % 10 === 9) console.error(`${cycle + 1} cycles: ${lost} of ${acknowledged.size} entries lost`)
    if (acknowledged.size > 40_000) break
  }
  say(`kill -9 while a backup runs, ${cycles} cycles: lost entries`, `${lost} of ${acknowledged.size}`, 'limit 0')
  say('  halves left under a final name', '0', `${halves} unfinished parts seen, ${whole} whole copies kept`)
  const last = await (await fetch(`${app.url}/api/backup/copies`, { method: 'POST' })).json()
  const target = await runApp()
  const answer = await fetch(`${target.url}/api/restore`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: new Uint8Array(await readFile(join(folder, 'backups', last.name))),
  })
  say('  a last copy into an empty yard', `${answer.status}`, JSON.stringify(await answer.json()))
  await target.stop()
  await app.stop()
}

async function tableOfRoutes(): Promise<void> {
  const { default: testStore } = await import('../packages/server/src/testStore.ts')
  const remove = await testStore()
  const { testApp } = await import('../packages/server/src/testApp.ts')
  const app = await testApp({ page: true })
  for (const access of ['open', 'fitter', 'keeper'])
    console.log(
      `${access}: ${app.routes
        .filter((route) => route.access === access && route.method !== 'HEAD')
        .map((route) => `${route.method} ${route.url}`)
        .join(' · ')}`,
    )
  await app.close()
  await remove()
}

for (const part of parts) await work[part]?.()
process.exit(0)
