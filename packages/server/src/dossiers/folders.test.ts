import type { Machine } from '@tidy-badger/core/dossiers'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { createHash } from 'node:crypto'
import { buffer } from 'node:stream/consumers'
import sharp from 'sharp'
import { ZipFile } from 'yazl'
import { testApp, type TestApp } from '../testApp.ts'
import { readdirSync, readFileSync } from 'node:fs'
import { problemCodes } from '../platform/problemCodes.ts'
import { dossierService } from './service.ts'
import { packFolder, unpackFolder, unpackWhole } from './folderZip.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

const at = new Date('2026-05-01T08:00:00Z')

/** What the server says of a zip. */
async function brought(bytes: Buffer) {
  const response = await app.server.inject({
    method: 'POST',
    url: '/api/dossiers/folder',
    headers: { 'content-type': 'application/zip' },
    payload: bytes,
  })
  return { status: response.statusCode, body: response.json<unknown>() }
}

async function zipOf(kind: string, id: string): Promise<Buffer> {
  const response = await app.server.inject(`/api/dossiers/${kind}/${id}/folder.zip`)
  expect([response.statusCode, response.headers['content-type']]).toEqual([200, 'application/zip'])
  return response.rawPayload
}

/** The quad's folder with other files. */
async function gorseWith(change: (files: Map<string, string>) => void): Promise<Buffer> {
  const files = await unpackFolder(await zipOf('machine', 'pellick-gorse-430'))
  change(files)
  return packFolder('quad', files, at)
}

const inFile = (name: string, from: string | RegExp, to: string) => (files: Map<string, string>) => {
  const text = files.get(name) ?? ''
  const next = text.replace(from, to)
  expect(next).not.toBe(text)
  files.set(name, next)
}

