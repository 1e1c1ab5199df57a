import { readFileSync } from 'node:fs'
import type { Plugin } from 'vite'

/** Faces the first view is written in. */
const firstFaces = /(^|\/)src\/app\/faces\/[^/]+\.woff2$/

/** Styles and the theme stand in the page itself, and its faces are asked for with it: the first view waits for nothing but its script. */
export function pageHead(): Plugin {
  return {
    name: 'page-head',
    apply: 'build',
    transformIndexHtml: {
      order: 'post',
      handler(html, { bundle }) {
        const files = Object.values(bundle ?? {})
        const faces = files.filter(
          (file) => file.type === 'asset' && file.originalFileNames.some((name) => firstFaces.test(name)),
        )
        if (faces.length !== 3) throw new Error(`page: expected three faces, found ${faces.length}`)
        const preloads = faces.map(({ fileName }) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: true, href: `/${fileName}` },
          injectTo: 'head' as const,
        }))
        // What the start of the page asks for once it is painted is fetched with it.
        const chunks = files.flatMap((file) => (file.type === 'chunk' ? [file] : []))
        const main = chunks.find(({ facadeModuleId }) => facadeModuleId?.endsWith('src/app/main.tsx'))
        if (!main) throw new Error('page: its main script was not found')
        const wanted = new Set<string>()
        const want = (name: string) => {
          if (wanted.has(name)) return
          wanted.add(name)
          chunks.find(({ fileName }) => fileName === name)?.imports.forEach(want)
        }
        want(main.fileName)
        const scripts = [...wanted].map((name) => ({
          tag: 'link',
          // What is seen first needs no script: it is painted before them.
          attrs: { rel: 'modulepreload', crossorigin: true, fetchpriority: 'low', href: `/${name}` },
          injectTo: 'head' as const,
        }))
        const inline = html.replace(/<link rel="stylesheet"[^>]*href="\/([^"]+)"[^>]*>/g, (link, name) => {
          const sheet = bundle?.[String(name)]
          // The link stays, switched off: rooms that come later see by it that their styles are here.
          const off = `<link rel="stylesheet" disabled href="/${String(name)}">`
          return sheet?.type === 'asset' ? `<style>${String(sheet.source)}</style>${off}` : link
        })
        const theme = readFileSync(new URL('public/theme.js', import.meta.url), 'utf8')
        const themed = inline.replace('<script src="/theme.js"></script>', () => `<script>${theme}</script>`)
        if (themed === inline) throw new Error('page: the theme was not found to put into it')
        if (inline === html) throw new Error('page: no styles were found to put into it')
        return { html: themed, tags: [...preloads, ...scripts] }
      },
    },
  }
}
