import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import canonicalize from 'canonicalize'

/** SHA-256 of bytes as 64 hex digits. */
export function sha256Hex(bytes: Uint8Array): string {
  return bytesToHex(sha256(bytes))
}

/** SHA-256 of a JSON value in canonical form (RFC 8785): the same content has the same hash whatever its key order. */
export function contentHash(value: unknown): string {
  const text = canonicalize(value)
  if (text === undefined) throw new Error('shared: only a JSON value can be hashed')
  return sha256Hex(utf8ToBytes(text))
}
