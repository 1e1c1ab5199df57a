import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'

/** Longest side kept, px. */
const longestSidePx = 1600
const quality = 0.82

export interface SmallPhoto {
  hash: string
  bytes: Blob
  widthPx: number
  heightPx: number
}

/**
 * A picture made anew, at most 1600 px long, as a JPEG: painting it leaves behind where and with what it was taken.
 * @throws with a sentence when the browser cannot read the picture
 */
export async function shrinkPhoto(file: Blob): Promise<SmallPhoto> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error('This file is no picture that the browser can read. Take it as JPEG or PNG.')
  })
  const share = Math.min(1, longestSidePx / Math.max(picture.width, picture.height))
  const widthPx = Math.max(1, Math.round(picture.width * share))
  const heightPx = Math.max(1, Math.round(picture.height * share))
  const canvas = document.createElement('canvas')
  canvas.width = widthPx
  canvas.height = heightPx
  canvas.getContext('2d')?.drawImage(picture, 0, 0, widthPx, heightPx)
  picture.close()
  const bytes = await new Promise<Blob>((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made smaller.'))),
      'image/jpeg',
      quality,
    ),
  )
  return { hash: bytesToHex(sha256(new Uint8Array(await bytes.arrayBuffer()))), bytes, widthPx, heightPx }
}
