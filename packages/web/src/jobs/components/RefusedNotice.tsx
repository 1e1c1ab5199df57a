import { entryWords } from '@tidy-badger/core/jobs'
import { format } from 'date-fns'
import { Link, useLocation } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { discard, sendAgain, useJournal, type UnsentBatch } from '../journalStore.ts'
import { useJob } from '../useJob.ts'

/** So often is a batch tried before anybody is bothered with it. */
const quietTries = 1

/** What is not with the server and needs somebody: refused, stuck, lost by a restore, or a device that is not paired. */
export function RefusedNotice() {
  const unsent = useJournal((state) => state.unsent)
  const unpaired = useJournal((state) => state.link === 'unpaired')
  const { pathname } = useLocation()
  const refused = unsent.filter((batch) => batch.state === 'refused')
  const stuck = unsent.filter((batch) => batch.state === 'waiting' && batch.tries > quietTries)
  const lost = unsent.filter((batch) => batch.state === 'lost')
  if (!unpaired && refused.length + stuck.length + lost.length === 0) return null
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
          more={`Tried ${batch.tries} times; next at ${format(batch.notBefore, 'HH:mm:ss')}.`}
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
function Lost({ batches }: { batches: UnsentBatch[] }) {
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
