import { Refusal } from '../platform/errors.ts'

/** Largest photo taken in; the browser makes them much smaller. */
export const largestPhotoBytes = 4 * 1024 * 1024

/**
 * Makes sure that the bytes are a JPEG (ITU-T T.81) without a place or other traces of the device in it: Exif and XMP live
 * in APP1, IPTC in APP13.
 * @throws Refusal with what is wrong
 */
export function inspectPhoto(bytes: Buffer, path = ''): void {
  const refuse = (code: string, message: string) => new Refusal('unprocessable', { code, path, message })
  if (bytes.length < 4 || bytes.readUInt16BE(0) !== 0xffd8)
    throw refuse('not-a-photo', 'This is no JPEG. The browser makes one of any picture; send it from there.')
  for (let at = 2; at + 4 <= bytes.length;) {
    if (bytes[at] !== 0xff) throw refuse('not-a-photo', 'The JPEG is broken. Take the photo again.')
    const marker = bytes[at + 1]
    if (marker === 0xda || marker === 0xd9) return
    if (marker === 0xff || (marker >= 0xd0 && marker <= 0xd7)) {
      at += marker === 0xff ? 1 : 2
      continue
    }
    if (marker === 0xe1 || marker === 0xed)
      throw refuse(
        'photo-metadata',
        'The photo still carries where and with what it was taken. It is made anew in the browser; send it from there.',
      )
    at += 2 + bytes.readUInt16BE(at + 2)
  }
  throw refuse('not-a-photo', 'The JPEG ends too early. Take the photo again.')
}
