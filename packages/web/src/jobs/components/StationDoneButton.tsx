import { type Station, stationNames, stationsOf } from '@tidy-badger/core/dossiers'
import { purposeOf } from '@tidy-badger/core/vehicles'
import { useNavigate } from 'react-router'
import { notice } from '../../ui/notices.ts'
import { Button } from '../../ui/Button.tsx'
import { KeyHint } from '../../ui/Stage.tsx'
import { useKeys } from '../../ui/useKeys.ts'
import { useJob } from '../useJob.ts'

/** Closes a station and goes on to the next. The main button of the dock when nothing is left to tick. */
export function StationDoneButton({ station }: { station: Station }) {
  const { state, write, job, progress, nextKit } = useJob()
  const navigate = useNavigate()
  const stations = stationsOf(purposeOf(state))
  const next = stations[stations.indexOf(station) + 1]
  const reopened = progress.find((item) => item.station === station)?.reopened
  const go = async () => {
    if (nextKit) {
      nextKit.go()
      return
    }
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
      {nextKit ? `On to the ${nextKit.name}` : next ? `On to ${stationNames[next].toLowerCase()}` : 'Handed back'}
      <KeyHint>space</KeyHint>
    </Button>
  )
}
