import type { FigureForm } from '@tidy-badger/core/shared'
import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { v4 as uuid } from 'uuid'

export type Theme = 'auto' | 'light' | 'dark'
export const textSizes = [100, 112, 125] as const
export type TextSize = (typeof textSizes)[number]
export const dateForms = ['d MMM yyyy', 'yyyy-MM-dd', 'MM/dd/yyyy'] as const
export type DateForm = (typeof dateForms)[number]

interface Preferences {
  theme: Theme
  strong: boolean
  /** How large everything is drawn, %. */
  size: TextSize
  /** Whether single keys do things. */
  keys: boolean
  /** Keys that a wireless clicker sends: for the next thing, and for not like this. */
  clicker: { next: string | null; other: string | null }
  dates: DateForm
  /** How figures are read. */
  figures: FigureForm
  /** Language that colours of wires are written in. */
  colours: string
  /** Name of the person at this device; null until it is picked. */
  person: string | null
  device: string
  /** The name came with pairing and is the device's; another is given by pairing anew. */
  bound: boolean
  /** Newer dossier versions that somebody looked at and left, by job and hash. */
  declinedVersions: string[]
  setTheme: (theme: Theme) => void
  setStrong: (strong: boolean) => void
  set: (change: Partial<Pick<Preferences, 'size' | 'keys' | 'clicker' | 'dates' | 'figures' | 'colours'>>) => void
  setPerson: (person: string, bound?: boolean) => void
  declineVersion: (key: string) => void
}

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      theme: 'auto',
      strong: false,
      size: 100,
      keys: true,
      clicker: { next: null, other: null },
      dates: 'd MMM yyyy',
      figures: { units: 'metric', decimals: 'point' },
      colours: 'en',
      person: null,
      device: uuid().slice(0, 8),
      bound: false,
      declinedVersions: [],
      setTheme: (theme) => set({ theme }),
      setStrong: (strong) => set({ strong }),
      set: (change) => set(change),
      setPerson: (person, bound = false) => set({ person, bound }),
      declineVersion: (key) =>
        set(({ declinedVersions }) => ({ declinedVersions: [...declinedVersions, key].slice(-200) })),
    }),
    { name: 'tidy-badger-preferences' },
  ),
)

/** Whether a theme is dark at this device now. */
export function isDark(theme: Theme): boolean {
  return theme === 'dark' || (theme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches)
}

/** Puts theme, contrast and size on the page. */
export function applyTheme(theme: Theme, strong: boolean, size: TextSize = usePreferences.getState().size): void {
  document.documentElement.classList.toggle('dark', isDark(theme))
  document.documentElement.classList.toggle('strong', strong)
  document.documentElement.style.zoom = size === 100 ? '' : String(size / 100)
}
