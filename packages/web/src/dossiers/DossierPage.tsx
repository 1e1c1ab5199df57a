import { asHeading, type Dossier, type Machine } from '@tidy-badger/core/dossiers'
import { useQuery } from '@tanstack/react-query'
import { Suspense, useState } from 'react'
import { Link, useParams, useSearchParams } from 'react-router'
import { fetchDocument, fetchDossiers } from '../jobs/index.ts'
import { MachineThumb, WhereOnMachine } from '../machine-view/index.ts'
import { later } from '../ui/comesLater.tsx'
import { Button } from '../ui/Button.tsx'
import { Failed, Loading } from '../ui/states.tsx'
import { PlugFace } from '../wiring/index.ts'
import { fetchDrafts, folderAddress } from './api.ts'
import { useBeginning } from './useBeginning.ts'
import { counted } from './words.ts'

const Compare = later(async () => (await import('./components/Compare.tsx')).Compare)
const Fits = later(async () => (await import('./components/Fits.tsx')).Fits)
const KitContents = later(async () => (await import('./kit/KitContents.tsx')).KitContents)
const HowKnown = later(async () => (await import('./components/HowKnown.tsx')).HowKnown)
const MachineContents = later(async () => (await import('./components/MachineContents.tsx')).MachineContents)

/** One machine or kit as published: its plugs, its versions, what changed between two of them. */
export function DossierPage() {
  const { kind: asked = '', id = '' } = useParams()
  const kind = asked === 'kit' ? 'kit' : 'machine'
  const rows = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  const versions = (rows.data ?? []).filter((row) => row.kind === kind && row.id === id).map((row) => row.version)
  const [version, setVersion] = useState<number | undefined>(undefined)
  const [opened, setOpened] = useState(false)
  const document = useQuery({
    queryKey: ['dossier', kind, id, version ?? versions[0]],
    queryFn: () => fetchDocument(kind, id, version),
  })
  if (document.isPending) return <Loading what="Getting the dossier…" />
  if (document.isError)
    return (
      <Failed what="This dossier cannot be shown">
        <p>{document.error.message}</p>
      </Failed>
    )
  const shown = document.data.document
  return (
    <main className="mx-auto w-full max-w-6xl px-4 py-6 lg:px-8">
      <Link to="/dossiers" className="font-semibold underline underline-offset-4">
        Machines and kits
      </Link>
      <div className="mt-2 flex items-center gap-4">
        {shown.kind === 'machine' && <MachineThumb machine={shown} />}
        <h1 className="text-head font-bold">
          {shown.maker} {shown.model}
        </h1>
      </div>
      <p className="text-quiet">{shown.source}</p>
      <Suspense fallback={null}>
        <HowKnown document={shown} />
      </Suspense>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1 font-semibold">
          Version
          <select
            value={version ?? versions[0] ?? shown.version}
            onChange={(event) => setVersion(Number(event.target.value))}
          >
            {versions.map((item) => (
              <option key={item}>{item}</option>
            ))}
          </select>
        </label>
        <a
          href={folderAddress(shown)}
          download
          className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
        >
          As a folder, ZIP
        </a>
        <EditButton document={shown} newest={versions[0] ?? shown.version} />
      </div>
      <Suspense fallback={null}>
        <Compare key={`${shown.id} ${shown.version}`} after={shown} rows={rows.data ?? []} />
      </Suspense>
      {shown.kind === 'machine' ? (
        <Suspense fallback={<Loading what="Opening the dossier…" />}>
          <MachineContents key={shown.version} machine={shown} plugs={<Plugs machine={shown} />} />
        </Suspense>
      ) : (
        <Suspense fallback={<Loading what="Opening the dossier…" />}>
          <KitContents key={shown.version} kit={shown} />
        </Suspense>
      )}
      <details key={shown.id} className="mt-6" onToggle={(event) => setOpened(event.currentTarget.open)}>
        <summary className="min-h-11 cursor-pointer py-2 text-title font-bold">
          {shown.kind === 'machine' ? 'Kits that go on it' : 'Machines it goes on'}
        </summary>
        {opened && (
          <Suspense fallback={<Loading what="Matching…" />}>
            <Fits dossier={shown} />
          </Suspense>
        )}
      </details>
    </main>
  )
}

/** Goes on writing at what is published: its next version, where one is begun already. */
function EditButton({ document, newest }: { document: Dossier; newest: number }) {
  const beginAt = useBeginning()
  const drafts = useQuery({ queryKey: ['drafts'], queryFn: fetchDrafts })
  const begun = drafts.data?.find(({ of }) => of?.kind === document.kind && of.id === document.id)
  if (begun)
    return (
      <Link
        to={`/dossiers/draft/${begun.id}`}
        className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
      >
        Go on with its draft{begun.savedBy ? `, last of ${begun.savedBy}` : ''}
      </Link>
    )
  const edit = () => beginAt(() => ({ ...structuredClone(document), draft: true, version: newest + 1 }))
  return <Button onClick={() => void edit()}>Write the next version</Button>
}

function Plugs({ machine }: { machine: Machine }) {
  const [asked] = useSearchParams()
  const named = machine.connectors.find(({ id }) => id === asked.get('plug'))
  const [picked, setPicked] = useState(named?.id ?? machine.connectors[0]?.id)
  const connector = machine.connectors.find((item) => item.id === picked) ?? machine.connectors[0]
  const file = (form: string) => `/api/machines/${machine.id}/pinout.${form}&version=${machine.version}`
  if (!connector) return <p className="mt-5 text-quiet">No plug is written down yet.</p>
  return (
    <>
      <section className="mt-5 grid gap-6 lg:grid-cols-[1fr_400px]">
        <div>
          <h2 className="mb-2 text-title font-bold">
            {counted(machine.connectors.length, 'plug')}, {counted(machine.wires.length, 'wire')}
          </h2>
          <ul className="grid gap-1 sm:grid-cols-2">
            {machine.connectors.map((item) => (
              <li key={item.id}>
                <button
                  type="button"
                  aria-pressed={item === connector}
                  onClick={() => setPicked(item.id)}
                  className={`min-h-11 w-full rounded-lg border-2 px-3 text-left font-text ${item === connector ? 'border-lamp bg-paper' : 'border-transparent'}`}
                >
                  {item.name} <span className="text-quiet">{item.cavities.length}-way</span>
                </button>
              </li>
            ))}
          </ul>
        </div>
        <div>
          <h2 className="mb-2 text-title font-bold">{connector.name}</h2>
          <PlugFace key={connector.id} machine={machine} connector={connector} />
          <p className="mt-2">{asHeading(connector.place)}.</p>
          <Suspense fallback={null}>
            <WhereOnMachine machine={machine} thing={{ kind: 'connector', id: connector.id }} name={connector.name} />
          </Suspense>
          <p className="mt-2 flex flex-wrap gap-x-5">
            {[
              ['This plug, CSV', file(`csv?connector=${connector.id}`)],
              ['Wire side, SVG', file(`svg?connector=${connector.id}&side=wire`)],
              ['Mating side, SVG', file(`svg?connector=${connector.id}&side=mating`)],
              ['All plugs, CSV', file('csv?side=wire')],
            ].map(([words, href]) => (
              <a
                key={words}
                href={href}
                target="_blank"
                rel="noreferrer"
                className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
              >
                {words}
              </a>
            ))}
          </p>
        </div>
      </section>
    </>
  )
}
