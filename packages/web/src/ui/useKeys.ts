import { useLayoutEffect, useRef } from 'react'

/** Whether single keys do anything; set from the preferences. */
export const singleKeys = { on: true }

/** Keys of a wireless clicker by what they do here: `Space`, the one next thing, or `n`, not like this; set from the preferences. */
export const clickerKeys = new Map<string, 'Space' | 'n'>()

/**
 * Runs actions on single keys, unless somebody is typing or a sheet is open. Space leaves focused buttons alone. `Undo` is Ctrl and Z,
 * or the same with the command key.
 */
export function useKeys(actions: Record<string, (() => void) | undefined>): void {
  const latest = useRef(actions)
  useLayoutEffect(() => {
    latest.current = actions
  })
  // With the paint, not after it: what is seen answers to its keys.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const clicked = clickerKeys.get(event.key)
      const back = (event.ctrlKey || event.metaKey) && !event.shiftKey && event.key.toLowerCase() === 'z'
      if (event.altKey || event.defaultPrevented || ((event.ctrlKey || event.metaKey) && !back)) return
      if (!singleKeys.on && !clicked && !back) return
      const target = event.target
      if (target instanceof HTMLElement) {
        if (target.closest('input, select, textarea, [role=dialog]')) return
        if (event.key === ' ' && target.closest('button, [role=button], [role=tab]')) return
        if (event.key === 'Enter' && target.closest('button, a, [role=button], [role=tab]')) return
      }
      const plain = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key
      const action = latest.current[back ? 'Undo' : (clicked ?? plain)]
      if (!action) return
      event.preventDefault()
      action()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
