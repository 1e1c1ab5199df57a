/** What every station of a job loads beside its own. */
const ofJob = 'src/app/JobRoom.tsx'

/** Modules that the address of a page loads, of each page there is. */
export const pageModules = {
  yard: ['src/jobs/YardPage.tsx'],
  'a new job': ['src/jobs/NewJobPage.tsx'],
  'take in': [ofJob, 'src/access/TakeInPage.tsx'],
  'check kit': [ofJob, 'src/access/CheckKitPage.tsx'],
  'open up': [ofJob, 'src/access/WorkPage.tsx'],
  'lay loom': [ofJob, 'src/routing/index.ts'],
  'hook up': [ofJob, 'src/wiring/HookUpPage.tsx'],
  'set up': [ofJob, 'src/access/SetUpPage.tsx'],
  trim: [ofJob, 'src/fuel-trim/index.ts'],
  'hand back': [ofJob, 'src/handover/index.ts'],
  'machines and kits': ['src/dossiers/index.ts'],
  'on file': ['src/vehicles/index.ts'],
  devices: ['src/pairing/index.ts'],
  backup: ['src/backup/index.ts'],
  settings: ['src/app/SettingsPage.tsx'],
}

export type PageName = keyof typeof pageModules

interface Chunk {
  file: string
  imports?: string[]
}
export type Manifest = Record<string, Chunk>

/** The name a module's chunk has in the build's manifest. @throws where the build has none */
export function chunkName(manifest: Manifest, module: string): string {
  // A page that others import as well stands under its chunk's own name.
  const shared = `_${module.replace(/^.*\/(\w+)\.tsx?$/, '$1')}-`
  const name = module in manifest ? module : Object.keys(manifest).find((key) => key.startsWith(shared))
  if (name === undefined) throw new Error(`bundle: the build has no "${module}"`)
  return name
}

/** Names of the chunks that modules load before they run. */
export function chunksLoaded(manifest: Manifest, modules: readonly string[]): Set<string> {
  const names = new Set<string>()
  const add = (module: string) => {
    const name = chunkName(manifest, module)
    if (names.has(name)) return
    names.add(name)
    manifest[name]?.imports?.forEach(add)
  }
  modules.forEach(add)
  return names
}
