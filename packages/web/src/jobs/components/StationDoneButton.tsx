import { type Station, stationNames, stations } from '@tidy-badger/core/dossiers'
import { useNavigate } from 'react-router'
import { notice } from '../../ui/notices.ts'
import { Button } from '../../ui/Button.tsx'
import { KeyHint } from '../../ui/Stage.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { useJob } from '../useJob.ts'

/** Closes a station and goes on to the next. The main button of the dock when nothing is left to tick. */
export function StationDoneButton({ station }: { station: Station }) {
  const { state, write, job, progress } = useJob()
  const navigate = useNavigate()
  const next = stations[stations.indexOf(station) + 1]
  const reopened = progress.find((item) => item.station === station)?.reopened
  const go = async () => {
    if (reopened) {
      notice.bad(reopened)
      return
    }
    if (!(station in state.stationsDone) && !(await write({ kind: 'station-done', station }))) return
    if (next) await navigate(`/job/${job.id}/${next}`)
  }
  useKeys({ Space: () => void go() })
  return (
    <Button look="main" onClick={() => void go()}>
      {next ? `On to ${stationNames[next].toLowerCase()}` : 'Handed back'}
      <KeyHint>space</KeyHint>
    </Button>
  )
}
