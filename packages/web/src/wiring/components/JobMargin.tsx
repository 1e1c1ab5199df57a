import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { showPicture } from '../store.ts'
import { StopCard } from './StopCard.tsx'

/** What concerns the whole job and no single end: stops first, earlier work, gaps of the dossier. */
export function JobMargin() {
  const { findings } = useJob()
  const [all, setAll] = useState(false)
  const general = findings.filter((finding) => finding.at.kitEnd === undefined)
  const stops = general.filter((finding) => finding.severity === 'stop')
  const earlier = general.filter((finding) => finding.rule === 'earlier-work')
  const gaps = general.filter((finding) => finding.rule === 'dossier-gap')
  return (
    <>
      {stops.map((finding) => (
        <StopCard key={finding.key} finding={finding} />
      ))}
      {earlier[0] && (
        <MarginCard tone="lamp" title={`Left by an earlier fitter: ${earlier.length}`}>
          <p>{earlier[0].reason}</p>
          <Button look="quiet" className="!px-0" onClick={() => showPicture('record')}>
            To the list
          </Button>
        </MarginCard>
      )}
      {gaps.length > 0 && (
        <MarginCard tone="lamp" title={`${gaps.length} ${gaps.length === 1 ? 'gap' : 'gaps'} in the dossier`}>
          {(all ? gaps : gaps.slice(0, 1)).map((gap) => (
            <p key={gap.key + gap.reason}>
              {gap.reason} {gap.remedy}
            </p>
          ))}
          {gaps.length > 1 && !all && (
            <Button look="quiet" className="!px-0" onClick={() => setAll(true)}>
              {gaps.length - 1} more
            </Button>
          )}
        </MarginCard>
      )}
    </>
  )
}
