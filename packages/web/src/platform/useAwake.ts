import { useEffect } from 'react'

/** Keeps the screen on while this is shown, where the browser allows it: hands that hold a plug cannot wake a tablet. */
export function useAwake(): void {
  useEffect(() => {
    if (!('wakeLock' in navigator)) return
    let ended = false
    let lock: WakeLockSentinel | null = null
    const hold = async () => {
      if (document.visibilityState !== 'visible') return
      // Refused with little charge left, or without a secure address: the screen then does as it always did.
      const held = await navigator.wakeLock.request('screen').catch(() => null)
      if (ended) await held?.release()
      else lock = held
    }
    void hold()
    const seen = () => void hold()
    document.addEventListener('visibilitychange', seen)
    return () => {
      ended = true
      document.removeEventListener('visibilitychange', seen)
      void lock?.release()
    }
  }, [])
}
