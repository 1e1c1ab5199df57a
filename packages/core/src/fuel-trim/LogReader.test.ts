import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { LogReader, largestLogBytes, type ReadOptions } from './LogReader.ts'

const utf8 = (text: string) => new TextEncoder().encode(text)

function read(bytes: Uint8Array | string, options?: ReadOptions, chunk = 1 << 20) {
  const all = typeof bytes === 'string' ? utf8(bytes) : bytes
  const reader = new LogReader(options)
  for (let at = 0; at < all.length; at += chunk) if (!reader.push(all.subarray(at, at + chunk))) break
  return reader.finish()
}

function readWell(bytes: Uint8Array | string, options?: ReadOptions, chunk?: number) {
  const result = read(bytes, options, chunk)
  if (!result.ok) throw new Error(result.problems.map((problem) => problem.message).join(' '))
  return result.value
}

function problemsOf(bytes: Uint8Array | string, options?: ReadOptions) {
  const result = read(bytes, options)
  return result.ok ? [] : result.problems
}

const header = 'time,rpm,throttle,afr,coolant\n'

describe('dialects', () => {
  test('semicolons with decimal commas', () => {
    const log = readWell('Zeit (s);Drehzahl;Drosselklappe (%);AFR;Kühlmittel (°C)\n0,05;1500;3,5;14,2;71,0\n')
    expect([log.separator, log.decimal, log.rows]).toEqual([';', ',', 1])
    expect(log.values.throttle).toEqual(Float64Array.of(3.5))
    expect(log.columns.map((column) => column.unit)).toEqual(['s', undefined, '%', undefined, '°C'])
  })

  test('tabs, a byte-order mark, comment lines, and a row of units', () => {
    const log = readWell(
      '\uFEFF# ride 3\nname of logger\ntime\trpm\ttps\tlambda\n(ms)\t(1/min)\t(%)\t(λ)\n50\t1500\t3\t0.98\n',
    )
    expect(log.columns.map((column) => [column.role, column.unit])).toEqual([
      ['time', 'ms'],
      ['rpm', 'rpm'],
      ['throttle', '%'],
      ['afr', 'lambda'],
    ])
    expect(log.rows).toBe(1)
  })

  test('quoted fields may hold the decimal comma', () => {
    const log = readWell('"time","rpm","throttle","afr"\n"0,5","1500","3,5","14,2"\n')
    expect(log.values.afr).toEqual(Float64Array.of(14.2))
  })

  test.each(['utf-16le', 'utf-16be'] as const)('%s when marked', (encoding) => {
    const text = '\uFEFF' + header + '0,1500,3,14.2,71\n'
    const bytes = new Uint8Array(text.length * 2)
    for (let i = 0; i < text.length; i++) {
      bytes[2 * i + (encoding === 'utf-16le' ? 0 : 1)] = text.charCodeAt(i) & 255
      bytes[2 * i + (encoding === 'utf-16le' ? 1 : 0)] = text.charCodeAt(i) >> 8
    }
    expect(readWell(bytes, {}, 7)).toMatchObject({ encoding, rows: 1 })
  })

  test('clock times, exponents, extra columns and Latin-1 degrees', () => {
    const bytes = utf8('time,x,rpm,throttle,afr,coolant [?C]\n00:01:02.5,a,1.5e3,3,14.2,71\n')
    bytes[bytes.indexOf(63)] = 0xb0
    const log = readWell(bytes)
    expect([log.values.time?.[0], log.values.rpm?.[0], log.columns[4].unit]).toEqual([62.5, 1500, '°C'])
  })

  test('columns chosen by a person overrule the names', () => {
    const log = readWell('time,rpm,throttle,afr,afr2\n0,1500,3,14,13\n', { columns: { afr: 'afr2' } })
    expect(log.values.afr).toEqual(Float64Array.of(13))
  })
})

