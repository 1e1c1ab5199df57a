import { comesLater } from '../../ui/comesLater.tsx'
import { useConfirm, type Question } from '../confirmStore.ts'

const Dialog = comesLater(
  async () => (await import('./ConfirmDialog.tsx')).ConfirmDialog,
  ({ question }: { question: Question | null }) => question !== null,
)

/** Asked before something that touches more than it seems. */
export function ConfirmQuestion() {
  return <Dialog question={useConfirm((state) => state.question)} />
}
