import type { Page } from '@playwright/test'

/** A picture with a place in it: a JPEG made by the browser, with Exif put in front of it. */
export async function pictureWithPlace(page: Page, width: number, height: number): Promise<Buffer> {
  const made = await page.evaluate(
    async ([w, h]) => {
      const canvas = document.createElement('canvas')
      canvas.width = w
      canvas.height = h
      const paint = canvas.getContext('2d')
      if (paint) {
        paint.fillStyle = '#2b6a4a'
        paint.fillRect(0, 0, w, h)
        paint.fillStyle = '#f0a500'
        paint.fillRect(w / 4, h / 4, w / 2, h / 2)
      }
      return canvas.toDataURL('image/jpeg', 0.9)
    },
    [width, height] as const,
  )
  const jpeg = Buffer.from(made.split(',')[1], 'base64')
  const exif = Buffer.from('Exif\0\0MM\0*\0\0\0\x08GPSLatitude 46.1', 'latin1')
  const head = Buffer.from([0xff, 0xe1, 0, exif.length + 2])
  return Buffer.concat([jpeg.subarray(0, 2), head, exif, jpeg.subarray(2)])
}
