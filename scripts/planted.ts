import { rmSync, writeFileSync } from 'node:fs'

/** Does a piece of work while violations stand among the sources, and takes them away whatever becomes of it. */
export async function withPlanted<T>(
  files: readonly { path: string; text: string }[],
  work: () => T | Promise<T>,
): Promise<T> {
  try {
    for (const { path, text } of files) writeFileSync(path, `${text}\n`)
    return await work()
  } finally {
    for (const { path } of files) rmSync(path, { force: true })
  }
}
