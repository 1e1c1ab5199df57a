import {
  differences,
  earlierWorks,
  irreversibleActs,
  joiningChosen,
  joinPracticeOf,
  joinPractices,
  placeChosen,
} from '@tidy-badger/core/wiring'
import type { ReactNode } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { ErrataSection } from './ErrataSection.tsx'

/** What was built against the plan, what cannot be taken back, what earlier fitters left, the schools, the papers. */
export function RecordPanel() {
  return (
    <div className="grid gap-x-8 gap-y-6 2xl:grid-cols-2">
      <Differences />
      <EarlierWorkSection />
      <IrreversibleSection />
      <Practices />
      <ErrataSection />
      <Papers />
    </div>
  )
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h3 className="mb-1.5 text-lead font-bold">{title}</h3>
      {children}
    </section>
  )
}

function Differences() {
  const { dossiers, state, plan, write } = useJob()
  const list = differences(dossiers, state, plan)
  return (
    <Part title="Built otherwise than planned">
      {list.length === 0 && <p className="text-quiet">Nothing: what is connected is where the plan says.</p>}
      <ul className="flex flex-col gap-3">
        {list.map((item) => (
          <li key={item.kitEnd} className="border-l-[5px] border-lamp pl-3">
            <p>
              <strong>{dossiers.kit.ends.find((end) => end.id === item.kitEnd)?.name}</strong>: {item.built}; planned{' '}
              {item.planned}.
            </p>
            {item.accepted ? (
              <p className="text-quiet">
                Taken as it is{item.accepted.by ? ` by ${item.accepted.by}` : ''}: {item.accepted.reason}
              </p>
            ) : (
              <OneLine
                label="Why may it stay?"
                button="Take it as it is"
                onSay={(reason) => write({ kind: 'difference-accepted', kitEnd: item.kitEnd, reason })}
              />
            )}
          </li>
        ))}
      </ul>
    </Part>
  )
}

const left = z.object({ what: z.enum(earlierWorks), text: words(600) })

function EarlierWorkSection() {
  const { job, state, write } = useJob()
  const fields = useFields(left, {
    start: { what: 'puncture', text: '' },
    place: `job/${job.id}/left-by`,
    onSend: ({ what, text }) => write({ kind: 'found', what, text }),
  })
  return (
    <Part title="Left by an earlier fitter">
      <ul className="flex flex-col gap-3">
        {state.found.map((item) => (
          <li key={item.entry} className={`border-l-[5px] pl-3 ${item.dealt ? 'border-good' : 'border-lamp'}`}>
            <p>
              <strong>{item.what}</strong>: {item.text}
            </p>
            {item.dealt ? (
              <p className="text-quiet">
                Dealt with{item.dealt.by ? ` by ${item.dealt.by}` : ''}: {item.dealt.how}
              </p>
            ) : (
              <OneLine
                label="How was it dealt with?"
                button="Dealt with"
                onSay={(how) => write({ kind: 'dealt-with', found: item.entry, how })}
              />
            )}
          </li>
        ))}
      </ul>
      <form onSubmit={fields.submit} className="mt-2 flex flex-wrap items-end gap-2">
        <ChoiceField of={fields} name="what" label="Found" className="w-60" options={asWords(earlierWorks)} />
        <TextField of={fields} name="text" label="Where, and what is it?" maxLength={600} className="min-w-56 flex-1" />
        <Button type="submit" disabled={!fields.ready}>
          Put it on the list
        </Button>
      </form>
    </Part>
  )
}

const forGood = z.object({ act: z.enum(irreversibleActs), owner: words(80), text: words(600) })

