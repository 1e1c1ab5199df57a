import type { Kit, Machine } from '@tidy-badger/core/dossiers'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { useWatch } from 'react-hook-form'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { getKept } from '../platform/api/kept.ts'
import { MachineThumb } from '../machine-view/index.ts'
import { Button } from '../ui/Button.tsx'
import { TextField } from '../ui/form/Fields.tsx'
import { mayBeEmpty, words, z } from '../ui/form/schema.ts'
import { useFields } from '../ui/form/useFields.ts'
import { asId } from '@tidy-badger/core/shared'
import { Failed, Loading } from '../ui/states.tsx'
import { ClaimNote } from './components/ClaimNote.tsx'
import { fetchDossiers, openJob, type DossierRow } from './api.ts'

export function NewJobPage() {
  const dossiers = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  const filed = useSearchParams()[0].get('vehicle')
  const vehicle = useQuery({
    queryKey: ['vehicle', filed],
    queryFn: () => getKept<OnFile>(`/api/vehicles/${encodeURIComponent(filed ?? '')}`),
    enabled: filed !== null,
  })
  const failed = dossiers.error ?? vehicle.error
  return (
    <main className="mx-auto w-full max-w-3xl px-4 py-6 lg:px-8">
      <Link to="/" className="font-semibold underline underline-offset-4">
        The yard
      </Link>
      <h1 className="mt-2 mb-5 text-head font-bold">New job</h1>
      {!failed && (dossiers.isPending || (filed !== null && vehicle.isPending)) && (
        <Loading what="Looking which machines are known…" />
      )}
      {failed && (
        <Failed what="The machines cannot be shown">
          <p>{failed.message}</p>
        </Failed>
      )}
      {dossiers.data && (filed === null || vehicle.data) && (
        <NewJobForm key={filed} rows={dossiers.data} onFile={vehicle.data ?? null} />
      )}
    </main>
  )
}

/** As much of a machine on file as a new job on it asks for. */
interface OnFile {
  id: string
  machine: { id: string }
  machineName: string
  plate: string | null
  fitted: { kit: string; name: string }[]
}

/** A kit that waits on the shelf. */
interface Waiting {
  id: string
  kit: { id: string }
  name: string
  missing: string[]
}

function newest(rows: DossierRow[], kind: DossierRow['kind']): DossierRow[] {
  const seen = new Set<string>()
  return rows.filter((row) => row.kind === kind && !seen.has(row.id) && seen.add(row.id))
}

const asked = z.object({ machine: words(80), kit: words(80), variant: mayBeEmpty(80), title: mayBeEmpty(200) })