describe('a zipped folder', () => {
  test('of everything that ships comes back as what is published already', async () => {
    const rows = (await app.ask('GET', '/api/dossiers')).body as { kind: string; id: string; version: number }[]
    expect(rows.length).toBeGreaterThan(20)
    for (const { kind, id, version } of rows) {
      const { status, body } = await brought(await zipOf(kind, id))
      expect([status, body]).toMatchObject([200, { next: null, beside: version, changes: [], document: { id } }])
    }
  })

  test('tells its changes, version by version', async () => {
    const files = await unpackFolder(await zipOf('machine', 'corvane-marlow-29'))
    expect(files.get('CHANGES.md')).toMatch(/^# Corvane Marlow 2\.9\n\n## Version 4\n/)
  })

  test('with other words is the next version, says what is otherwise, and is published as it is shown', async () => {
    const zip = await gorseWith(inFile('plugs.csv', 'Injector plug', 'Grey injector plug'))
    const { status, body } = await brought(zip)
    const read = body as { document: Machine; next: number; beside: number; changes: string[] }
    expect([status, read.next]).toEqual([200, read.beside + 1])
    expect(read.changes.join(' ')).toContain('Grey injector plug')
    const published = await app.ask('POST', '/api/dossiers', read.document)
    expect(published).toMatchObject({ status: 201, body: { id: 'pellick-gorse-430', version: read.next } })
    expect((await brought(zip)).body).toMatchObject({ next: null, beside: read.next })
  })

  test('as one JSON file says the same: known as it is, its next version with other words, and what is wrong by its path', async () => {
    const { document } = (await app.server.inject('/api/dossiers/kit/thistle-b2')).json<{
      document: Record<string, unknown>
    }>()
    const sent = async (value: unknown, before = '') =>
      brought(Buffer.from(before + (typeof value === 'string' ? value : JSON.stringify(value))))
    const { version } = document as { version: number }
    expect((await sent(document, '\uFEFF\n ')).body).toMatchObject({ next: null, beside: version, changes: [] })
    const other = { ...document, system: 'inline module of the yard' }
    const next = (await sent(other)).body as { document: unknown; next: number }
    expect(next).toMatchObject({ next: version + 1, document: { ...other, version: version + 1 } })
    expect(await sent({ ...document, terminators: 3 })).toMatchObject({
      status: 400,
      body: [{ code: 'no-port', path: 'terminators' }],
    })
    for (const [broken, code] of [
      ['{"kind": ', 'not-json'],
      ['{}', 'unknown-kind'],
      ['{"kind":"kit","__proto__":{"a":1}}', expect.any(String)],
    ])
      expect((await sent(broken)).body).toContainEqual(expect.objectContaining({ code }))
  })

  test('of a machine nobody knows is its first version', async () => {
    const { body } = await brought(await gorseWith(inFile('machine.yaml', /^id: .*$/m, 'id: somebodys-quad')))
    expect(body).toMatchObject({ next: 1, beside: null, document: { id: 'somebodys-quad', version: 1 } })
  })

  test('packed by hand, with what systems leave in it, is read the same', async () => {
    const files = await unpackFolder(await zipOf('machine', 'pellick-gorse-430'))
    const zip = new ZipFile()
    for (const [name, text] of files) zip.addBuffer(Buffer.from(text), `desk/quad/${name}`)
    zip.addBuffer(Buffer.from('x'), '__MACOSX/desk/quad/._machine.yaml')
    zip.addBuffer(Buffer.from('x'), 'desk/quad/.DS_Store')
    zip.end()
    expect(await brought(await buffer(zip.outputStream))).toMatchObject({
      status: 200,
      body: { document: { kind: 'machine' } },
    })
  })

  test.each([
    ['a figure that is none', inFile('wires.csv', /,0\.\d+\n/, ',thick\n'), 'wires.csv', '"thick" is no number.'],
    ['a column that is none', inFile('zones.csv', 'conditions', 'weather'), 'zones.csv', '"weather" is no column'],
    ['a wire to nowhere', inFile('wires.csv', /,stud:[a-z-]+,/, ',stud:the-moon,'), 'wires.csv', 'the-moon'],
    ['a step that is no list', inFile('steps.yaml', /^- id/, 'id'), 'steps.yaml', ''],
    [
      'a field of another file',
      (files: Map<string, string>) => files.set('machine.yaml', `${files.get('machine.yaml')}steps: []\n`),
      'machine.yaml',
      'stands in steps.yaml',
    ],
    [
      'a cell without end',
      inFile('circuits.csv', /\n([^,\n]+),[^,\n]+,/, `\n$1,${': 1'.repeat(20_000)},`),
      'circuits.csv',
      'signs in one cell',
    ],
    [
      'a file that is missing',
      (files: Map<string, string>) => files.delete('circuits.csv'),
      'circuits.csv',
      'There is no circuits.csv.',
    ],
    [
      'a file nobody reads',
      (files: Map<string, string>) => files.set('plug.csv', 'id\n'),
      'plug.csv',
      'plug.csv is no file of a machine',
    ],
  ])('%s is said with its file', async (_, change, file, says) => {
    const { status, body } = await brought(await gorseWith((files) => void change(files)))
    expect(status).toBe(422)
    const problems = body as { file?: string; line?: number; message: string }[]
    const said = problems.find((problem) => problem.file === file)
    expect(said?.message).toContain(says)
  })

  test('a cell is said with line and column', async () => {
    const { body } = await brought(
      await gorseWith(inFile('wires.csv', /^(.*\n.*\n[^,]*,[^,]*,[^,]*,[^,]*),[a-z/ ]+,/, '$1,tartan,')),
    )
    expect(body).toMatchObject([
      { file: 'wires.csv', line: 3, column: 5, message: expect.stringContaining('"tartan" is no colour') },
    ])
  })
})

describe('photos of a machine', () => {
  const jpeg = (width: number) =>
    sharp({ create: { width, height: 40, channels: 3, background: '#556' } })
      .jpeg()
      .toBuffer()
  const named = async (hash: string, bytes?: Buffer, machine = 'pellick-gorse-430') => {
    const files: Map<string, string | Buffer> = new Map(await unpackFolder(await zipOf('machine', machine)))
    const pins = machine === 'pellick-gorse-430' ? '[{ of: covers, id: seat, x: 0.5, y: 0.5 }]' : '[]'
    const photo = `{ photo: "${hash}", widthPx: 60, heightPx: 40, says: seat, pins: ${pins} }`
    files.set('machine.yaml', `${String(files.get('machine.yaml'))}photos: [${photo}]\n`)
    if (bytes) files.set(`photos/${hash}.jpg`, bytes)
    return packFolder('quad', files, at)
  }
  const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

  test('go with its folder, are kept as long as a version or draft names them, and come back out', async () => {
    const bytes = await jpeg(60)
    const hash = hashOf(bytes)
    const { status, body } = await brought(await named(hash, bytes))
    expect(status).toBe(200)
    const { document } = body as { document: Machine }
    expect((await app.server.inject(`/api/photos/${hash}`)).statusCode).toBe(200)
    expect(await dossierService(app.deps).photosNamed()).not.toContain(hash)
    await app.ask('PUT', '/api/drafts/with-photo', document)
    expect(await dossierService(app.deps).photosNamed()).toContain(hash)
    await app.ask('DELETE', '/api/drafts/with-photo')
    expect((await app.ask('POST', '/api/dossiers', document)).status).toBe(201)
    expect(await dossierService(app.deps).photosNamed()).toContain(hash)
    const zip = await zipOf('machine', 'pellick-gorse-430')
    expect((await unpackWhole(zip)).photos.get(hash)?.equals(bytes)).toBe(true)
    expect(await brought(zip)).toMatchObject({ status: 200, body: { next: null } })
  })

  test('that are other bytes, or none, are refused; one that is not in the zip is only not there', async () => {
    const bytes = await jpeg(61)
    expect((await brought(await named('b'.repeat(64), bytes, 'pellick-rime-790'))).status).toBe(422)
    const text = Buffer.from('no picture')
    expect((await brought(await named(hashOf(text), text, 'pellick-rime-790'))).status).toBe(422)
    expect((await brought(await named('c'.repeat(64), undefined, 'pellick-rime-790'))).status).toBe(200)
  })
})

describe('what is no folder of a dossier is refused in a sentence', () => {
  const file = (name: string, content: Buffer | string, mode = 0o100644) => ({ name, content, mode })
  const zipped = async (...files: { name: string; content: Buffer | string; mode: number }[]) => {
    const zip = new ZipFile()
    for (const { name, content, mode } of files)
      zip.addBuffer(Buffer.from(content), name, { mode, mtime: at, compress: true })
    zip.end()
    return buffer(zip.outputStream)
  }
  /** A name that no packer writes, put into the zip afterwards. */
  const renamed = (bytes: Buffer, from: string, to: string) =>
    Buffer.from(bytes.toString('latin1').replaceAll(from, to), 'latin1')

  test.each<[string, () => Promise<Buffer>, string]>([
    ['nothing of a zip', async () => Buffer.from('machine.yaml'), 'is no zip'],
    ['an empty zip', () => zipped(), 'holds no dossier'],
    ['two dossiers', () => zipped(file('a/kit.yaml', ''), file('b/machine.yaml', '')), 'holds 2 dossiers'],
    ['a way out of the folder', async () => renamed(await zipped(file('aa/machine.yaml', '')), 'aa/', '../'), 'no zip'],
    ['a way from the root', async () => renamed(await zipped(file('a/machine.yaml', '')), 'a/', '//'), 'no zip'],
    ['a link', () => zipped(file('kit.yaml', '/etc/passwd', 0o120777)), 'is a link'],
    ['a bomb', () => zipped(file('kit.yaml', Buffer.alloc(5_000_000, 32))), 'is larger than 4 MB'],
    [
      'many',
      () => zipped(...Array.from({ length: 401 }, (_, i) => file(`variants/${i}.yaml`, ''))),
      'more than 400 files',
    ],
    ['another encoding', () => zipped(file('kit.yaml', Buffer.from([0x6b, 0xe4, 0x73]))), 'no text in UTF-8'],
    ['a NUL', () => zipped(file('kit.yaml', 'kind: "\0"')), 'no text in UTF-8'],
    ['aliases upon aliases', () => zipped(file('kit.yaml', 'a: &a [x, x]\nb: &b [*a, *a]\nc: [*b, *b]\n')), 'aliases'],
    ['depth', () => zipped(file('kit.yaml', `a: ${'['.repeat(30_000)}`)), 'nested deeper'],
    ['dashes', () => zipped(file('kit.yaml', `${'- '.repeat(30_000)}x`)), 'nested deeper'],
    ['a tag', () => zipped(file('kit.yaml', 'a: !!js/function "x"\n')), 'tag'],
    [
      'names of everything',
      () => zipped(file('kit.yaml', '__proto__: { kind: kit }\nconstructor: 1\n')),
      'There is no loom.yaml',
    ],
  ])('%s', async (_, make, says) => {
    const { status, body } = await brought(await make())
    expect(status).toBe(422)
    expect(JSON.stringify(body)).toContain(says)
  })

  test('more than is taken is not read', async () => {
    expect((await brought(Buffer.alloc(17 * 1024 * 1024))).status).toBe(413)
    expect((await brought(Buffer.alloc(0))).status).toBe(400)
  })

  test('a hundred and fifty broken zips and folders are refused or read, and none is a fault of the server', async () => {
    const whole = await zipOf('machine', 'pellick-gorse-430')
    const files = [...(await unpackFolder(whole))]
    const brokenZip = fc
      .array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 12 })
      .map((bytes) => {
        const broken = Buffer.from(whole)
        for (const [place, byte] of bytes) broken[place] = byte
        return Promise.resolve(broken)
      })
    const cut = fc.nat(whole.length).map((end) => Promise.resolve(whole.subarray(0, end)))
    const piece = fc.oneof(
      fc.string({ unit: 'binary', maxLength: 30 }),
      fc.constantFrom(
        '"',
        '\n',
        ',,,',
        ': ',
        '- ',
        '{',
        '[',
        '&a ',
        '*a',
        '__proto__',
        '-1e999',
        'NaN',
        '\t',
        '\r',
        '%',
        '!!x',
      ),
    )
    const brokenText = fc
      .tuple(fc.nat(files.length - 1), fc.nat(100_000), fc.nat(200), piece)
      .map(([which, place, gone, put]) =>
        packFolder(
          'x',
          files.map(([name, text], i) => {
            const from = place % (text.length + 1)
            return [name, i === which ? text.slice(0, from) + put + text.slice(from + gone) : text] as const
          }),
          at,
        ),
      )
    const status = new Map<number, number>()
    await fc.assert(
      fc.asyncProperty(fc.oneof(brokenText, brokenText, brokenZip, cut), async (make) => {
        const answer = await brought(await make)
        status.set(answer.status, (status.get(answer.status) ?? 0) + 1)
        expect([200, 400, 422], JSON.stringify(answer.body).slice(0, 500)).toContain(answer.status)
      }),
      { numRuns: 150 },
    )
    expect(status.get(422)).toBeGreaterThan(100)
  })
})

test('whatever a document or a folder is refused for stands in the catalogue', () => {
  const codes = ['dossiers', 'dossier-files'].flatMap((room) => {
    const folder = new URL(`../../../core/src/${room}/`, import.meta.url)
    return readdirSync(folder)
      .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
      .flatMap((name) =>
        [...readFileSync(new URL(name, folder), 'utf8').matchAll(/(?:code: |\b(?:say|said)\(\s*)'([a-z-]+)'/g)].map(
          ([, code = '']) => code,
        ),
      )
  })
  expect(codes.length).toBeGreaterThan(60)
  expect(codes.filter((code) => !(code in problemCodes))).toEqual([])
})
