import { accessGaps } from '@tidy-badger/core/access'
import { routeGaps } from '@tidy-badger/core/routing'
import {
  machineGaps,
  missingFrom,
  parseMachine,
  type ColourLanguage,
  type ColourOrder,
  type Machine,
  type ConnectorId,
} from '@tidy-badger/core/dossiers'
import { useQueryClient } from '@tanstack/react-query'
import { CircleCheck, CloudOff, CloudUpload } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { notice } from '../ui/notices.ts'
import { Refused } from '../platform/api/http.ts'
import { Button } from '../ui/Button.tsx'
import { Failed, Loading } from '../ui/states.tsx'
import { PlugFace } from '../wiring/index.ts'
import { dropDraft, publish } from './api.ts'
import { CircuitTable } from './components/CircuitTable.tsx'
import { CoverTable } from './components/CoverTable.tsx'
import { DraftConflict } from './components/DraftConflict.tsx'
import { NewPlug } from './components/NewPlug.tsx'
import { PastePinout } from './components/PastePinout.tsx'
import { PlugDetails } from './components/PlugDetails.tsx'
import { RouteMap } from './components/RouteMap.tsx'
import { PassageTable, PlaceTable } from './components/RouteTables.tsx'
import { ReadingOrder } from './components/ReadingOrder.tsx'
import { StudTable } from './components/StudTable.tsx'
import { WireGrid } from './components/WireGrid.tsx'
import { counted } from './words.ts'
import { forgetKept, openDraft, useDraft } from './draftStore.ts'

export function EditorPage() {
  const { id = '' } = useParams()
  const { machine, failure } = useDraft()
  useEffect(() => void openDraft(id), [id])
  if (failure && !machine)
    return (
      <Failed what="This draft cannot be opened">
        <p>{failure}</p>
      </Failed>
    )
  if (!machine) return <Loading what="Opening the draft…" />
  return <Editor id={id} machine={machine} />
}

function Editor({ id, machine }: { id: string; machine: Machine }) {
  const [picked, setPicked] = useState<string | null>(machine.connectors[0]?.id ?? null)
  const [order, setOrder] = useState<ColourOrder>('base first')
  const [language, setLanguage] = useState<ColourLanguage | ''>('')
  const [pasted, setPasted] = useState(0)
  const connector = machine.connectors.find((item) => item.id === picked)
  const reading = { order, ...(language === '' ? {} : { language }) }
  return (
    <main className="mx-auto w-full max-w-[1500px] px-4 py-4 lg:px-6">
      <header className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="mr-auto">
          <Link to="/dossiers" className="font-semibold underline underline-offset-4">
            Machines and kits
          </Link>
          <h1 className="text-head font-bold">
            {machine.maker} {machine.model}{' '}
            <span className="font-text text-body font-normal text-quiet">version {machine.version}, being written</span>
          </h1>
        </div>
        <SavedState />
      </header>
      <DraftConflict id={id} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[230px_minmax(0,1fr)_340px]">
        <nav aria-label="Plugs" className="flex flex-col gap-3">
          <ul className="flex max-h-[46vh] flex-col overflow-y-auto">
            {machine.connectors.map((item) => (
              <li key={item.id}>
                <button
                  type="button"
                  aria-pressed={item.id === picked}
                  onClick={() => setPicked(item.id)}
                  className={`min-h-11 w-full rounded-lg border-2 px-3 text-left font-text ${item.id === picked ? 'border-lamp bg-paper font-bold' : 'border-transparent'}`}
                >
                  {item.name} <span className="text-quiet">{item.cavities.length}</span>
                </button>
              </li>
            ))}
          </ul>
          <NewPlug machine={machine} onMade={setPicked} />
        </nav>
        <div>
          {connector ? (
            <>
              <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
                <h2 className="text-title font-bold">{connector.name}</h2>
                <ReadingOrder order={order} onOrder={setOrder} language={language} onLanguage={setLanguage} />
                <PastePinout
                  machine={machine}
                  connector={connector}
                  reading={reading}
                  onTaken={() => setPasted(pasted + 1)}
                />
              </div>
              <WireGrid key={`${connector.id} ${pasted}`} machine={machine} connector={connector} reading={reading} />
            </>
          ) : (
            <p className="py-10 text-center text-lead text-quiet">
              Name the first plug on the left: its cavities come at once.
            </p>
          )}
        </div>
        <aside className="flex flex-col gap-5">
          {connector && (
            <>
              <PlugFace key={connector.id} machine={machine} connector={connector} list={false} />
              <PlugDetails machine={machine} connector={connector} onGone={() => setPicked(null)} />
            </>
          )}
          <Gaps id={id} machine={machine} onPick={setPicked} />
        </aside>
      </div>
      <div className="mt-6">
        <CoverTable machine={machine} />
      </div>
      <div className="mt-6">
        <RouteMap machine={machine} />
      </div>
      <div className="mt-6">
        <PassageTable machine={machine} />
      </div>
      <div className="mt-6">
        <PlaceTable machine={machine} />
      </div>
      <div className="mt-6 grid grid-cols-[minmax(0,1fr)] gap-8 lg:grid-cols-2">
        <CircuitTable machine={machine} />
        <StudTable machine={machine} />
      </div>
    </main>
  )
}

