export type LogEncoding = 'utf-8' | 'utf-16le' | 'utf-16be'

/** Encoding by byte-order mark; without one it is read as UTF-8. */
export function sniffEncoding(bytes: Uint8Array): { encoding: LogEncoding; markBytes: number } {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { encoding: 'utf-16le', markBytes: 2 }
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { encoding: 'utf-16be', markBytes: 2 }
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return { encoding: 'utf-8', markBytes: 3 }
  return { encoding: 'utf-8', markBytes: 0 }
}

/** UTF-16 code units as UTF-8 bytes. Characters outside the basic plane, which no log needs, become '?'. */
export function utf16ToUtf8(bytes: Uint8Array, encoding: 'utf-16le' | 'utf-16be'): Uint8Array {
  const high = encoding === 'utf-16le' ? 1 : 0
  const out = new Uint8Array((bytes.length >> 1) * 3)
  let at = 0
  for (let i = 0; i + 1 < bytes.length; i += 2) {
    const unit = (bytes[i + high] << 8) | bytes[i + 1 - high]
    if (unit < 0x80) out[at++] = unit
    else if (unit < 0x800) {
      out[at++] = 0xc0 | (unit >> 6)
      out[at++] = 0x80 | (unit & 63)
    } else if (unit >= 0xd800 && unit < 0xe000) {
      if (unit < 0xdc00) out[at++] = 63
    } else {
      out[at++] = 0xe0 | (unit >> 12)
      out[at++] = 0x80 | ((unit >> 6) & 63)
      out[at++] = 0x80 | (unit & 63)
    }
  }
  return out.subarray(0, at)
}

/** Text of UTF-8 bytes; a byte that is no UTF-8 is read as Latin-1, as old loggers write their degree signs. */
export function textOf(bytes: Uint8Array): string {
  let text = ''
  for (let i = 0; i < bytes.length;) {
    const lead = bytes[i]
    const more = lead < 0x80 ? 0 : lead >= 0xc2 && lead < 0xe0 ? 1 : lead >= 0xe0 && lead < 0xf0 ? 2 : -1
    let point = more === 1 ? lead & 31 : more === 2 ? lead & 15 : lead
    let valid = more >= 0
    for (let j = 1; j <= more; j++) {
      const next = bytes[i + j]
      if (next === undefined || (next & 0xc0) !== 0x80) valid = false
      else point = (point << 6) | (next & 63)
    }
    text += String.fromCharCode(valid ? point : lead)
    i += valid ? 1 + more : 1
  }
  return text
}
