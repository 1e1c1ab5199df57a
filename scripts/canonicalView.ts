/**
 * What must stay the same while rooms are rebuilt: the content hash of every shipped dossier, and of every demo job what follows
 * from its journal (as built, covers, findings, minutes, settings, map), as JSON in canonical order.
 * `npm run canonical` compares with the kept view and lists what differs; `npm run canonical -- --keep` keeps the new one.
 */
import { currentTrim } from '../packages/core/src/fuel-trim/index.ts'
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { shippedDossiers } from '../packages/core/src/dossiers/shipped/index.ts'
import { jobFindings, jobTasks, stationProgress } from '../packages/core/src/jobs/index.ts'
import { contentHash } from '../packages/core/src/shared/index.ts'
import { seedDemo } from '../packages/server/src/demo/index.ts'
import { testApp } from '../packages/server/src/testApp.ts'
import testStore from '../packages/server/src/testStore.ts'

const keptAt = fileURLToPath(new URL('canonicalView.json', import.meta.url))
const tenth = (minutes: number) => Math.round(minutes * 10) / 10

const removeTemplate = await testStore()
const app = await testApp({ now: () => Date.UTC(2026, 8, 1) })
await seedDemo(app.deps, app.jobs, app.vehicles)
const view: Record<string, unknown> = Object.fromEntries(
  shippedDossiers.map((dossier) => [`dossier ${(dossier as { id: string }).id}`, contentHash(dossier)]),
)
for (const { id } of (await app.jobs.list({ archived: 'all', deleted: false })).jobs) {
  const { dossiers, state } = await app.jobs.load(id)
  view[`job ${id}`] = {
    built: state.connections.map(({ kitEnd, to, method, tugged, live, by, at }) => ({
      kitEnd,
      to,
      method,
      tugged,
      live,
      by,
      at,
    })),
    covers: state.covers,
    findings: jobFindings(dossiers, state).map(({ key, severity, liftable, lifted, reason, remedy }) => [
      key,
      severity,
      liftable,
      lifted ?? null,
      reason,
      remedy,
    ]),
    minutes: jobTasks(dossiers, state).map((task) => [task.id, tenth(task.minutes.likely), task.done]),
    stations: stationProgress(dossiers, state).map(({ station, made, wanted, done, reopened }) => [
      station,
      made,
      wanted,
      done,
      reopened ?? null,
    ]),
    settings: Object.fromEntries(Object.entries(state.settings).map(([name, { value }]) => [name, value])),
    map: currentTrim(state),
  }
}
await app.close()
await removeTemplate()

const now = JSON.parse(JSON.stringify(view)) as Record<string, unknown>
if (process.argv.includes('--keep')) {
  writeFileSync(keptAt, `${JSON.stringify(now)}\n`)
  console.log(`Kept: ${Object.keys(now).length} dossiers and jobs.`)
  process.exit(0)
}
const kept = JSON.parse(readFileSync(keptAt, 'utf8')) as Record<string, unknown>
const differing = differences('', kept, now)
for (const line of differing.slice(0, 100)) console.log(line)
console.log(`${Object.keys(now).length} dossiers and jobs looked at, ${differing.length} differences.`)
process.exit(differing.length === 0 ? 0 : 1)

/** Paths at which two documents differ, with both values. */
function differences(path: string, before: unknown, after: unknown): string[] {
  if (isRecord(before) && isRecord(after))
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) =>
      differences(`${path}/${key}`, before[key], after[key]),
    )
  const [one, other] = [JSON.stringify(before), JSON.stringify(after)]
  return one === other ? [] : [`${path}: ${one?.slice(0, 200)} → ${other?.slice(0, 200)}`]
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null
}
