import { expect, test } from 'vitest'
import { composeVariant } from '../dossiers/index.ts'
import { connectionPlan } from '../wiring/index.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { accessOf } from './jobAccess.ts'
import { replay } from './jobJournal.ts'
import { jobSteps } from './jobSteps.ts'

test('two jobs on one machine and kit share their plans; another variant has its own', () => {
  const kit = shippedKit('quernby-p1')
  const base = shippedMachine('pellick-gorse-430')
  const composed = () => composeVariant(base, 'from-2021')
  const [one, other] = [composed(), composed()]
  if (!one.ok || !other.ok) throw new Error('the quad has lost its variant')
  expect(other.value).toBe(one.value)
  const [mine, yours] = [
    { machine: one.value, kit },
    { machine: other.value, kit },
  ]
  expect(connectionPlan(mine)).toBe(connectionPlan(yours))
  expect(connectionPlan(mine)).not.toBe(connectionPlan({ machine: base, kit }))
  expect(accessOf(mine, replay(mine, []))).toBe(accessOf(yours, replay(yours, [])))
  expect(jobSteps(mine)).toBe(jobSteps(yours))
})
