import type { DossierPhoto } from '@tidy-badger/core/dossiers'
import { putBytes } from '../platform/api/http.ts'
import { shrinkPhoto } from '../photos/index.ts'

/** Makes a picture small and gives it to the server, which knows it by its bytes. @throws with a sentence when either cannot be done */
export async function keepDossierPhoto(file: File): Promise<Omit<DossierPhoto, 'pins'>> {
  const { hash, bytes, widthPx, heightPx } = await shrinkPhoto(file)
  await putBytes(`/api/photos/${hash}`, bytes)
  return { photo: hash, widthPx, heightPx, says: file.name.replace(/\.\w+$/, '').slice(0, 80) || 'photo' }
}