function NewJobForm({ rows, onFile }: { rows: DossierRow[]; onFile: OnFile | null }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const machines = newest(rows, 'machine')
  // A reader has no ends: it is read from on any job, and fitted on none.
  const kits = newest(rows, 'kit').filter(({ ends }) => ends !== 0)
  const [more, setMore] = useState<string[]>([])
  const [shelved, setShelved] = useState<string[]>([])
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: () => getKept<Waiting[]>('/api/shelf') }).data ?? []
  const mutation = useMutation({
    mutationFn: openJob,
    onSuccess: async (job) => {
      await client.invalidateQueries({ queryKey: ['jobs'] })
      await navigate(`/job/${job.id}`)
    },
  })
  const fields = useFields(asked, {
    start: {
      machine: onFile?.machine.id ?? (machines.length === 1 ? (machines[0]?.id ?? '') : ''),
      ...{ kit: '', variant: '', title: '' },
    },
    // What was refused stays as it was asked.
    onSend: ({ machine: id, kit, variant, title }) => {
      const fromShelf = waiting.filter((item) => shelved.includes(item.id)).map((item) => item.id)
      mutation.mutate({
        ...(onFile ? { vehicle: onFile.id } : { machine: { id, ...(variant ? { variant } : {}) } }),
        kits: [kit, ...more.filter((other) => other !== kit)].map((each) => ({ id: each })),
        ...(fromShelf.length > 0 ? { fromShelf } : {}),
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
  const warn = (row: DossierRow) =>
    machineId && row.fits.length > 0 && !fitsIt(row) ? 'Not made for this machine.' : null
  // One that is made for no machine in particular goes on any.
  const madeFor = (id: string) => kits.some((row) => row.id === id && (row.fits.length === 0 || fitsIt(row)))
  const inIt = new Set(onFile?.fitted.map(({ kit }) => kit))
  const offered = kits.filter(({ id }) => !inIt.has(id)).sort((a, b) => Number(fitsIt(b)) - Number(fitsIt(a)))
  const waiting = shelf.filter(({ kit }) => kit.id === kitId || more.includes(kit.id))
  const toggle = (list: string[], id: string) => (list.includes(id) ? list.filter((one) => one !== id) : [...list, id])
  return (
    <form onSubmit={fields.submit} className="flex flex-col gap-6">
      {onFile ? (
        <section>
          <h2 className="mb-1 font-head text-title font-bold">{onFile.plate ?? onFile.machineName}</h2>
          <p className="text-quiet">
            {onFile.plate ? `${onFile.machineName}. ` : ''}
            {onFile.fitted.length === 0
              ? 'Nothing is in it yet.'
              : `In it now: ${onFile.fitted.map(({ name }) => name).join(', ')}; the job reckons with it.`}
          </p>
        </section>
      ) : (
        <Choice
          legend="Which machine?"
          name="machine"
          rows={machines}
          value={machineId}
          onChange={(id) => pick('machine', id)}
        />
      )}
      <Choice
        legend="Which kit?"
        name="kit"
        rows={offered}
        value={kitId}
        onChange={(id) => pick('kit', id)}
        warn={warn}
      />
      {kitId && (
        <Ticks
          legend="And in the same job?"
          rows={offered.filter(({ id }) => id !== kitId && (madeFor(id) || more.includes(id)))}
          ticked={more}
          onTick={(id) => setMore((list) => toggle(list, id))}
        />
      )}
      {waiting.length > 0 && (
        <Ticks
          legend="One of them waits on the shelf"
          rows={waiting.map(({ id, name, missing }) => ({
            id,
            name: `Take the ${name} from the shelf`,
            about: missing.length === 0 ? 'Complete.' : `Missing: ${missing.join(', ')}.`,
          }))}
          ticked={shelved}
          onTick={(id) => setShelved((list) => toggle(list, id))}
        />
      )}
      <p>
        The machine is not in the list, or the kit is not made for it?{' '}
        <Link to="/dossiers" className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4">
          Write a machine down
        </Link>
      </p>
      {!onFile && machine && machine.variants.length > 0 && kitId && (
        <YearQuestion machine={machine} kit={kitId} chosen={variant} onChange={(id) => pick('variant', id)} />
      )}
      {machineId && kitId && <ClaimNote machine={asId(machineId)} kit={kitId} />}
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
      const { yearQuestions } = await import('./yearQuestions.ts')
      return yearQuestions(one.document, other.document)
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

/** Any number of things that go along; nothing where there are none. */
function Ticks({
  legend,
  rows,
  ticked,
  onTick,
}: {
  legend: string
  rows: readonly { id: string; name: string; about: string }[]
  ticked: readonly string[]
  onTick: (id: string) => void
}) {
  if (rows.length === 0) return null
  return (
    <fieldset>
      <legend className="mb-2 font-head text-title font-bold">{legend}</legend>
      {rows.map(({ id, name, about }) => (
        <label
          key={id}
          className={`mb-2 flex cursor-pointer items-center gap-3 rounded-lg border-2 bg-paper px-4 py-3 ${ticked.includes(id) ? 'border-lamp' : 'border-line'}`}
        >
          <input
            type="checkbox"
            checked={ticked.includes(id)}
            onChange={() => onTick(id)}
            className="size-5 !min-h-0 accent-[var(--lamp)]"
          />
          <span>
            <span className="block text-lead font-bold">{name}</span>
            <span className="text-quiet">{about}</span>
          </span>
        </label>
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
