import { refusal } from '../platform/errors.ts'

/** Loaded with the first photo: a start is quicker without it. */
const drawing = async () => (await import('sharp')).default

/** Largest photo taken in; the browser makes them much smaller. */
export const largestPhotoBytes = 4 * 1024 * 1024
/** More pixels than any tablet's camera has, and what can be drawn without filling the memory. */
export const largestPhotoPixels = 40_000_000

/**
 * Makes sure that the bytes are a JPEG (ITU-T T.81) that can be drawn and says nothing of the device that took it.
 * Exif and XMP of the picture itself (APP1) and IPTC (APP13) are refused: without the way up they say, the picture would lie
 * on its side. What else may hold them is taken out: other APPn segments but JFIF, a colour profile and Adobe's, comments, and
 * whatever follows the end of the picture (a second one inside, for instance).
 * @returns the same bytes where nothing had to go
 * @throws Refusal with what is wrong
 */
export async function inspectPhoto(bytes: Buffer, path = ''): Promise<Buffer> {
  const kept = withoutTraces(bytes, path)
  const sharp = await drawing()
  try {
    const { format, width, height } = await sharp(kept, { limitInputPixels: largestPhotoPixels }).metadata()
    if (format !== 'jpeg' || !width || !height) throw new Error('no JPEG')
    // Decodes every line; half a picture is an error.
    await sharp(kept, { limitInputPixels: largestPhotoPixels, failOn: 'truncated' })
      .resize(8, 8, { fit: 'fill' })
      .toBuffer()
  } catch (error) {
    if (error instanceof Error && /pixel limit/i.test(error.message))
      throw refusal(
        'unprocessable',
        'photo-too-large',
        `The photo has more than ${largestPhotoPixels / 1e6} million pixels. It is made smaller in the browser; send it from there.`,
        path,
      )
    throw refusal('unprocessable', 'not-a-photo', 'The JPEG cannot be drawn. Take the photo again.', path)
  }
  return kept
}

const jpegStart = 0xffd8
const startOfScan = 0xda
const endOfImage = 0xd9

function withoutTraces(bytes: Buffer, path: string): Buffer {
  const broken = (why: string) => refusal('unprocessable', 'not-a-photo', why, path)
  if (bytes.length < 4 || bytes.readUInt16BE(0) !== jpegStart)
    throw broken('This is no JPEG. The browser makes one of any picture; send it from there.')
  const parts: Buffer[] = [bytes.subarray(0, 2)]
  let at = 2
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) throw broken('The JPEG is broken. Take the photo again.')
    const marker = bytes[at + 1]
    if (marker === 0xff) {
      at += 1
      continue
    }
    if (marker === endOfImage) break
    const standsAlone = marker === 0x01 || (marker >= 0xd0 && marker <= 0xd7)
    const end = standsAlone ? at + 2 : at + 2 + bytes.readUInt16BE(at + 2)
    if (end > bytes.length) throw broken('The JPEG ends too early. Take the photo again.')
    const segment = bytes.subarray(at, end)
    if (marker === 0xe1 || marker === 0xed)
      throw refusal(
        'unprocessable',
        'photo-metadata',
        'The photo still carries where and with what it was taken. It is made anew in the browser; send it from there.',
        path,
      )
    if (marker === startOfScan) {
      const scanEnd = endOfScan(bytes, end)
      if (scanEnd === null) throw broken('The JPEG ends too early. Take the photo again.')
      parts.push(bytes.subarray(at, scanEnd))
      at = scanEnd
      continue
    }
    if (isHarmless(marker, segment)) parts.push(segment)
    at = end
  }
  if (at + 2 > bytes.length) throw broken('The JPEG ends too early. Take the photo again.')
  const kept = Buffer.concat([...parts, Buffer.from([0xff, endOfImage])])
  return kept.equals(bytes) ? bytes : kept
}

/** Where the compressed lines of a scan end: at the next marker that is neither a stuffed byte nor a restart. */
function endOfScan(bytes: Buffer, from: number): number | null {
  for (let at = bytes.indexOf(0xff, from); at >= 0 && at + 1 < bytes.length; at = bytes.indexOf(0xff, at + 1)) {
    const marker = bytes[at + 1]
    if (marker !== 0x00 && marker !== 0xff && !(marker >= 0xd0 && marker <= 0xd7)) return at
  }
  return null
}

/** Tables and frames of the picture; of what programs add, JFIF, a colour profile and Adobe's colour note. */
function isHarmless(marker: number, segment: Buffer): boolean {
  const says = (text: string) => segment.subarray(4, 4 + text.length).toString('latin1') === text
  if (marker === 0xe0) return says('JFIF\0')
  if (marker === 0xe2) return says('ICC_PROFILE\0')
  if (marker === 0xee) return says('Adobe')
  const isAppOrComment = (marker >= 0xe0 && marker <= 0xef) || marker === 0xfe
  return !isAppOrComment
}

/**
 * A photo as papers take it: baseline, in sRGB, no wider than it is printed.
 * @returns null when it cannot be drawn
 */
export async function photoForPaper(bytes: Buffer, widthPx = 1200): Promise<Buffer | null> {
  const sharp = await drawing()
  try {
    return await sharp(bytes, { limitInputPixels: largestPhotoPixels })
      .resize({ width: widthPx, withoutEnlargement: true })
      .toColourspace('srgb')
      .jpeg({ quality: 82, progressive: false })
      .toBuffer()
  } catch {
    return null
  }
}
