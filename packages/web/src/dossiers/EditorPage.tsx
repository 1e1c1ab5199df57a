import { CircleCheck, CloudOff, CloudUpload } from 'lucide-react'
import { Suspense, useEffect } from 'react'
import { Link, useParams } from 'react-router'
import { later } from '../ui/comesLater.tsx'
import { Failed, Loading } from '../ui/states.tsx'
import { DraftConflict } from './components/DraftConflict.tsx'
import { openDraft, useDraft } from './draftStore.ts'

const MachineEditor = later(async () => (await import('./MachineEditor.tsx')).MachineEditor)
const KitEditor = later(async () => (await import('./kit/KitEditor.tsx')).KitEditor)

/** A machine or kit that is being written, on this device at once and on the server soon after. */
export function EditorPage() {
  const { id = '' } = useParams()
  const { document, failure } = useDraft()
  useEffect(() => void openDraft(id), [id])
  if (failure && !document)
    return (
      <Failed what="This draft cannot be opened">
        <p>{failure}</p>
      </Failed>
    )
  if (!document) return <Loading what="Opening the draft…" />
  return (
    <main className="mx-auto w-full max-w-[1500px] px-4 py-4 lg:px-6">
      <header className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2">
        <div className="mr-auto">
          <Link to="/dossiers" className="font-semibold underline underline-offset-4">
            Machines and kits
          </Link>
          <h1 className="text-head font-bold">
            {document.maker} {document.model}{' '}
            <span className="font-text text-body font-normal text-quiet">
              version {document.version}, being written
            </span>
          </h1>
        </div>
        <SavedState />
      </header>
      <DraftConflict id={id} />
      {failure && (
        <p role="alert" className="mb-4 border-2 border-stop bg-paper px-4 py-3 font-semibold">
          {failure}
        </p>
      )}
      <Suspense fallback={<Loading what="Opening the draft…" />}>
        {document.kind === 'machine' ? (
          <MachineEditor id={id} machine={document} />
        ) : (
          <KitEditor id={id} kit={document} />
        )}
      </Suspense>
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
