import { batteryChosen, batteryPracticeOf, batteryPracticesFor } from '@tidy-badger/core/access'
import { mountPlaceOf } from '@tidy-badger/core/jobs'
import { mountPlaceChosen, placesFor } from '@tidy-badger/core/routing'
import { useJob } from '../../jobs/index.ts'
import { Practice } from '../../ui/Practice.tsx'
import { PlaceChoice } from '../../work/index.ts'

const practiceReasons: Record<string, string> = {
  'negative off': 'The usual way: quick, and nothing can short to the frame.',
  'battery out': 'Where there is little room, or the machine stands for days.',
  'both negatives off': 'Two batteries: with one alone off, the machine stays live.',
}

/** How this shop takes the battery off, and where the module goes. */
export function Practices() {
  const { dossiers, state, write } = useJob()
  const { machine } = dossiers
  const now = batteryPracticeOf(machine, state)
  const place = mountPlaceOf(dossiers, state)
  return (
    <div className="mt-4 flex flex-col gap-4 border-t-2 border-line-soft pt-3">
      <Practice
        legend="How the battery comes off"
        name="battery"
        options={batteryPracticesFor(machine)}
        reasons={practiceReasons}
        now={now}
        onChoose={(value) => void write(batteryChosen.answer(state, {}, value))}
      />
      <p className="text-small text-quiet">Positive first is not offered: the spanner would arc on the frame.</p>
      {place && machine.places && (
        <PlaceChoice
          what="module"
          places={placesFor(machine, 'module')}
          now={place.id}
          onChoose={(chosen) => void write(mountPlaceChosen.answer(state, {}, chosen ?? place.id))}
        />
      )}
    </div>
  )
}
