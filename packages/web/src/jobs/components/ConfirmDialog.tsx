import { AlertDialog } from 'radix-ui'
import { Button } from '../../ui/Button.tsx'
import type { Question } from '../confirmStore.ts'

export function ConfirmDialog({ question }: { question: Question | null }) {
  return (
    <AlertDialog.Root open={question !== null} onOpenChange={(open) => !open && question?.answer(false)}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-[60] bg-black/55" />
        <AlertDialog.Content
          aria-describedby={undefined}
          className="rise fixed inset-x-3 top-[22dvh] z-[61] mx-auto max-w-md rounded-xl border-2 border-ink bg-ground p-5 text-ink"
        >
          <AlertDialog.Title className="text-title font-bold">{question?.text}</AlertDialog.Title>
          <div className="mt-4 flex flex-wrap gap-3">
            <Button look="main" onClick={() => question?.answer(true)}>
              {question?.yes}
            </Button>
            <Button onClick={() => question?.answer(false)}>Leave it</Button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  )
}
