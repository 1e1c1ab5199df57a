import { useEffect, useState } from 'react'
import { notice } from '../ui/notices.ts'
import type { View } from '@tidy-badger/core/drawing'
import { shrinkPhoto } from '../photos/index.ts'
import { deviceStore } from '../platform/storage/deviceStore.ts'

/** A picture of the machine kept on this device for one draft and view; it is not part of the document. */
export function useBackground(draft: string, view: View) {
  const [url, setUrl] = useState<string | null>(null)
  const key = `${draft} ${view}`
  useEffect(() => {
    let made: string | null = null
    let gone = false
    void deviceStore()
      .then((db) => db.get('backgrounds', key))
      .then((blob) => {
        if (gone) return
        made = blob ? URL.createObjectURL(blob) : null
        setUrl(made)
      })
    return () => {
      gone = true
      if (made) URL.revokeObjectURL(made)
    }
  }, [key])
  return {
    url,
    take: async (file: File) => {
      try {
        const { bytes } = await shrinkPhoto(file)
        await (await deviceStore()).put('backgrounds', bytes, key)
        setUrl(URL.createObjectURL(bytes))
      } catch (error) {
        notice.bad(error instanceof Error ? error.message : 'The picture could not be kept.')
      }
    },
    drop: async () => {
      await (await deviceStore()).delete('backgrounds', key)
      setUrl(null)
    },
  }
}
