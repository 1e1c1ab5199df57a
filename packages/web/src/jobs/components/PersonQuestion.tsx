import { Suspense } from 'react'
import { later } from '../../ui/comesLater.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { usePersonQuestion } from '../personStore.ts'

const PersonForm = later(async () => (await import('./PersonForm.tsx')).PersonForm)

/** Asked once per device, at the first thing written down. */
export function PersonQuestion() {
  const { open, answer } = usePersonQuestion()
  return (
    <Sheet
      open={open}
      onClose={() => answer(false)}
      title="Who is working at this device?"
      hint="The name stands beside everything written down here from now on."
    >
      <Suspense fallback={null}>
        <PersonForm />
      </Suspense>
    </Sheet>
  )
}