test('any figures survive writing and reading, whatever the chunks', () => {
  const row = fc.tuple(
    fc.integer({ min: 0, max: 20_000 }),
    fc.double({ min: 0, max: 100, noNaN: true }),
    fc.double({ min: -20, max: 30, noNaN: true }),
  )
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 40 }), fc.integer({ min: 1, max: 50 }), (rows, chunk) => {
      const text = header + rows.map(([rpm, load, afr], i) => `${i / 20},${rpm},${load},${afr},`).join('\r\n')
      const log = readWell(text, {}, chunk)
      expect(log.rows).toBe(rows.length)
      rows.forEach(([rpm, load, afr], i) => {
        expect(log.values.rpm?.[i]).toBe(rpm)
        expect(log.values.throttle?.[i]).toBeCloseTo(load, 12)
        expect(log.values.afr?.[i]).toBeCloseTo(afr, 12)
        expect(log.values.coolant?.[i]).toBeNaN()
      })
    }),
    { numRuns: 200 },
  )
})

describe('what is wrong is said with its place', () => {
  test('empty file, header alone, no header', () => {
    expect(problemsOf('')).toMatchObject([{ code: 'file-empty' }])
    expect(problemsOf(header)).toMatchObject([{ code: 'no-rows', message: 'The log has a header but no rows.' }])
    expect(problemsOf('hello\nworld\n')).toMatchObject([{ code: 'header-missing' }])
  })

  test('a missing column names what was found', () => {
    expect(problemsOf('time,rpm,throttle,mystery\n0,1,2,3\n')).toMatchObject([
      {
        code: 'column-missing',
        path: 'columns.afr',
        message:
          'No column for air-fuel ratio (AFR or lambda) was found. The header on line 1 names: time, rpm, throttle, mystery.',
      },
    ])
  })

  test.each([
    ['text', 'abc', '"abc" is not a number'],
    ['NaN', 'NaN', '"NaN" is not a number'],
    ['infinity', 'inf', '"inf" is not a number'],
    ['two points', '1.2.3', '"1.2.3" is not a number'],
  ])('%s in a number', (_, field, sentence) => {
    const [problem] = problemsOf(header + `0,1500,3,14.2,71\n0.05,1500,3,${field},71\n`)
    expect(problem).toMatchObject({ code: 'not-a-number', line: 3, column: 4 })
    expect(problem.message).toContain(sentence)
  })

  test('time running backwards', () => {
    expect(problemsOf(header + '5,1500,3,14,71\n4.9,1500,3,14,71\n')).toMatchObject([
      { code: 'time-runs-backwards', line: 3, column: 1 },
    ])
  })

  test('decimal commas between commas', () => {
    expect(problemsOf('time,rpm,throttle,afr\n0,05,1500,3,5,14,2\n')).toMatchObject([
      { code: 'too-many-fields', line: 2 },
    ])
  })

  test('a row that ends early', () => {
    expect(problemsOf(header + '0,1500,3\n0.1,1500,3,14,70\n')).toMatchObject([
      { code: 'field-missing', line: 2, column: 4 },
    ])
  })

  test('over 100 MB is refused while reading', () => {
    const reader = new LogReader()
    reader.push(utf8(header))
    const block = utf8('0,1500,3,14,71\n'.repeat(70_000))
    let sent = 0
    while (reader.push(block)) sent += block.length
    expect(sent).toBeLessThanOrEqual(largestLogBytes)
    expect(reader.finish()).toMatchObject({ ok: false, problems: [{ code: 'file-too-large' }] })
  })

  test('at most ten problems are listed', () => {
    expect(problemsOf(header + 'x,1,1,1,1\n'.repeat(500))).toHaveLength(10)
  })
})

describe('what a fitter may go on without', () => {
  test('rows that cannot be read are counted when the person says so', () => {
    const log = readWell(header + '0,1500,3,14,71\n0.1,1500,x,14,71\n0.2,1500,3,14,71\n', { dropUnreadable: true })
    expect([log.rows, log.unreadableRows]).toEqual([2, 1])
  })

  test('a last line cut off in the middle is counted, one merely without line end is read', () => {
    expect(readWell(header + '0,1500,3,14,71\n0.1,15')).toMatchObject({ rows: 1, unreadableRows: 1 })
    expect(readWell(header + '0,1500,3,14,71\n0.1,1500,3,14,72')).toMatchObject({ rows: 2, unreadableRows: 0 })
  })
})
