import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

/** Where the database's own files lie. */
export const databaseFiles = (): string => dirname(createRequire(import.meta.url).resolve('@electric-sql/pglite'))

let compiled: Promise<WebAssembly.Module> | undefined

/** The database's own code, compiled beside whatever else is read at a start: asked for first, it is there when the store is opened. */
export function earlyModule(): Promise<WebAssembly.Module> {
  return (compiled ??= compile())
}

async function compile(): Promise<WebAssembly.Module> {
  return WebAssembly.compile(await readFile(join(databaseFiles(), 'pglite.wasm')))
}
