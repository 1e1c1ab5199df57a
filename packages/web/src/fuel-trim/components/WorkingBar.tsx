import { Button } from '../../ui/Button.tsx'

/** Long work: how far, what now, and the way out. */
export function WorkingBar({ share, stage, onCancel }: { share: number; stage: string; onCancel: () => void }) {
  return (
    <div className="mb-3 flex items-center gap-4" role="status">
      <div className="min-w-0 flex-1">
        <p className="text-small text-quiet">{stage}…</p>
        <div
          role="progressbar"
          aria-label="How far"
          aria-valuenow={Math.round(share * 100)}
          aria-valuemin={0}
          aria-valuemax={100}
          className="mt-1 h-3.5 border-2 border-ink"
        >
          <div className="h-full bg-lamp" style={{ width: `${share * 100}%` }} />
        </div>
      </div>
      <Button onClick={onCancel}>Cancel</Button>
    </div>
  )
}
