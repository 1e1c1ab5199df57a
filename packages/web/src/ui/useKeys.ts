import { useLayoutEffect, useRef } from 'react'

/** Whether single keys do anything; set from the preferences. */
export const singleKeys = { on: true }

/** Runs actions on single keys, unless somebody is typing or a sheet is open. Space leaves focused buttons alone. */
export function useKeys(actions: Record<string, (() => void) | undefined>): void {
  const latest = useRef(actions)
  useLayoutEffect(() => {
    latest.current = actions
  })
  // With the paint, not after it: what is seen answers to its keys.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || !singleKeys.on) return
      const target = event.target
      if (target instanceof HTMLElement) {
        if (target.closest('input, select, textarea, [role=dialog]')) return
        if (event.key === ' ' && target.closest('button, [role=button], [role=tab]')) return
        if (event.key === 'Enter' && target.closest('button, a, [role=button], [role=tab]')) return
      }
      const action =
        latest.current[event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key]
      if (!action) return
      event.preventDefault()
      action()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}
