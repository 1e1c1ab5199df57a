import { cruise, type ICruiseResult } from 'dependency-cruiser'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { importRules as config } from './importRules.ts'
import { withPlanted } from './planted.ts'

const root = fileURLToPath(new URL('..', import.meta.url))
process.chdir(root)

async function look(): Promise<ICruiseResult> {
  const { output } = await cruise(['packages'], {
    ...config.options,
    ruleSet: { forbidden: config.forbidden },
    validate: true,
  })
  if (typeof output === 'string') throw new Error('the cruiser gave text where a result was wanted')
  return output
}

/** Wrong imports, one per rule, each planted in a file of its own while the rules are tried. */
const planted: [string, string, string][] = [
  ['core-is-alone', 'packages/core/src/wiring/planted1.ts', "import '../../../server/src/platform/config.ts'"],
  ['core-has-no-node', 'packages/core/src/wiring/planted2.ts', "import 'node:fs'"],
  ['server-not-web', 'packages/server/src/jobs/planted3.ts', "import '../../../web/src/jobs/api.ts'"],
  ['web-not-server', 'packages/web/src/jobs/planted4.ts', "import '../../../server/src/platform/config.ts'"],
  ['front-door-only', 'packages/core/src/handover/planted5.ts', "import '../wiring/places.ts'"],
  ['shared-core-alone', 'packages/core/src/shared/planted6.ts', "import '../wiring/index.ts'"],
  ['below-knows-no-capability', 'packages/web/src/ui/planted7.ts', "import '../jobs/index.ts'"],
  ['cases-only-in-tests', 'packages/core/src/wiring/planted8.ts', "import './gorseCase.ts'"],
  ['sql-only-in-repositories', 'packages/server/src/jobs/planted9.ts', "import 'drizzle-orm'"],
  ['front-door-only', 'packages/server/src/demo/planted11.ts', "import '../pairing/authGuard.ts'"],
  ['core-has-no-interface', 'packages/core/src/wiring/planted10.ts', "import 'fastify'"],
]

const files = ['core', 'server', 'web'].flatMap((name) =>
  readdirSync(join(root, 'packages', name, 'src'), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file))
    .map((file) => `packages/${name}/src/${file}`),
)
// Everything and the planted files in one look: nothing imports what is planted.
const result = await withPlanted(
  planted.map(([, path, text]) => ({ path, text })),
  look,
)
const cruised = new Set(result.modules.map((module) => module.source))
const missed = files.filter((file) => !cruised.has(file))
const { violations } = result.summary
const inPlanted = new Set(planted.map(([, path]) => path))
const problems = violations
  .filter((violation) => !inPlanted.has(violation.from))
  .map((violation) => `${violation.rule.name}: ${violation.from} → ${violation.to}`)
if (missed.length > 0) problems.push(`not looked at: ${missed.join(', ')}`)
for (const [rule, path] of planted)
  if (!violations.some((violation) => violation.rule.name === rule && violation.from === path))
    problems.push(`the rule ${rule} does not bite: a planted violation in ${path} went unseen`)

for (const problem of problems) console.error(problem)
console.log(
  problems.length === 0
    ? `import direction: ${files.length} modules, ${config.forbidden.length} rules, all bite`
    : `${problems.length} problems`,
)
process.exit(problems.length === 0 ? 0 : 1)
