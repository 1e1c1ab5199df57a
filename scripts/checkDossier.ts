/** Says what is wrong with a folder or zip of a dossier, a line a problem: npm run check-dossier -- FOLDER [FOLDER …] */
import { readFileSync, statSync } from 'node:fs'
import { problemLine, readFolder } from '../packages/core/src/dossier-files/index.ts'
import { machineGaps, missingFrom } from '../packages/core/src/dossiers/index.ts'
import { unpackFolder } from '../packages/server/src/dossiers/folderZip.ts'
import { readFolderOf } from './dossierFolders.ts'

const places = process.argv.slice(2)
if (places.length === 0) {
  console.error('Which folder? npm run check-dossier -- FOLDER')
  process.exit(2)
}
let bad = 0
for (const place of places) {
  const said = await saidOf(place)
  for (const line of said.lines) (said.ok ? console.log : console.error)(`${place}: ${line}`)
  if (!said.ok) bad++
}
process.exit(bad > 0 ? 1 : 0)

async function saidOf(place: string): Promise<{ ok: boolean; lines: string[] }> {
  try {
    const files = statSync(place).isDirectory() ? readFolderOf(place) : await unpackFolder(readFileSync(place))
    const read = readFolder(files)
    if (!read.ok) return { ok: false, lines: read.problems.map(problemLine) }
    const document = read.value
    const gaps =
      document.kind === 'machine'
        ? [
            ...machineGaps(document).map(({ says }) => `gap: ${says}`),
            ...missingFrom(document).map(({ costs }) => `gap: ${costs}`),
          ]
        : []
    return { ok: true, lines: [`${document.maker} ${document.model}, version ${document.version}: in order`, ...gaps] }
  } catch (fault) {
    return { ok: false, lines: [fault instanceof Error ? fault.message : String(fault)] }
  }
}
