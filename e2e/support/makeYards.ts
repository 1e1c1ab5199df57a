import { existsSync } from 'node:fs'
import { cp, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { runApp } from './runApp.ts'

/** Makes a new yard and a demo yard in a folder, unless they are there. */
export async function makeYards(folder: string): Promise<{ bare: string; demo: string }> {
  const [bare, demo, whole] = [join(folder, 'new'), join(folder, 'demo'), join(folder, 'whole')]
  if (existsSync(whole)) return { bare, demo }
  await (await runApp({ folder: bare, brief: true })).end()
  await cp(bare, demo, { recursive: true })
  await (await runApp({ demo: true, folder: demo })).end()
  await writeFile(whole, '')
  return { bare, demo }
}

// Called by itself with a folder: ahead of the tests, while something else is checked.
if (process.argv[1]?.endsWith('makeYards.ts') && process.argv[2] !== undefined) await makeYards(process.argv[2])
