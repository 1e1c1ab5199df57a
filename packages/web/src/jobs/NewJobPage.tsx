import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import { variantQuestions } from '@tidy-badger/core/jobs'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { useWatch } from 'react-hook-form'
import { Link, useNavigate } from 'react-router'
import { getKept } from '../platform/api/kept.ts'
import { MachineThumb } from '../machine-view/index.ts'
import { Button } from '../ui/Button.tsx'
import { TextField } from '../ui/form/Fields.tsx'
import { mayBeEmpty, words, z } from '../ui/form/schema.ts'
import { useFields } from '../ui/form/useFields.ts'
import { Failed, Loading } from '../ui/states.tsx'
import { fetchDossiers, openJob, type DossierRow } from './api.ts'

export function NewJobPage() {
  const dossiers = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-6 lg:px-8">
      <Link to="/" className="font-semibold underline underline-offset-4">
        The yard
      </Link>
      <h1 className="mt-2 mb-5 text-head font-bold">New job</h1>
      {dossiers.isPending && <Loading what="Looking which machines are known…" />}
      {dossiers.isError && (
        <Failed what="The machines cannot be shown">
          <p>{dossiers.error.message}</p>
        </Failed>
      )}
      {dossiers.data && <NewJobForm rows={dossiers.data} />}
    </main>
  )
}

function newest(rows: DossierRow[], kind: DossierRow['kind']): DossierRow[] {
  const seen = new Set<string>()
  return rows.filter((row) => row.kind === kind && !seen.has(row.id) && seen.add(row.id))
}

const asked = z.object({ machine: words(80), kit: words(80), variant: mayBeEmpty(80), title: mayBeEmpty(200) })

function NewJobForm({ rows }: { rows: DossierRow[] }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const machines = newest(rows, 'machine')
  // A reader has no ends: it is read from on any job, and fitted on none.
  const kits = newest(rows, 'kit').filter(({ ends }) => ends !== 0)
  const mutation = useMutation({
    mutationFn: openJob,
    onSuccess: async (job) => {
      await client.invalidateQueries({ queryKey: ['jobs'] })
      await navigate(`/job/${job.id}`)
    },
  })
  const fields = useFields(asked, {
    start: { machine: machines.length === 1 ? (machines[0]?.id ?? '') : '', kit: '', variant: '', title: '' },
    // What was refused stays as it was asked.
    onSend: ({ machine: id, kit, variant, title }) => {
      mutation.mutate({
        machine: { id, ...(variant ? { variant } : {}) },
        kit: { id: kit },
        ...(title ? { title } : {}),
      })
      return false
    },
  })
  const { control, setValue } = fields.form
  const [machineId, kitId, variant] = useWatch({ control, name: ['machine', 'kit', 'variant'] })
  const pick = (field: 'machine' | 'kit' | 'variant', id: string) => {
    setValue(field, id, { shouldValidate: true })
    if (field !== 'variant') setValue('variant', '')
  }
  const machine = machines.find((row) => row.id === machineId)
  const fitsIt = (row: DossierRow) => row.fits.includes(machineId)
  return (
    <form onSubmit={fields.submit} className="flex flex-col gap-6">
      <Choice
        legend="Which machine?"
        name="machine"
        rows={machines}
        value={machineId}
        onChange={(id) => pick('machine', id)}
      />
      <Choice
        legend="Which kit?"
        name="kit"
        rows={[...kits].sort((a, b) => Number(fitsIt(b)) - Number(fitsIt(a)))}
        value={kitId}
        onChange={(id) => pick('kit', id)}
        warn={(row) =>
          machineId && row.fits.length > 0 && !row.fits.includes(machineId) ? 'Not made for this machine.' : null
        }
      />
      <p>
        The machine is not in the list, or the kit is not made for it?{' '}
        <Link to="/dossiers" className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4">
          Write a machine down
        </Link>
      </p>
      {machine && machine.variants.length > 0 && kitId && (
        <YearQuestion machine={machine} kit={kitId} chosen={variant} onChange={(id) => pick('variant', id)} />
      )}
      <TextField
        of={fields}
        name="title"
        label={
          <>
            <span className="font-head text-title font-bold">What is it called in the yard?</span>
            <span className="font-normal text-quiet">For example the hut and the year. May stay empty.</span>
          </>
        }
        maxLength={200}
      />
      {mutation.isError && (
        <p role="alert" className="font-semibold text-stop">
          {mutation.error.message}
        </p>
      )}
      <Button
        type="submit"
        look="main"
        className="self-start !px-8 !text-title"
        disabled={!fields.ready || mutation.isPending}
      >
        Open the job
      </Button>
    </form>
  )
}

