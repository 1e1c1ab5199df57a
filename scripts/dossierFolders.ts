/** Folders of dossiers on disk. */
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'

const data = fileURLToPath(new URL('../data', import.meta.url))

/** The texts of a folder's files, its photos left out, by their names within it. @throws where one is no UTF-8 */
export function readFolderOf(path: string): Map<string, string> {
  const decoder = new TextDecoder('utf-8', { fatal: true })
  return new Map(
    readdirSync(path, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && !entry.name.startsWith('.') && !entry.name.endsWith('.jpg'))
      .map((entry) => join(entry.parentPath, entry.name))
      .sort()
      .map((file) => [relative(path, file).split(sep).join('/'), decoder.decode(readFileSync(file))]),
  )
}

/** The folders of what ships: machines, then kits, by their ids. */
export function shippedFolders(): { name: string; path: string; kind: 'machine' | 'kit'; id: string }[] {
  return (['machine', 'kit'] as const).flatMap((kind) =>
    readdirSync(join(data, `${kind}s`), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => entry.name)
      .sort()
      .map((id) => ({ name: `${kind}s/${id}`, path: join(data, `${kind}s`, id), kind, id })),
  )
}
