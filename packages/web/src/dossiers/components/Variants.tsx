import { variantChanges, withVariant } from '@tidy-badger/core/dossier-writing'
import { idIn } from '@tidy-badger/core/shared'
import type { Machine } from '@tidy-badger/core/dossiers'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { changeMachine, useDraft, writeOn } from '../draftStore.ts'

/** What is written on: the machine itself, or a variant of it. */
export function WrittenOn({ machine }: { machine: Machine }) {
  const variant = useDraft((state) => state.variant)
  if (machine.variants.length === 0) return null
  return (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1 font-semibold">
      Written on
      <select
        className="font-normal"
        value={variant ?? ''}
        onChange={(event) => writeOn(idIn(machine.variants, event.target.value) ?? null)}
      >
        <option value="">the machine itself</option>
        {machine.variants.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  )
}

const asked = z.object({ name: words(80), tells: words(300) })

/** Variants with what each changes, and another one. */
export function Variants({ machine }: { machine: Machine }) {
  const fields = useFields(asked, {
    start: { name: '', tells: '' },
    onSend: ({ name, tells }) => {
      writeOn(null)
      const made = withVariant(machine, name, tells)
      changeMachine(() => made.machine)
      writeOn(made.variant)
    },
  })
  return (
    <section>
      <h2 className="mb-1 text-title font-bold">Variants</h2>
      <p className="mb-2 text-quiet">
        The same machine with something otherwise: another year, another plug. What is changed while one is written on
        goes into it alone; the rest stays one document.
      </p>
      <ul className="divide-y-2 divide-line-soft">
        {machine.variants.map((variant) => (
          <li key={variant.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
            <span className="min-w-0 flex-1 basis-80">
              <span className="font-bold">{variant.name}.</span> {variant.tells}{' '}
              <span className="text-quiet">
                {variantChanges(variant)
                  .map(({ list, count }) => `${list}: ${count}`)
                  .join(', ') || 'Like the machine so far.'}
              </span>
            </span>
            <Button onClick={() => writeOn(variant.id)}>Write on it</Button>
            <Button
              look="quiet"
              onClick={() => {
                writeOn(null)
                changeMachine((now) => ({ ...now, variants: now.variants.filter(({ id }) => id !== variant.id) }))
              }}
            >
              Take out
            </Button>
          </li>
        ))}
      </ul>
      <form onSubmit={fields.submit} className="mt-3 flex flex-wrap items-end gap-2">
        <TextField of={fields} name="name" label="Variant" maxLength={80} hint="From 2018" />
        <TextField
          of={fields}
          name="tells"
          label="How to tell it on the machine"
          maxLength={300}
          hint="Four pins on the boost sensor plug."
          className="min-w-72 flex-1"
        />
        <Button type="submit" disabled={!fields.ready}>
          Add the variant
        </Button>
      </form>
    </section>
  )
}