/** Years and markets that change something for this kit; the others are not asked for. */
function YearQuestion({
  machine,
  kit,
  chosen,
  onChange,
}: {
  machine: DossierRow
  kit: string
  chosen: string
  onChange: (variant: string) => void
}) {
  const questions = useQuery({
    queryKey: ['variants', machine.hash, kit],
    queryFn: async () => {
      const [one, other] = await Promise.all([
        getKept<{ document: Machine }>(`/api/dossiers/machine/${machine.id}`),
        getKept<{ document: Kit }>(`/api/dossiers/kit/${kit}`),
      ])
      return variantQuestions(one.document, other.document)
    },
  }).data
  const asked = questions?.filter((question) => question.changes.length > 0) ?? []
  if (!questions) return null
  if (asked.length === 0)
    return <p className="text-quiet">The year of the machine changes nothing for this kit: it is not asked for.</p>
  return (
    <fieldset>
      <legend className="mb-2 font-head text-title font-bold">Which year?</legend>
      <Option
        name="variant"
        value=""
        chosen={chosen}
        onChange={onChange}
        title={machine.about}
        hint="None of the signs below."
      />
      {asked.map((question) => (
        <Option
          key={question.id}
          name="variant"
          value={question.id}
          chosen={chosen}
          onChange={onChange}
          title={question.name}
          hint={`${question.tells} ${question.changes.slice(0, 3).join(' ')}`}
        />
      ))}
    </fieldset>
  )
}

function Choice({
  legend,
  name,
  rows,
  value,
  onChange,
  warn = () => null,
}: {
  legend: string
  name: string
  rows: DossierRow[]
  value: string
  onChange: (id: string) => void
  warn?: (row: DossierRow) => string | null
}) {
  return (
    <fieldset>
      <legend className="mb-2 font-head text-title font-bold">{legend}</legend>
      {rows.map((row) => (
        <Option
          key={row.id}
          name={name}
          value={row.id}
          chosen={value}
          onChange={onChange}
          title={row.name}
          picture={row.kind === 'machine' ? <MachineThumb machine={row} /> : undefined}
          hint={[row.about, row.draft ? 'With gaps' : null, warn(row)].filter(Boolean).join('. ')}
        />
      ))}
    </fieldset>
  )
}

function Option({
  name,
  value,
  chosen,
  onChange,
  title,
  hint,
  picture,
}: {
  name: string
  value: string
  chosen: string
  onChange: (value: string) => void
  title: string
  hint: string
  picture?: ReactNode
}) {
  return (
    <label
      className={`mb-2 flex cursor-pointer items-center gap-3 rounded-lg border-2 bg-paper px-4 py-3 ${chosen === value ? 'border-lamp' : 'border-line'}`}
    >
      <input
        type="radio"
        name={name}
        value={value}
        checked={chosen === value}
        onChange={() => onChange(value)}
        className="size-5 !min-h-0 accent-[var(--lamp)]"
      />
      {picture}
      <span>
        <span className="block text-lead font-bold">{title}</span>
        <span className="text-quiet">{hint}</span>
      </span>
    </label>
  )
}
