import { build } from 'esbuild'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Plugin } from 'vite'

const worker = fileURLToPath(new URL('src/platform/serviceWorker.ts', import.meta.url))
const kept = /\.(js|css|html|svg|woff2)$/
const revisionOf = (content: string | Uint8Array) => createHash('md5').update(content).digest('hex')

/** The service worker with the list of all files of the app, and the app's manifest: it can be installed, and works without a link. */
export function offline(manifest: { name: string; [more: string]: unknown }): Plugin {
  const text = JSON.stringify({ start_url: '/', scope: '/', lang: 'en', ...manifest })
  let publicFolder = ''
  return {
    name: 'offline',
    apply: 'build',
    enforce: 'post',
    configResolved: (config) => {
      publicFolder = config.publicDir
    },
    transformIndexHtml: () => [
      { tag: 'link', attrs: { rel: 'manifest', href: '/manifest.webmanifest' }, injectTo: 'head' as const },
    ],
    generateBundle: {
      order: 'post',
      async handler(_, bundle) {
        // What has its hash in its name needs no other sign of what it is.
        const made = Object.values(bundle).map((file) => ({
          url: file.fileName,
          revision: file.fileName.startsWith('assets/')
            ? null
            : revisionOf(file.type === 'chunk' ? file.code : file.source),
        }))
        const copied = readdirSync(publicFolder).map((name) => ({
          url: name,
          revision: revisionOf(readFileSync(join(publicFolder, name))),
        }))
        const files = [...made, ...copied].filter(({ url }) => kept.test(url))
        if (!files.some(({ url }) => url === 'index.html')) throw new Error('offline: the page was not among its files')
        const { outputFiles } = await build({
          entryPoints: [worker],
          write: false,
          bundle: true,
          minify: true,
          format: 'iife',
          target: 'es2022',
          define: {
            'process.env.NODE_ENV': '"production"',
            filesOfApp: JSON.stringify([...files, { url: 'manifest.webmanifest', revision: revisionOf(text) }]),
          },
        })
        for (const { contents } of outputFiles) this.emitFile({ type: 'asset', fileName: 'sw.js', source: contents })
        this.emitFile({ type: 'asset', fileName: 'manifest.webmanifest', source: text })
      },
    },
  }
}
