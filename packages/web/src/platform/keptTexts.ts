import { useCallback } from 'react'
import { create } from 'zustand'
import { persist } from 'zustand/middleware'

interface KeptTexts {
  /** What was typed and is not written down yet, by place. */
  texts: Record<string, string>
  keep: (place: string, text: string) => void
}

/** Typed text lives on this device until it is an entry: a reload, a question in between or a look elsewhere loses nothing. */
export const useKeptTexts = create<KeptTexts>()(
  persist(
    (set) => ({
      texts: {},
      keep: (place, text) =>
        set(({ texts }) => {
          const { [place]: _before, ...others } = texts
          return { texts: text === '' ? others : { ...others, [place]: text } }
        }),
    }),
    { name: 'tidy-badger-typed' },
  ),
)

/**
 * A field's text, kept under a place (`job/x/note`) until it is cleared with ''.
 * @returns the text and a setter, as `useState` does
 */
export function useKeptText(place: string): [string, (text: string) => void] {
  const text = useKeptTexts((state) => state.texts[place] ?? '')
  const keep = useKeptTexts((state) => state.keep)
  return [text, useCallback((next: string) => keep(place, next), [keep, place])]
}

/** What stands at a place right now. */
export function keptText(place: string): string {
  return useKeptTexts.getState().texts[place] ?? ''
}

/** How many texts are typed and not written down, of places that begin so. */
export function useTypedCount(under: string): number {
  return useKeptTexts((state) => Object.keys(state.texts).filter((place) => place.startsWith(under)).length)
}