function IrreversibleSection() {
  const { job, state, write } = useJob()
  const fields = useFields(forGood, {
    start: { act: 'cut', owner: '', text: '' },
    place: `job/${job.id}/for-good`,
    onSend: ({ act, owner, text }) => write({ kind: 'irreversible', act, text, consentBy: owner }),
  })
  return (
    <Part title="Done for good, with the owner’s word">
      <ul className="flex flex-col gap-1">
        {state.irreversible.map((item) => (
          <li key={item.entry}>
            <strong>{item.act}</strong>: {item.text}. Agreed by {item.consentBy}.
          </li>
        ))}
        {state.irreversible.length === 0 && <li className="text-quiet">Nothing was cut, notched or drilled.</li>}
      </ul>
      <form onSubmit={fields.submit} className="mt-2 flex flex-wrap items-end gap-3">
        <ChoiceField of={fields} name="act" label="What" options={asWords(irreversibleActs)} />
        <TextField of={fields} name="owner" label="Who agreed" maxLength={80} />
        <TextField of={fields} name="text" label="Where, and why?" maxLength={600} className="min-w-56 flex-1" />
        <Button type="submit" disabled={!fields.ready}>
          Write it down
        </Button>
      </form>
    </Part>
  )
}

function Practices() {
  const { state, write } = useJob()
  const now = joinPracticeOf(state)
  return (
    <Part title="How wires are joined here">
      <label className="flex flex-col gap-1 font-semibold">
        Practice
        <select
          value={now}
          className="max-w-72"
          onChange={(event) => {
            const practice = joinPractices.find((item) => item === event.target.value)
            if (practice) void write(joiningChosen.answer(state, {}, practice))
          }}
        >
          {joinPractices.map((item) => (
            <option key={item} value={item}>
              {item}
              {item === 'by place' ? ', the usual' : ''}
            </option>
          ))}
        </select>
      </label>
      <p className="mt-1 text-quiet">
        By place: dry and still takes a piercing screw tap, everywhere else a crimp with sealed sleeve; a cut end is
        soldered where it is still. Where a place bars your shop’s way, another is proposed and the reason said.
      </p>
      <Locked />
    </Part>
  )
}

/** Places a person has fixed; each can be given back to the plan. */
function Locked() {
  const { dossiers, plan, state, write } = useJob()
  const locked = plan.filter((match) => match.locked)
  if (locked.length === 0) return null
  return (
    <ul className="mt-2 flex flex-col gap-1">
      {locked.map((match) => (
        <li key={match.kitEnd} className="flex flex-wrap items-center gap-2">
          {dossiers.kit.ends.find((end) => end.id === match.kitEnd)?.name}: place fixed by hand
          <Button look="quiet" onClick={() => void write(placeChosen.answer(state, { kitEnd: match.kitEnd }, null))}>
            Back to the plan
          </Button>
        </li>
      ))}
    </ul>
  )
}

function Papers() {
  const { job } = useJob()
  const links = [
    ['wiring.svg', 'Wiring as one drawing, SVG'],
    ['labels.pdf', 'Labels, sheet of A4'],
    ['labels.pdf?form=strip', 'Labels, strip'],
  ]
  const machine = `/api/machines/${job.machine.id}/pinout.csv?version=${job.machine.version}${job.machine.variant ? `&variant=${job.machine.variant}` : ''}`
  return (
    <Part title="Papers">
      <ul className="flex flex-col">
        {links.map(([path, words]) => (
          <li key={path}>
            <a
              className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
              href={`/api/jobs/${job.id}/${path}`}
              target="_blank"
              rel="noreferrer"
            >
              {words}
            </a>
          </li>
        ))}
        <li>
          <a className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4" href={machine}>
            All plugs with their wires, CSV
          </a>
        </li>
      </ul>
    </Part>
  )
}

const sentence = z.object({ text: words(600) })

/** One sentence and the button that writes it down. What was typed stays until it is written. */
function OneLine({
  label,
  button,
  onSay,
}: {
  label: string
  button: string
  onSay: (text: string) => Promise<boolean>
}) {
  const { job } = useJob()
  const fields = useFields(sentence, {
    start: { text: '' },
    place: `job/${job.id}/${label}`,
    onSend: ({ text }) => onSay(text),
  })
  return (
    <form onSubmit={fields.submit} className="mt-1.5 flex flex-wrap items-end gap-2">
      <TextField of={fields} name="text" label={label} maxLength={600} className="min-w-56 flex-1" />
      <Button type="submit" disabled={!fields.ready}>
        {button}
      </Button>
    </form>
  )
}
