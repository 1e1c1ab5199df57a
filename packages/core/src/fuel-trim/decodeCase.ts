/** Text as UTF-16 bytes, for tests. */
export function decodeCase(text: string, encoding: 'utf-16le' | 'utf-16be'): Uint8Array {
  const bytes = new Uint8Array(text.length * 2)
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i)
    bytes[2 * i + (encoding === 'utf-16le' ? 0 : 1)] = unit & 255
    bytes[2 * i + (encoding === 'utf-16le' ? 1 : 0)] = unit >> 8
  }
  return bytes
}
