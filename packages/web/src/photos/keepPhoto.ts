import type { PhotoPlace, PhotoShows } from '@tidy-badger/core/photos'
import type { EntryBody } from '@tidy-badger/core/jobs'
import { deviceStore } from '../platform/storage/deviceStore.ts'

/** Makes a photo small, keeps it on this device until it is sent, and gives the entry that tells of it. */
export async function keepPhoto(file: Blob, shows: PhotoShows, about: PhotoPlace): Promise<EntryBody> {
  const { hash, bytes, widthPx, heightPx } = await (await import('./shrinkPhoto.ts')).shrinkPhoto(file)
  const store = await deviceStore()
  await store.put('photos', bytes, hash)
  return { kind: 'photo', photo: hash, bytes: bytes.size, widthPx, heightPx, shows, handBack: shows === 'after', about }
}