function SavedState() {
  const saved = useDraft((state) => state.saved)
  const [Icon, tone] =
    saved === 'saved'
      ? [CircleCheck, 'text-good']
      : saved === 'saving'
        ? [CloudUpload, 'text-lamp-ink']
        : [CloudOff, 'text-lamp-ink']
  return (
    <p role="status" className={`flex items-center gap-1.5 font-semibold ${tone}`}>
      <Icon aria-hidden size={19} /> {saved}
    </p>
  )
}

/** What is missing or contradicts itself, and the two ways out: use it with its gaps, or publish it finished. */
function Gaps({ id, machine, onPick }: { id: string; machine: Machine; onPick: (connector: ConnectorId) => void }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const gaps: { at: { connector?: ConnectorId }; says: string; remedy: string }[] = [
    ...machineGaps(machine),
    ...((machine.covers ?? []).length > 0 ? accessGaps(machine) : []),
    ...routeGaps(machine).map(({ message }) => ({ at: {}, says: message, remedy: '' })),
  ]
  const missing = missingFrom(machine)
  const parsed = parseMachine(machine)
  const problems = parsed.ok ? [] : parsed.problems
  const finish = async (draft: boolean) => {
    const { draft: _draft, ...whole } = machine
    try {
      await publish(draft ? { ...whole, draft: true } : whole)
      forgetKept(id)
      await dropDraft(id)
      await client.invalidateQueries({ queryKey: ['dossiers'] })
      await client.invalidateQueries({ queryKey: ['drafts'] })
      await navigate(`/dossiers/machine/${machine.id}`)
    } catch (error) {
      notice.bad(error instanceof Error ? error.message : String(error))
    }
  }
  const throwAway = async () => {
    try {
      await dropDraft(id)
    } catch (error) {
      // One that the server does not have is gone already.
      if (!(error instanceof Refused && error.status === 404)) {
        notice.bad(error instanceof Error ? error.message : String(error))
        return
      }
    }
    forgetKept(id)
    await navigate('/dossiers')
  }
  return (
    <section>
      <h2 className="text-title font-bold">
        {gaps.length + problems.length > 0
          ? counted(gaps.length + problems.length, 'gap')
          : missing.length > 0
            ? 'Not written down yet'
            : 'Nothing is missing'}
      </h2>
      <ul className="mt-1 flex max-h-64 flex-col gap-1.5 overflow-y-auto" tabIndex={0} aria-label="Gaps">
        {problems.map((problem) => (
          <li key={`${problem.path} ${problem.message}`} className="border-l-[5px] border-stop pl-3">
            {problem.message}
          </li>
        ))}
        {gaps.map((gap) => (
          <li key={gap.says} className="border-l-[5px] border-lamp pl-3">
            {gap.at.connector ? (
              <button
                type="button"
                className="min-h-9 text-left font-text"
                onClick={() => gap.at.connector && onPick(gap.at.connector)}
              >
                {gap.says} <span className="text-quiet">{gap.remedy}</span>
              </button>
            ) : (
              <>
                {gap.says} <span className="text-quiet">{gap.remedy}</span>
              </>
            )}
          </li>
        ))}
        {missing.map(({ what, costs }) => (
          <li key={what} className="border-l-[5px] border-line pl-3">
            {costs}
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap gap-2">
        {gaps.length > 0 && (
          <Button disabled={problems.length > 0} onClick={() => void finish(true)}>
            Use it with its gaps
          </Button>
        )}
        <Button
          look="main"
          disabled={gaps.length + problems.length > 0 || machine.connectors.length === 0}
          onClick={() => void finish(false)}
        >
          Publish version {machine.version}
        </Button>
        <Button
          look="quiet"
          onClick={() => {
            void throwAway()
          }}
        >
          Throw the draft away
        </Button>
      </div>
    </section>
  )
}
