import { createHash } from 'node:crypto'
import { gunzipSync, gzipSync } from 'node:zlib'
import { largestLogBytes } from '@tidy-badger/core/fuel-trim'
import type { JobFile } from '@tidy-badger/core/jobs'
import { inspectPhoto } from '../photos/index.ts'
import { Refusal } from '../platform/errors.ts'

/** Logs up to this size stay readable in the job file; larger ones, and those that are no UTF-8, are packed. */
const plainBytes = 64 * 1024

type PackedLog = JobFile['logs'][number]

export function packLog(hash: string, bytes: Buffer): PackedLog {
  const text = bytes.toString('utf-8')
  if (bytes.length <= plainBytes && Buffer.from(text, 'utf-8').equals(bytes))
    return { hash, encoding: 'utf-8', data: text }
  return { hash, encoding: 'gzip-base64', data: gzipSync(bytes).toString('base64') }
}

/** @throws Refusal when it cannot be unpacked or is not the log it says it is */
export function unpackLog(log: PackedLog, path: string): Buffer {
  const bytes = unpacked(log, path)
  if (createHash('sha256').update(bytes).digest('hex') !== log.hash)
    throw new Refusal('unprocessable', {
      code: 'hash-mismatch',
      path: `${path}.hash`,
      message: 'The log was changed since it was written: its hash does not fit.',
    })
  return bytes
}

function unpacked(log: PackedLog, path: string): Buffer {
  if (log.encoding === 'utf-8') return Buffer.from(log.data, 'utf-8')
  try {
    return gunzipSync(Buffer.from(log.data, 'base64'), { maxOutputLength: largestLogBytes })
  } catch {
    throw new Refusal('unprocessable', {
      code: 'log-unreadable',
      path: `${path}.data`,
      message: 'The log in the file cannot be unpacked.',
    })
  }
}

/** @throws Refusal when it is not the photo it says it is, or still says where it was taken */
export function unpackPhoto(photo: { hash: string; data: string }, path: string): Buffer {
  const bytes = Buffer.from(photo.data, 'base64')
  if (createHash('sha256').update(bytes).digest('hex') !== photo.hash)
    throw new Refusal('unprocessable', {
      code: 'hash-mismatch',
      path: `${path}.hash`,
      message: 'The photo was changed since it was written: its hash does not fit.',
    })
  inspectPhoto(bytes, `${path}.data`)
  return bytes
}
