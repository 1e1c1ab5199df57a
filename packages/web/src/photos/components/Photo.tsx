import { useEffect, useState } from 'react'
import { deviceStore } from '../../platform/storage/deviceStore.ts'

/** A photo, from this device while it is not yet sent, from the server after. Loaded when it comes into sight. */
export function Photo({ hash, alt, className = '' }: { hash: string; alt: string; className?: string }) {
  const [kept, setKept] = useState<{ hash: string; url: string | null } | null>(null)
  useEffect(() => {
    let url: string | null = null
    let gone = false
    void deviceStore()
      .then((store) => store.get('photos', hash))
      .then((bytes) => {
        if (gone) return
        url = bytes ? URL.createObjectURL(bytes) : null
        setKept({ hash, url })
      })
    return () => {
      gone = true
      if (url) URL.revokeObjectURL(url)
    }
  }, [hash])
  if (kept?.hash !== hash) return <span className={`block bg-line-soft ${className}`} />
  return (
    <img
      src={kept.url ?? `/api/photos/${hash}`}
      alt={alt}
      loading="lazy"
      decoding="async"
      className={`bg-line-soft object-cover ${className}`}
    />
  )
}
