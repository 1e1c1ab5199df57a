import { expect, test } from 'vitest'
import { gorseJob } from '../../../core/src/jobs/journalCase.ts'
import type { JobWithDossiers } from './api.ts'
import { withSharedDossiers } from './sharedDossiers.ts'

const job = (machine: object, dossiers = structuredClone(gorseJob)) =>
  ({ machine, kit: { hash: 'kit' }, dossiers }) as unknown as JobWithDossiers

test('jobs on one machine and kit work with the same documents, each variant with its own, and few are kept', () => {
  const first = withSharedDossiers(job({ hash: 'quad' }))
  const second = withSharedDossiers(job({ hash: 'quad' }))
  expect(second.dossiers.machine).toBe(first.dossiers.machine)
  expect(second.dossiers.kit).toBe(first.dossiers.kit)
  const variant = withSharedDossiers(job({ hash: 'quad', variant: 'from-2021' }))
  expect(variant.dossiers.machine).not.toBe(first.dossiers.machine)
  for (let i = 0; i < 40; i++) withSharedDossiers(job({ hash: `other-${i}` }))
  expect(withSharedDossiers(job({ hash: 'quad' })).dossiers.machine).not.toBe(first.dossiers.machine)
})
