import type { JobFinding } from '@tidy-badger/core/jobs'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { Suspense, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { later } from '../../ui/comesLater.tsx'

const LiftStop = later(async () => (await import('./LiftStop.tsx')).LiftStop)

/** A stop with its reason and remedy, and the way to lift it where a person may. */
export function StopCard({ finding }: { finding: JobFinding }) {
  const [lifting, setLifting] = useState(false)
  return (
    <MarginCard
      tone="stop"
      title={finding.lifted ? `Stop, lifted by ${finding.lifted.by ?? 'somebody'}` : 'Stop'}
      role="alert"
    >
      <p>{finding.reason}</p>
      <p className="mt-1 font-semibold">{finding.remedy}</p>
      {finding.liftable &&
        !finding.lifted &&
        (lifting ? (
          <Suspense fallback={null}>
            <LiftStop finding={finding} />
          </Suspense>
        ) : (
          <Button look="quiet" className="!px-0" onClick={() => setLifting(true)}>
            Lift it with a reason
          </Button>
        ))}
    </MarginCard>
  )
}
