import { Suspense } from 'react'
import { answered, type TakeInQuestion, takeInQuestions } from '@tidy-badger/core/jobs'
import { PhotoButton, PhotoRow, useJob } from '../jobs/index.ts'
import { keptText, useKeptText } from '../platform/keptTexts.ts'
import { later } from '../ui/comesLater.tsx'
import { WorkPage } from './WorkPage.tsx'

const TakeInForms = later(async () => (await import('./components/TakeInForms.tsx')).TakeInForms)

const questions: Record<TakeInQuestion, { label: string; hint: string }> = {
  aim: { label: 'What the owner wants', hint: 'lean stumble, towing power, a gauge' },
  'fitted-already': { label: 'Fitted already', hint: 'exhaust, air filter, an earlier module' },
  plate: { label: 'Plate or frame number', hint: 'as read on the machine' },
  owner: { label: 'Owner or who brought it', hint: 'a name' },
}

/** Taking in: which machine, what for, what is on it already, what was told. */
export function TakeInPage() {
  return (
    <WorkPage station="take-in">
      <div className="mt-5 flex flex-col gap-6 border-t-2 border-line-soft pt-4">
        <section>
          <h3 className="mb-2 text-title font-bold">For this job</h3>
          <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
            {takeInQuestions.map((question) => (
              <Answer key={question} question={question} />
            ))}
          </div>
        </section>
        <Suspense fallback={null}>
          <TakeInForms />
        </Suspense>
        <section>
          <h3 className="mb-2 text-title font-bold">As it came in</h3>
          <BeforePhotos />
        </section>
      </div>
    </WorkPage>
  )
}

/** One line kept as soon as the field is left; nothing typed is lost. */
function Answer({ question }: { question: TakeInQuestion }) {
  const { job, state, write } = useJob()
  const place = `job/${job.id}/take-in.${question}`
  const now = state.decided.answers[question]?.value ?? null
  const [draft, setDraft] = useKeptText(place)
  const { label, hint } = questions[question]
  const keep = async () => {
    const text = draft.trim()
    if (text === '' || text === now) return setDraft('')
    if (await write(answered.answer(state, { question }, text))) clearIf(draft)
  }
  /** What was typed on while it was written down stays. */
  const clearIf = (written: string) => {
    if (keptText(place) === written) setDraft('')
  }
  return (
    <label className="flex flex-col">
      {label}
      <input
        value={draft === '' ? (now ?? '') : draft}
        placeholder={hint}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
    </label>
  )
}

function BeforePhotos() {
  const { state } = useJob()
  const photos = state.photos.filter((photo) => photo.shows === 'before')
  return (
    <div className="flex flex-col gap-2">
      <PhotoRow photos={photos} />
      <span>
        <PhotoButton shows="before" about={{ station: 'take-in' }} label="Photos of it as it came in" />
      </span>
    </div>
  )
}
