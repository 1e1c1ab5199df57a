import { useState } from 'react'
import { idIn } from '@tidy-badger/core/shared'
import { earlierWorks } from '@tidy-badger/core/wiring'
import { PhotoButton, PhotoRow, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, TextField } from '../../ui/form/Fields.tsx'
import { mayBeEmpty, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { Approvals } from './Approvals.tsx'

/** What is written into forms when a machine is taken in: earlier work, what the owner was told, what the office allows. */
export function TakeInForms() {
  return (
    <>
      <EarlierWorkFound />
      <ToldNote />
      <Approvals />
    </>
  )
}

const found = z.object({ what: z.enum(earlierWorks), text: words(600), connector: mayBeEmpty(80) })

/** What an earlier fitter left, with a photo of it; it stays on the list until it is dealt with. */
function EarlierWorkFound() {
  const { job, state, dossiers, write } = useJob()
  const [plugs, setPlugs] = useState<string[]>([])
  const fields = useFields(found, {
    start: { what: 'bypass', text: '', connector: '' },
    place: `job/${job.id}/found`,
    onSend: async ({ what, text, connector }) => {
      const at = idIn(dossiers.machine.connectors, connector)
      if (what === 'unknown module') {
        const sits = dossiers.machine.connectors.flatMap(({ id }) => (id === at || plugs.includes(id) ? [id] : []))
        if (!(await write({ kind: 'found', what, text, ...(sits.length > 0 ? { plugs: sits } : {}) }))) return false
        setPlugs([])
        return true
      }
      return write({ kind: 'found', what, text, ...(at === undefined ? {} : { about: { connector: at } }) })
    },
  })
  return (
    <section>
      <h3 className="mb-2 text-title font-bold">Found from earlier work</h3>
      <ul className="mb-2">
        {state.found.map((item) => (
          <li key={item.entry} className="border-b-2 border-line-soft py-2">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <span>
                <b>{item.what}</b>: {item.text}
                {item.dealt && <span className="text-good"> · dealt with: {item.dealt.how}</span>}
              </span>
              <PhotoButton shows="damage" about={{ station: 'take-in', entry: item.entry }} look="quiet" />
            </div>
            <PhotoRow photos={state.photos.filter((photo) => photo.about?.entry === item.entry)} />
          </li>
        ))}
      </ul>
      <form className="grid items-end gap-2 sm:grid-cols-[150px_1fr_200px_auto]" onSubmit={fields.submit}>
        <ChoiceField of={fields} name="what" label="What was found" hideLabel options={asWords(earlierWorks)} />
        <TextField
          of={fields}
          name="text"
          label="What it is"
          hideLabel
          hint="what it is, in a few words"
          maxLength={600}
        />
        <ChoiceField
          of={fields}
          name="connector"
          label="At which plug"
          hideLabel
          options={[
            ['', 'at no plug in particular'],
            ...dossiers.machine.connectors.map((item) => [item.id, item.name] as const),
          ]}
        />
        <Button type="submit">Add</Button>
      </form>
      {fields.form.watch('what') === 'unknown module' && (
        <details className="mt-2" open>
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
            Every plug it sits in{plugs.length > 0 ? `: ${plugs.length}` : ''}
          </summary>
          <ul className="grid gap-x-4 sm:grid-cols-2">
            {dossiers.machine.connectors.map(({ id, name }) => (
              <li key={id}>
                <label className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 !min-h-0"
                    checked={plugs.includes(id)}
                    onChange={() => setPlugs(plugs.includes(id) ? plugs.filter((plug) => plug !== id) : [...plugs, id])}
                  />
                  {name}
                </label>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  )
}

const lawfulNote =
  'A changed mixture, boost or rail pressure may be unlawful on public roads there, may void cover and warranty. Emission controls stay as they are. Local law and the maker’s data come first.'

const heard = z.object({ to: words(80) })

/** The note on lawful use, and who heard it. */
function ToldNote() {
  const { job, state, write } = useJob()
  const last = state.told.at(-1)
  const fields = useFields(heard, {
    start: { to: '' },
    place: `job/${job.id}/told`,
    onSend: ({ to }) => write({ kind: 'told', text: lawfulNote, to }),
  })
  return (
    <section>
      <h3 className="mb-2 text-title font-bold">Told to the owner</h3>
      <p className="border-l-[5px] border-lamp pl-3">{lawfulNote}</p>
      {last ? (
        <p className="mt-2 font-semibold">
          Told to {last.to} by {last.by ?? 'somebody'}
        </p>
      ) : (
        <form className="mt-2 flex flex-wrap items-end gap-2" onSubmit={fields.submit}>
          <TextField
            of={fields}
            name="to"
            label="Name of who heard and agreed"
            maxLength={80}
            className="min-w-56 flex-1"
          />
          <Button type="submit" disabled={!fields.ready}>
            Signed as told
          </Button>
        </form>
      )}
    </section>
  )
}
