import { Button } from '../../ui/Button.tsx'
import { KeyHint } from '../../ui/Stage.tsx'
import type { InHand } from '../inHand.ts'
import { openFinding } from '../store.ts'

/** Leads from another sheet to what the dossier says. @param onClose closes that sheet @param of the tick that is in hand */
export function DossierWrong({ of, onClose }: { of: InHand; onClose: () => void }) {
  return (
    <Button
      className="self-start"
      onClick={() => {
        onClose()
        openFinding(of)
      }}
    >
      The dossier is wrong<KeyHint>O</KeyHint>
    </Button>
  )
}
