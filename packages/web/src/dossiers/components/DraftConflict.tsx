import { useNavigate } from 'react-router'
import { notice } from '../../ui/notices.ts'
import { Button } from '../../ui/Button.tsx'
import { keepMine, saveAside, takeTheirs, useDraft } from '../draftStore.ts'

/** Two people wrote on one draft: nothing is overwritten until somebody says which holds. */
export function DraftConflict({ id }: { id: string }) {
  const navigate = useNavigate()
  const conflict = useDraft((state) => state.conflict)
  if (conflict === null) return null
  const aside = async () => {
    try {
      const own = await saveAside()
      if (own !== null) await navigate(`/dossiers/draft/${own}`)
    } catch (error) {
      notice.bad(error instanceof Error ? error.message : String(error))
    }
  }
  return (
    <section role="alert" className="mb-4 flex flex-wrap items-center gap-3 border-2 border-stop bg-paper px-4 py-3">
      <p className="min-w-0 flex-1 basis-72 font-semibold">{conflict}</p>
      <Button look="main" onClick={() => void aside()}>
        Save mine as its own draft
      </Button>
      <Button onClick={() => void keepMine(id)}>Keep mine</Button>
      <Button onClick={() => void takeTheirs(id)}>Take theirs</Button>
    </section>
  )
}
