/**
 * Makes the documents that ship out of the folders under data/ and writes them as the app loads them. With --check it only says
 * whether that is in step; it fails where a folder is no dossier.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { sheetContradictions } from '../packages/core/src/dossiers/index.ts'
import { problemLine, readFolder } from '../packages/core/src/dossier-files/index.ts'
import { readFolderOf, shippedFolders } from './dossierFolders.ts'

const target = new URL('../packages/core/src/dossiers/shipped/compiled.ts', import.meta.url)

const faults: string[] = []
const documents = shippedFolders().flatMap(({ name, path, kind, id }) => {
  const read = readFolder(readFolderOf(path))
  const say = (fault: string) => faults.push(`data/${name}/${fault}`)
  if (!read.ok) {
    for (const problem of read.problems) say(problemLine(problem))
    return []
  }
  if (read.value.kind !== kind || read.value.id !== id)
    say(`: the folder of ${kind} "${id}" holds ${read.value.kind} "${read.value.id}"`)
  return [read.value]
})
const machines = documents.filter((document) => document.kind === 'machine')
for (const kit of documents)
  if (kit.kind === 'kit')
    for (const machine of machines)
      for (const { message } of sheetContradictions(kit, machine)) faults.push(`data/kits/${kit.id}: ${message}`)
if (faults.length > 0) {
  console.error(faults.join('\n'))
  process.exit(1)
}
const text = [
  '/** Made from the folders under data/ by `npm run dossiers`; change those. One document a line. */',
  'export const compiled: readonly string[] = [',
  ...documents.map((document) => `  ${JSON.stringify(JSON.stringify(document))},`),
  ']',
  '',
].join('\n')
if (!process.argv.includes('--check')) writeFileSync(target, text)
else if (readFileSync(target, 'utf8') !== text) {
  console.error('The shipped documents are not those of data/: run npm run dossiers.')
  process.exit(1)
}
console.log(`data/: ${documents.length} dossiers`)
