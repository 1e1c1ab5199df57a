import { asId } from '@tidy-badger/core/shared'
import { bodyView } from '@tidy-badger/core/drawing'
import { parseMachine, parseKit, type Kit, type Machine, type PassageId } from '@tidy-badger/core/dossiers'
import { shippedDossiers } from '@tidy-badger/core/dossiers/shipped'
import { plannedLoom, replay } from '@tidy-badger/core/jobs'
import { passagePoints } from '@tidy-badger/core/routing'
import { expect, test } from 'vitest'
import { loomSvg } from './loomSvg.ts'

const machines = shippedDossiers.flatMap((document): Machine[] => {
  const parsed = parseMachine(document)
  return parsed.ok ? [parsed.value] : []
})
const kits = shippedDossiers.flatMap((document): Kit[] => {
  const parsed = parseKit(document)
  return parsed.ok ? [parsed.value] : []
})

test.each(machines)('the drawing of $id has front left and its left at the bottom, as on the screen', (machine) => {
  const kit = kits.find((item) => item.fits.includes(machine.id))
  if (!kit || !machine.body) throw new Error('no kit fits it')
  const dossiers = { machine, kit }
  const loom = plannedLoom(dossiers, replay(dossiers, []))
  if (!loom) throw new Error('no loom is planned')
  const svg = loomSvg(dossiers, loom, 'A job')
  const drawn = [...svg.matchAll(/data-passage="([^"]+)" d="M([\d.]+) ([\d.]+)/g)]
  const view = bodyView(machine.body, 'top')
  const scale = (900 - 60) / view.width
  const seen = new Set<string>()
  for (const [, id, x, y] of drawn) {
    if (seen.has(id)) continue
    seen.add(id)
    const [first] = passagePoints(machine, asId<PassageId>(id))
    expect(Number(x)).toBeCloseTo(30 + view.along(first.x) * scale, 0)
    expect(Number(y)).toBeCloseTo(80 + view.across(first.y) * scale, 0)
    const middle = 80 + view.across(0) * scale
    if (first.y < -0.01) expect(Number(y), id).toBeGreaterThan(middle)
    if (first.y > 0.01) expect(Number(y), id).toBeLessThan(middle)
  }
  expect(seen.size).toBeGreaterThan(5)
})
