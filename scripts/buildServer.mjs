// Puts the server into a few plain JavaScript files, packages/server/dist: it starts without reading TypeScript, and so do its threads.
import { build } from 'esbuild'
import { existsSync } from 'node:fs'
import { readdir, readFile, rm } from 'node:fs/promises'
import { dirname, join, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))
const source = join(root, 'packages/server/src')
const core = join(root, 'packages/core/src')
const out = join(root, 'packages/server/dist')

/** `jobs/worker.ts` is `jobs.worker.js`: all files lie in one folder, so that an address is right from each of them. */
const nameOf = (file) =>
  relative(source, file)
    .replace(/\.(ts|mjs)$/, '')
    .replaceAll('/', '.')

/** Packages that find files of their own beside them. */
const apart = /^(sharp|@electric-sql\/pglite|piscina|pdfmake|@fastify\/swagger-ui|@fontsource\/.*|tsx|fsevents)(\/|$)/

const ours = {
  name: 'ours',
  setup({ onLoad, onResolve }) {
    // The core is built in, what comes from the registry is not.
    onResolve({ filter: /^@tidy-badger\/core\// }, ({ path }) => {
      const room = path.slice('@tidy-badger/core/'.length)
      return { path: join(core, room === 'fuel-trim/compute' ? `${room}.ts` : `${room}/index.ts`) }
    })
    onResolve({ filter: apart }, ({ kind, path }) => (kind === 'entry-point' ? undefined : { path, external: true }))
    onLoad({ filter: /packages\/server\/src\/.*\.ts$/ }, async ({ path }) => {
      const text = await readFile(path, 'utf8')
      const contents = text.replaceAll(/new URL\('([^']+)', import\.meta\.url\)/g, (_, address) => {
        const target = resolve(dirname(path), address)
        const within = /\.(ts|mjs)$/.test(target) ? `./${nameOf(target)}.js` : relative(out, target)
        return `new URL('${within}', import.meta.url)`
      })
      return { contents, loader: 'ts' }
    })
  },
}

const workers = (await readdir(source, { recursive: true })).filter((file) => /worker\.ts$/i.test(file))
const entries = ['main.ts', 'backup/cli.ts', 'platform/newStore.ts', 'platform/workThread.mjs', ...workers]

/** What a start would otherwise read and weigh each time. */
async function shippedHashes() {
  const file = join(out, 'shipped.js')
  await build({
    ...common,
    stdin: {
      contents: `
        import { parseDossier } from '@tidy-badger/core/dossiers'
        import { shippedDossiers } from '@tidy-badger/core/dossiers/shipped'
        import { contentHash } from '@tidy-badger/core/shared'
        export default shippedDossiers.map((document) => contentHash(parseDossier(document).value))`,
      resolveDir: source,
    },
    outfile: file,
  })
  const { default: hashes } = await import(file)
  await rm(file)
  return hashes
}

const common = {
  bundle: true,
  banner: {
    js: "import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);",
  },
  format: 'esm',
  platform: 'node',
  target: 'node20.19',
  plugins: [ours],
  logLevel: 'warning',
}

// An empty store stays: it belongs to the database's version, not to the sources.
const stays = 'newStore'
for (const name of existsSync(out) ? await readdir(out) : [])
  if (name !== stays) await rm(join(out, name), { recursive: true, force: true })
await build({
  ...common,
  entryPoints: entries.map((entry) => ({ in: join(source, entry), out: nameOf(join(source, entry)) })),
  outdir: out,
  splitting: true,
  sourcemap: true,
  minifyWhitespace: true,
  minifySyntax: true,
  chunkNames: '[name].[hash]',
  define: { SHIPPED_HASHES: JSON.stringify(await shippedHashes()) },
})

const { makeNewStore } = await import(join(out, 'platform.newStore.js'))
await makeNewStore()
