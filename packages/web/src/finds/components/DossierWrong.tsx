import { Button } from '../../ui/Button.tsx'
import { KeyHint } from '../../ui/Stage.tsx'
import { openFinding } from '../store.ts'

/** Leads from another sheet to what the dossier says. @param onClose closes that sheet */
export function DossierWrong({ onClose }: { onClose: () => void }) {
  return (
    <Button
      className="self-start"
      onClick={() => {
        onClose()
        openFinding()
      }}
    >
      The dossier is wrong<KeyHint>O</KeyHint>
    </Button>
  )
}
