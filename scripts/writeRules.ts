/** Writes docs/rules.md, the catalogue of everything that may be found; with `--check` it only says whether the page is true. */
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { format } from 'oxfmt'
import { rulesByRoom } from '../packages/core/src/jobs/index.ts'
import { severities, type Rule } from '../packages/core/src/findings/index.ts'

const page = fileURLToPath(new URL('../docs/rules.md', import.meta.url))

const all = Object.values(rulesByRoom).flatMap((rules): Rule[] => Object.values(rules))
const count = (severity: string) => all.filter((rule) => rule.severity === severity).length
const lines = [
  '# Rules',
  '',
  `Everything that may be found, by the room that judges by it: ${all.length} rules, ${count('stop')} stops, ${count('fix')} to be mended, ${count('note')} to be known. Made by \`npm run docs:rules\` from each room’s rules; the tests compare.`,
  ...Object.entries(rulesByRoom).flatMap(([room, rules]) => [
    '',
    `## ${room}`,
    '',
    '| rule | gravity | may be lifted | means |',
    '| --- | --- | --- | --- |',
    ...severities.flatMap((severity) =>
      Object.entries<Rule>(rules).flatMap(([name, rule]) =>
        rule.severity === severity
          ? [
              `| \`${name}\` | ${severity} | ${severity === 'stop' ? (rule.liftable ? 'with name and reason' : 'never') : ''} | ${rule.means} |`,
            ]
          : [],
      ),
    ),
  ]),
]
const { code: text } = await format(page, `${lines.join('\n')}\n`)
if (!process.argv.includes('--check')) writeFileSync(page, text)
else if (readFileSync(page, 'utf8') !== text) {
  console.error('docs/rules.md differs from the rules: run npm run docs:rules')
  process.exit(1)
} else console.log(`docs/rules.md: ${all.length} rules, as judged by`)
