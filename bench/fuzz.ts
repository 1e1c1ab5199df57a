// Asks every route for nonsense and counts what breaks: `npm run fuzz -- 30000`. Each request is made once; none may be a 5xx.
import fc from 'fast-check'
import { createHash } from 'node:crypto'
import { openWorkPool } from '../packages/server/src/platform/workPool.ts'
import { testApp } from '../packages/server/src/testApp.ts'
import testStore from '../packages/server/src/testStore.ts'

const wanted = Number(process.argv[2] ?? 30_000)
const removeStore = await testStore()
// With the patience of a yard's server: what takes longer is a fault.
const app = await testApp({ pool: openWorkPool() })
const known = await knownThings()
const seen = new Set<string>()
const bad: string[] = []
const byStatus = new Map<number, number>()

/** Things of a yard that requests may name. */
async function knownThings() {
  const { body } = await app.ask('POST', '/api/jobs', {
    machine: { id: 'pellick-gorse-430' },
    kit: { id: 'quernby-p1' },
  })
  const { id } = body as { id: string }
  const { body: machine } = await app.ask('GET', '/api/dossiers/machine/pellick-gorse-430')
  return { id, machine: (machine as { document: object }).document }
}

const oddText = fc.oneof(
  fc.string({ maxLength: 40, unit: 'binary' }),
  fc.constantFrom(
    '\0',
    '\ud800',
    '',
    ' ',
    '%',
    '../..',
    '__proto__',
    'constructor',
    '１２３',
    'a'.repeat(5000),
    '=1+1',
  ),
)
const oddNumber = fc.oneof(
  fc.integer(),
  fc.double(),
  fc.constantFrom(0, -1, 1e308, -1e308, 2 ** 31, 2 ** 31 - 1, 2 ** 53, 1e-320, 0.1),
)
const oddValue: fc.Arbitrary<unknown> = fc.letrec<{ value: unknown }>((tie) => ({
  value: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    oddText,
    oddNumber,
    fc.constantFrom(null, true, false, {}, [], [[]]),
    fc.array(tie('value'), { maxLength: 4 }),
    fc.dictionary(fc.oneof(oddText, fieldName()), tie('value'), { maxKeys: 4 }),
  ),
})).value
function fieldName() {
  return fc.constantFrom(
    'machine',
    'kit',
    'id',
    'version',
    'variant',
    'kind',
    'entries',
    'base',
    'at',
    'by',
    'text',
    'targets',
    'people',
    'connections',
    'kitEnd',
    'to',
    'connector',
    'cavity',
    'seq',
    'journal',
    'logs',
    'photos',
    'dossiers',
    'job',
    'format',
    'grid',
    'log',
    'csv',
    'rpm',
    'load',
    'code',
    'name',
    'person',
    'lengthM',
    'awg',
    'currentA',
    'keep',
    'nightly',
  )
}
/** Bodies that are nearly right, with one thing broken somewhere. */
const nearlyRight = fc.constantFrom<object>(
  { machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } },
  { machine: known.machine, targets: ['connector:injector'] },
  {
    machine: { id: 'pellick-gorse-430' },
    kit: { id: 'quernby-p1' },
    connections: [{ kitEnd: 'ground', to: { stud: 'engine-strap' } }],
  },
  { entries: [{ id: 'a', kind: 'note', text: 'x', at: '2026-01-01T00:00:00Z' }] },
  { entries: [{ id: 'b', kind: 'connected', kitEnd: 'ground', to: { stud: 'engine-strap' } }] },
  {
    entries: [
      {
        id: 'c',
        kind: 'trim-accepted',
        log: 'a'.repeat(64),
        fitVersion: 1,
        options: { gain: 1, maxStepPct: 1, delaySeconds: 1 },
        cells: [{ rpm: 1, load: 1, old: 1, new: 1 }],
      },
    ],
  },
  {
    log: { csv: 'time,rpm,throttle,afr\n0,1500,3,14\n' },
    grid: {
      rpm: [1000, 2000],
      load: [0, 50],
      trimPct: [
        [0, 0],
        [0, 0],
      ],
    },
    target: { afr: 14 },
  },
  { code: '123456', name: 'x', person: 'y' },
  { lengthM: 2.4, awg: 22, currentA: 3.5, conductorC: 40 },
  { continuousA: 5, areaMm2: 1 },
  { capacityAh: 12, usablePct: 50, moduleMa: 20 },
  { nightly: true, keep: 7 },
  { id: 'e', kit: 'quernby-p1', machine: 'pellick-gorse-430', kitEnd: 'ground', says: 'a', is: 'b', by: 'c' },
)
const broken = fc.tuple(nearlyRight, fc.nat(), oddValue).map(([body, at, value]) => {
  const copy = structuredClone(body)
  const places: [object, string][] = []
  const walk = (inner: object) => {
    for (const [key, child] of Object.entries(inner)) {
      places.push([inner, key])
      if (typeof child === 'object' && child !== null && places.length < 400) walk(child)
    }
  }
  walk(copy)
  const [inner, key] = places[at % places.length]
  Object.defineProperty(inner, key, { value, enumerable: true, configurable: true, writable: true })
  return copy
})
const body = fc.oneof({ weight: 3, arbitrary: broken }, { weight: 2, arbitrary: oddValue })
const oddPath = fc.oneof(
  fc.constantFrom(
    known.id,
    'pellick-gorse-430',
    'machine',
    'kit',
    'a'.repeat(64),
    '%00',
    '%ff',
    '%2e%2e',
    'x'.repeat(150),
  ),
  oddText.map((text) => {
    try {
      return encodeURIComponent(text)
    } catch {
      return '%ED%A0%80'
    }
  }),
)
const query = fc.oneof(
  fc.constant(''),
  fc
    .tuple(
      fc.constantFrom(
        'after',
        'limit',
        'q',
        'station',
        'version',
        'variant',
        'connector',
        'machine',
        'start',
        'base',
        'form',
        'archived',
      ),
      oddPath,
    )
    .map(([name, value]) => `?${name}=${value}`),
)

