/** Lints everything, and planted violations with it: a rule that says nothing would pass unseen. */
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { withPlanted } from './planted.ts'

const root = fileURLToPath(new URL('..', import.meta.url))
process.chdir(root)
const oxlint = join(root, 'node_modules/oxlint/bin/oxlint')

/** A violation for each rule that this house relies on, in a place where the rule holds. */
const planted: [rule: string, file: string, text: string][] = [
  ['house(no-clock)', 'packages/core/src/planted.ts', 'export const now = () => new Date()'],
  ['eslint(no-restricted-properties)', 'packages/core/src/planted.ts', 'export const now = () => Date.now()'],
  ['eslint(no-restricted-properties)', 'packages/core/src/planted.ts', 'export const any = () => Math.random()'],
  ['eslint(no-restricted-globals)', 'packages/core/src/planted.ts', "export const ask = () => fetch('/')"],
  ['eslint(eqeqeq)', 'packages/server/src/planted.ts', 'export const same = (a: number, b: number) => a == b'],
  ['eslint(max-lines)', 'packages/server/src/planted.ts', 'export let a = 1\n'.padEnd(3300, 'a = 1\n')],
  ['eslint(no-unused-vars)', 'packages/server/src/planted.ts', 'const left = 1'],
  ['typescript(no-explicit-any)', 'packages/server/src/planted.ts', 'export let a: any'],
  ['typescript(no-non-null-assertion)', 'packages/server/src/planted.ts', 'export const f = (a?: string) => a!.length'],
  [
    'typescript(consistent-type-assertions)',
    'packages/server/src/planted.ts',
    'export const f = (a: unknown) => a as string',
  ],
  [
    'typescript(consistent-type-imports)',
    'packages/server/src/planted.ts',
    "import { Stats } from 'node:fs'\nexport let a: Stats",
  ],
  ['typescript(no-floating-promises)', 'packages/server/src/planted.ts', 'Promise.resolve(1)\nexport {}'],
  [
    'typescript(no-misused-promises)',
    'packages/web/src/planted.ts',
    'if (Promise.resolve(1)) console.log(1)\nexport {}',
  ],
  ['typescript(await-thenable)', 'packages/web/src/planted.ts', 'await 1\nexport {}'],
  [
    'react-hooks(rules-of-hooks)',
    'packages/web/src/planted.tsx',
    "import { useState } from 'react'\nexport const No = ({ on }: { on: boolean }) => (on ? useState(1) : null)",
  ],
  [
    'react-hooks(exhaustive-deps)',
    'packages/web/src/planted.tsx',
    "import { useEffect } from 'react'\nexport function No({ on }: { on: boolean }) {\n  useEffect(() => console.log(on), [])\n  return null\n}",
  ],
  ['jsx-a11y(alt-text)', 'packages/web/src/planted.tsx', 'export const No = () => <img src="/a.png" />'],
  [
    'jsx-a11y(click-events-have-key-events)',
    'packages/web/src/planted.tsx',
    'export const No = () => <div onClick={() => {}} />',
  ],
]
const files = planted.map(([, file, text], n) => ({ path: file.replace('planted', `planted${n}`), text }))
// Everything and the planted files in one look: types are read once. Every line that names a place counts, a warning too.
const look = [oxlint, '--report-unused-disable-directives', '-f', 'unix', '.']
const { stdout, stderr } = await withPlanted(files, () =>
  spawnSync(process.execPath, look, { encoding: 'utf8', maxBuffer: 64e6 }),
)
const inPlanted = (line: string) => files.some(({ path }) => line.startsWith(`${path}:`))
const lines = stdout.split('\n').filter((line) => line.includes(':'))
const problems = [...lines.filter((line) => !inPlanted(line)), stderr].filter((line) => line.trim() !== '')
for (const [n, [rule, , text]] of planted.entries())
  if (!lines.some((line) => line.startsWith(`${files[n]?.path}:`) && line.includes(`/${rule}]`)))
    problems.push(`the rule ${rule} does not bite: ${text}`)

for (const problem of problems) console.error(problem)
console.log(problems.length === 0 ? `lint: ${planted.length} planted violations seen, and no others` : 'lint: FAILED')
process.exit(problems.length === 0 ? 0 : 1)
