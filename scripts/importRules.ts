/** Which room may reach into which. Checked by scripts/checkDeps.ts, which also proves that the rules bite. */
import type { ICruiseOptions, IForbiddenRuleType } from 'dependency-cruiser'
import { readdirSync } from 'node:fs'

/** Every folder of a package is a capability, but for those that stand below them or put them together. */
const noCapability = ['shared', 'platform', 'ui', 'app', 'shipped', 'testing']
const capabilities = [
  ...new Set(
    ['core', 'server', 'web'].flatMap((name) =>
      readdirSync(new URL(`../packages/${name}/src`, import.meta.url), { withFileTypes: true })
        .filter((entry) => entry.isDirectory() && !noCapability.includes(entry.name))
        .map((entry) => entry.name),
    ),
  ),
].join('|')

export const importRules: { forbidden: IForbiddenRuleType[]; options: ICruiseOptions } = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-alone',
      comment: 'core knows no server, no web, no platform',
      severity: 'error',
      from: { path: '^packages/core/src' },
      to: { path: '^packages/(server|web)' },
    },
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^packages/core/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: { path: '^packages/core/src' },
      to: { path: 'node_modules/(react|fastify|drizzle-orm|@electric-sql)' },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^packages/server' }, to: { path: '^packages/web' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^packages/web' }, to: { path: '^packages/server' } },
    {
      name: 'front-door-only',
      comment: 'another capability only through its index.ts (or, in core, its compute.ts)',
      severity: 'error',
      from: { path: `^packages/([^/]+)/src/(${capabilities})/`, pathNot: '(\\.test|Case)\\.tsx?$' },
      to: {
        path: `^packages/[^/]+/src/(${capabilities})/`,
        pathNot: [
          `^packages/$1/src/$2/`,
          `^packages/[^/]+/src/(${capabilities})/(shipped/)?index\\.tsx?$`,
          '^packages/core/src/fuel-trim/compute\\.ts$',
          '^packages/server/src/[^/]+/tables\\.ts$',
        ],
      },
    },
    {
      name: 'below-knows-no-capability',
      comment: 'shared, platform and ui stand below the capabilities',
      severity: 'error',
      from: { path: '^packages/[^/]+/src/(shared|platform|ui)/' },
      to: {
        path: `^packages/(server|web)/src/(${capabilities})/|^packages/core/src/(${capabilities})/`,
        pathNot: '^packages/core/src/jobs/index\\.ts$',
      },
    },
    {
      name: 'shared-core-alone',
      severity: 'error',
      from: { path: '^packages/core/src/shared/' },
      to: { path: `^packages/core/src/(${capabilities})/` },
    },
    {
      name: 'compute-without-zod',
      comment: 'what runs in a worker reaches no zod',
      severity: 'error',
      from: { path: '^packages/core/src/fuel-trim/compute\\.ts$' },
      to: { path: 'node_modules/zod', reachable: true },
    },
    {
      name: 'cases-only-in-tests',
      severity: 'error',
      from: { path: '^packages/', pathNot: '(\\.test|Case)\\.tsx?$' },
      to: { path: 'Case\\.ts$' },
    },
    {
      name: 'sql-only-in-repositories',
      severity: 'error',
      from: { path: '^packages/server/src', pathNot: '(repository|tables|platform/db)\\.ts$|\\.test\\.ts$' },
      to: { path: 'node_modules/drizzle-orm' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|drizzle)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.json'],
    },
  },
}
