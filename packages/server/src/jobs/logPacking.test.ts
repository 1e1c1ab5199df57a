import { createHash } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { packLog, unpackLog } from './logPacking.ts'

const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

describe('logs in a job file', () => {
  test.each([
    ['a short one stays readable', Buffer.from('time,rpm\n0,1\n'), 'utf-8'],
    ['a long one is packed', Buffer.alloc(200_000, '1,'), 'gzip-base64'],
    ['one that is no UTF-8 is packed', Buffer.from([0xff, 0xfe, 0x41, 0]), 'gzip-base64'],
  ])('%s and comes back', (_, bytes, encoding) => {
    const packed = packLog(hashOf(bytes), bytes)
    expect(packed.encoding).toBe(encoding)
    expect(unpackLog(packed, 'logs.0')).toEqual(bytes)
  })

  test('what cannot be unpacked is refused by path', () => {
    const broken = { hash: '0'.repeat(64), encoding: 'gzip-base64' as const, data: 'AAAA' }
    expect(() => unpackLog(broken, 'logs.3')).toThrow('cannot be unpacked')
  })
})
