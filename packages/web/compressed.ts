import { readdir, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { brotliCompress, gzip } from 'node:zlib'
import type { Plugin } from 'vite'

const kinds = [
  ['.br', promisify(brotliCompress)],
  ['.gz', (content: Buffer) => promisify(gzip)(content, { level: 9 })],
] as const
const worthIt = /\.(js|css|html|svg)$/
/** Below this a compressed file saves no packet, bytes. */
const least = 200

/** Files are compressed once, as they lie there when all is written: the server only hands them out. */
export function compressed(): Plugin {
  return {
    name: 'compressed',
    apply: 'build',
    enforce: 'post',
    writeBundle: {
      order: 'post',
      async handler({ dir = '' }) {
        const names = (await readdir(dir, { recursive: true })).filter((name) => worthIt.test(name))
        await Promise.all(
          names.map(async (name) => {
            const content = await readFile(join(dir, name))
            if (content.length < least) return
            for (const [ending, squeeze] of kinds) {
              const small = await squeeze(content)
              if (small.length < content.length) await writeFile(join(dir, name + ending), small)
            }
          }),
        )
      },
    },
  }
}
