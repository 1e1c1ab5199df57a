import type { JobDossiers } from '@tidy-badger/core/jobs'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { wholeJob } from '../../../core/src/jobs/wholeJobCase.ts'
import { fittings } from '../../../core/src/wiring/shippedCase.ts'
import { testApp, type TestApp } from '../testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp({ now: () => Date.UTC(2026, 8, 1) })
})
afterAll(() => app.close())

/** Machines and kits as they ship, without their variants. */
const plain = fittings.filter(({ name }) => !name.includes(','))

describe.each(plain.map(({ machine, kit }) => [kit.id, machine.id]))('%s on %s', (kit, machine) => {
  test('the whole job is sent in; it is finished, nothing is wrong, and what was built is what was planned', async () => {
    const opened = await app.ask('POST', '/api/jobs', { machine: { id: machine }, kit: { id: kit } })
    const { id } = opened.body as { id: string }
    const { dossiers } = (await app.ask('GET', `/api/jobs/${id}`)).body as { dossiers: JobDossiers }
    const sent = await app.ask('POST', `/api/jobs/${id}/journal`, { entries: wholeJob(dossiers) })
    expect(sent, JSON.stringify(sent.body)).toMatchObject({ status: 200 })
    const { findings, traces } = (await app.ask('GET', `/api/jobs/${id}/wiring`)).body as {
      findings: { severity: string }[]
      traces: { planned: object; asBuilt: object }
    }
    expect(findings.filter(({ severity }) => severity !== 'note')).toEqual([])
    expect(traces.asBuilt).toEqual(traces.planned)
    expect((await app.ask('GET', `/api/jobs/${id}`)).body).toMatchObject({ finished: true, station: 'hand-back' })
  })
})