const routes = app.routes.filter(
  (route) =>
    !['HEAD', 'OPTIONS'].includes(route.method) &&
    !['/api/backup', '/api/live', '/api/backup/copies'].includes(route.url),
)
const request = fc.record({
  route: fc.constantFrom(...routes),
  path: fc.array(oddPath, { minLength: 2, maxLength: 2 }),
  query,
  body: fc.option(body, { freq: 8 }),
  type: fc.constantFrom(
    'application/json',
    'application/json',
    'application/json',
    'text/plain',
    'application/zip',
    'image/jpeg',
  ),
  cut: fc.boolean(),
})

const started = performance.now()
let seed = 1
while (seen.size < wanted) {
  for (const asked of fc.sample(request, { seed: seed++, numRuns: 1000 })) {
    if (seen.size >= wanted) break
    let next = 0
    const url = asked.route.url.replace(/:[^/]+|\*/g, () => asked.path[next++ % 2]) + asked.query
    const text = JSON.stringify(asked.body) ?? ''
    const payload = asked.cut && text.length > 4 ? text.slice(0, text.length - 2) : text
    const key = createHash('sha256').update(`${asked.route.method} ${url} ${asked.type} ${payload}`).digest('hex')
    if (seen.has(key)) continue
    seen.add(key)
    const answer = await app.server.inject({
      method: asked.route.method as 'GET',
      url,
      ...(asked.route.method === 'GET' ? {} : { payload, headers: { 'content-type': asked.type } }),
    })
    byStatus.set(answer.statusCode, (byStatus.get(answer.statusCode) ?? 0) + 1)
    if (answer.statusCode >= 500)
      bad.push(
        `${answer.statusCode} ${asked.route.method} ${url} ${payload.slice(0, 300)} → ${answer.body.slice(0, 200)}`,
      )
  }
  if (seed % 5 === 0) console.log(`${seen.size} of ${wanted}, ${bad.length} × 5xx`)
}
console.log(
  [...byStatus]
    .sort(([a], [b]) => a - b)
    .map(([status, count]) => `${status}: ${count}`)
    .join(', '),
)
for (const line of bad.slice(0, 40)) console.log(line)
console.log(
  `${seen.size} distinct requests over ${routes.length} routes in ${((performance.now() - started) / 1000).toFixed(0)} s: ${bad.length} × 5xx`,
)
await app.close()
await removeStore()
process.exit(bad.length === 0 ? 0 : 1)
