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
  /** The name came with pairing and is the device's; another is given by pairing anew. */
  bound: boolean
  /** Newer dossier versions that somebody looked at and left, by job and hash. */
  declinedVersions: string[]
  setTheme: (theme: Theme) => void
  setStrong: (strong: boolean) => void
  setPerson: (person: string, bound?: boolean) => void
  declineVersion: (key: string) => void
}

export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      theme: 'auto',
      strong: false,
      person: null,
      device: uuid().slice(0, 8),
      bound: false,
      declinedVersions: [],
      setTheme: (theme) => set({ theme }),
      setStrong: (strong) => set({ strong }),
      setPerson: (person, bound = false) => set({ person, bound }),
      declineVersion: (key) =>
        set(({ declinedVersions }) => ({ declinedVersions: [...declinedVersions, key].slice(-200) })),
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
