import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import { v4 as uuid } from 'uuid'

export type Theme = 'auto' | 'light' | 'dark'

interface Preferences {
  theme: Theme
  strong: boolean
  /** Name of the person at this device; null until it is picked. */
  person: string | null
  device: string
  setTheme: (theme: Theme) => void
  setStrong: (strong: boolean) => void
  setPerson: (person: string) => void
}

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      theme: 'auto',
      strong: false,
      person: null,
      device: uuid().slice(0, 8),
      setTheme: (theme) => set({ theme }),
      setStrong: (strong) => set({ strong }),
      setPerson: (person) => set({ person }),
    }),
    { name: 'tidy-badger-preferences' },
  ),
)

/** Puts theme and contrast on the page. */
export function applyTheme(theme: Theme, strong: boolean): void {
  const dark = theme === 'dark' || (theme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches)
  document.documentElement.classList.toggle('dark', dark)
  document.documentElement.classList.toggle('strong', strong)
}
