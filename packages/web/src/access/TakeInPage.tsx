import { idIn } from '@tidy-badger/core/shared'
import type { ConnectorId } from '@tidy-badger/core/dossiers'
import { earlierWorks, type EarlierWork } from '@tidy-badger/core/wiring'
import { answered, type TakeInQuestion, takeInQuestions } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { PhotoButton, PhotoRow, useJob } from '../jobs/index.ts'
import { keptText, useKeptText } from '../platform/keptTexts.ts'
import { Button } from '../ui/Button.tsx'
import { WorkPage } from './WorkPage.tsx'

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
        <EarlierWorkFound />
        <ToldNote />
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

/** What an earlier fitter left, with a photo of it; it stays on the list until it is dealt with. */
function EarlierWorkFound() {
  const { job, state, dossiers, write } = useJob()
  const [what, setWhat] = useState<EarlierWork>('bypass')
  const [text, setText] = useKeptText(`job/${job.id}/found`)
  const [connector, setConnector] = useState<ConnectorId | ''>('')
  const add = async () => {
    if (text.trim() === '') return
    const about = connector === '' ? {} : { about: { connector } }
    if (await write({ kind: 'found', what, text: text.trim(), ...about })) {
      setText('')
      setConnector('')
    }
  }
  return (
    <section>
      <h3 className="mb-2 text-title font-bold">Found from earlier work</h3>
      <ul className="mb-2">
        {state.found.map((found) => (
          <li key={found.entry} className="border-b-2 border-line-soft py-2">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <span>
                <b>{found.what}</b>: {found.text}
                {found.dealt && <span className="text-good"> · dealt with: {found.dealt.how}</span>}
              </span>
              <PhotoButton shows="damage" about={{ station: 'take-in', entry: found.entry }} look="quiet" />
            </div>
            <PhotoRow photos={state.photos.filter((photo) => photo.about?.entry === found.entry)} />
          </li>
        ))}
      </ul>
      <form
        className="grid gap-2 sm:grid-cols-[150px_1fr_200px_auto]"
        onSubmit={(event) => {
          event.preventDefault()
          void add()
        }}
      >
        <select
          aria-label="What was found"
          value={what}
          onChange={(event) => setWhat(earlierWorks.find((known) => known === event.target.value) ?? 'other')}
        >
          {earlierWorks.map((known) => (
            <option key={known}>{known}</option>
          ))}
        </select>
        <input
          aria-label="What it is"
          placeholder="what it is, in a few words"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <select
          aria-label="At which plug"
          value={connector}
          onChange={(event) => setConnector(idIn(dossiers.machine.connectors, event.target.value) ?? '')}
        >
          <option value="">at no plug in particular</option>
          {dossiers.machine.connectors.map((item) => (
            <option key={item.id} value={item.id}>
              {item.name}
            </option>
          ))}
        </select>
        <Button type="submit">Add</Button>
      </form>
    </section>
  )
}

const lawfulNote =
  'A changed mixture, boost or rail pressure may be unlawful on public roads there, may void cover and warranty. Emission controls stay as they are. Local law and the maker’s data come first.'

/** The note on lawful use, and who heard it. */
function ToldNote() {
  const { job, state, write } = useJob()
  const [to, setTo] = useKeptText(`job/${job.id}/told`)
  const last = state.told.at(-1)
  const tell = async () => {
    if (await write({ kind: 'told', text: lawfulNote, to: to.trim() })) setTo('')
  }
  return (
    <section>
      <h3 className="mb-2 text-title font-bold">Told to the owner</h3>
      <p className="border-l-[5px] border-lamp pl-3">{lawfulNote}</p>
      {last ? (
        <p className="mt-2 font-semibold">
          Told to {last.to} by {last.by ?? 'somebody'}
        </p>
      ) : (
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (to.trim() !== '') void tell()
          }}
        >
          <label className="flex min-w-56 flex-1 flex-col">
            Name of who heard and agreed
            <input value={to} maxLength={80} onChange={(event) => setTo(event.target.value)} />
          </label>
          <Button type="submit" disabled={to.trim() === ''}>
            Signed as told
          </Button>
        </form>
      )}
    </section>
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
