import { useKeptText } from './keptTexts.ts'

/** Several fields of one card, kept under one place until they are cleared. */
export function useKeptFields(place: string): {
  typed: Readonly<Record<string, string>>
  put: (name: string, text: string) => void
  /** Several at once, over what is there. */
  putAll: (texts: Readonly<Record<string, string>>) => void
  clear: () => void
} {
  const [kept, keep] = useKeptText(place)
  const typed: Record<string, string> = kept === '' ? {} : JSON.parse(kept)
  return {
    typed,
    put: (name, text) => keep(JSON.stringify({ ...typed, [name]: text })),
    putAll: (texts) => keep(JSON.stringify({ ...typed, ...texts })),
    clear: () => keep(''),
  }
}
