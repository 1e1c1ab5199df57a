import type { JobFinding } from '@tidy-badger/core/jobs'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { LiftStop } from './LiftStop.tsx'

/** A stop with its reason and remedy, and the way to lift it where a person may. */
export function StopCard({ finding }: { finding: JobFinding }) {
  return (
    <MarginCard
      tone="stop"
      title={finding.lifted ? `Stop, lifted by ${finding.lifted.by ?? 'somebody'}` : 'Stop'}
      role="alert"
    >
      <p>{finding.reason}</p>
      <p className="mt-1 font-semibold">{finding.remedy}</p>
      {finding.liftable && !finding.lifted && <LiftStop finding={finding} />}
    </MarginCard>
  )
}
