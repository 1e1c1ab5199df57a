import { entryWords } from '@tidy-badger/core/jobs'
import { timeText } from '../../platform/when.ts'
import { Link, useLocation } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { discard, sendAgain, type UnsentBatch } from '../journalStore.ts'
import { useJob } from '../useJob.ts'

export interface Trouble {
  unpaired: boolean
  refused: readonly UnsentBatch[]
  stuck: readonly UnsentBatch[]
  lost: readonly UnsentBatch[]
}

export function TroubleNotice({ unpaired, refused, stuck, lost }: Trouble) {
  const { pathname } = useLocation()
  return (
    <section role="alert" className="max-h-[40dvh] overflow-y-auto border-b-2 border-stop bg-paper px-5 py-3">
      {unpaired && (
        <div className="flex flex-wrap items-center gap-3 py-1">
          <p className="min-w-0 flex-1 basis-72">
            <b className="text-stop">This device is not paired any more.</b> What you write down is kept here and goes
            out once it is.
          </p>
          <Link
            to={`/pair?back=${encodeURIComponent(pathname)}`}
            className="flex min-h-11 items-center rounded-lg border-2 border-ink px-4 font-semibold"
          >
            Pair it again
          </Link>
        </div>
      )}
      {refused.map((batch) => (
        <Batch key={batch.key} batch={batch} says="Not taken" onKeep />
      ))}
      {stuck.map((batch) => (
        <Batch
          key={batch.key}
          batch={batch}
          says="Not sent yet"
          more={`Tried ${batch.tries} times; next at ${timeText(new Date(batch.notBefore), { seconds: true })}.`}
        />
      ))}
      {lost.length > 0 && <Lost batches={lost} />}
    </section>
  )
}

function Batch({ batch, says, more, onKeep }: { batch: UnsentBatch; says: string; more?: string; onKeep?: boolean }) {
  const { dossiers, state, write } = useJob()
  const words = batch.entries.map((entry) => entryWords(entry, dossiers, state)).join('; ')
  const keepAsNote = async () => {
    const written = await write({ kind: 'note', text: `Put aside, the job had moved on: ${words}`.slice(0, 9000) })
    if (written) await discard(batch.key)
  }
  return (
    <div className="flex flex-wrap items-center gap-3 py-1">
      <div className="min-w-0 flex-1 basis-72">
        <p className={`line-clamp-3 font-semibold ${onKeep ? 'text-stop' : 'text-lamp-ink'}`}>
          {says}: {words}
        </p>
        <p>
          {batch.problems.map((problem) => problem.message).join(' ')} {more}
        </p>
      </div>
      <Button onClick={() => void sendAgain(batch.key)}>Send again</Button>
      {onKeep && <Button onClick={() => void keepAsNote()}>Keep it as a note</Button>}
      {onKeep && (
        <Button look="quiet" onClick={() => void discard(batch.key)}>
          Drop it
        </Button>
      )}
    </div>
  )
}

/** What this device knows and the yard lacks, since it was brought back from a backup. */
function Lost({ batches }: { batches: readonly UnsentBatch[] }) {
  const count = batches.reduce((sum, batch) => sum + batch.entries.length, 0)
  const each = async (work: (key: number) => Promise<void>) => {
    for (const batch of batches) await work(batch.key)
  }
  return (
    <div className="flex flex-wrap items-center gap-3 py-1">
      <p className="min-w-0 flex-1 basis-72">
        <b className="text-stop">
          The yard was brought back from a backup and lacks {count} {count === 1 ? 'entry' : 'entries'} of this job
        </b>{' '}
        that {count === 1 ? 'is' : 'are'} still on this device.
      </p>
      <Button look="main" onClick={() => void each(sendAgain)}>
        Send {count === 1 ? 'it' : 'them'} again
      </Button>
      <Button look="quiet" onClick={() => void each(discard)}>
        Let {count === 1 ? 'it' : 'them'} go
      </Button>
    </div>
  )
}
