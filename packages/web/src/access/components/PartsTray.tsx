import { fastenerWords } from '@tidy-badger/core/dossiers'
import { trayOf, type TrayItem } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { TakenPart } from '../../machine-view/index.ts'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { Sheet } from '../../ui/Sheet.tsx'

/** Everything taken off and not yet back, in a tray with one compartment each. */
export function PartsTray() {
  const { dossiers, state } = useJob()
  const tray = trayOf(dossiers, state)
  const [open, setOpen] = useState<string | null>(null)
  const asked = tray.find((item) => item.cover.id === open)
  return (
    <section aria-label="Parts tray">
      <h3 className="mb-1.5 text-body font-bold">
        In the tray <span className="figures font-normal text-quiet">{tray.length}</span>
      </h3>
      {tray.length === 0 ? (
        <p className="text-small text-quiet">Empty. What comes off is kept here until it is back.</p>
      ) : (
        <ul className="grid grid-cols-2 gap-px overflow-hidden rounded-lg border-2 border-ink bg-ink">
          {tray.map((item) => (
            <Compartment key={item.cover.id} item={item} onPick={() => setOpen(item.cover.id)} />
          ))}
          {tray.length % 2 === 1 && <li aria-hidden className="bg-line-soft" />}
        </ul>
      )}
      <Sheet open={asked !== undefined} onClose={() => setOpen(null)} title={asked?.cover.name ?? ''}>
        {asked && <LeaveOff item={asked} onDone={() => setOpen(null)} />}
      </Sheet>
    </section>
  )
}

function Compartment({ item, onPick }: { item: TrayItem; onPick: () => void }) {
  const { dossiers } = useJob()
  const small = item.cover.fasteners.filter((fastener) => fastener.threadMm !== undefined)
  return (
    <li className="bg-paper">
      <button type="button" onClick={onPick} className="block min-h-[64px] w-full px-2.5 py-2 text-left font-text">
        <span className="flex items-center justify-between gap-2">
          <span className="text-small leading-tight font-semibold">{item.cover.name}</span>
          <TakenPart machine={dossiers.machine} cover={item.cover} />
        </span>
        <span className="block text-small leading-tight text-quiet">
          {[...small.map((fastener) => `${fastener.count} × M${fastener.threadMm}`), ...item.cover.saves].join(', ')}
        </span>
        {item.leftOff && <span className="block text-small font-semibold text-lamp-ink">stays off</span>}
      </button>
    </li>
  )
}

const why = z.object({ reason: words(600) })

function LeaveOff({ item, onDone }: { item: TrayItem; onDone: () => void }) {
  const { job, write } = useJob()
  const fields = useFields(why, {
    start: { reason: '' },
    place: `job/${job.id}/stays-off/${item.cover.id}`,
    onSend: async ({ reason }) => {
      const written = await write({ kind: 'left-off', cover: item.cover.id, reason })
      if (written) onDone()
      return written
    },
  })
  return (
    <div className="flex flex-col gap-4">
      <ul className="list-disc pl-5">
        {item.cover.fasteners.map((fastener) => (
          <li key={fastenerWords(fastener)}>{fastenerWords(fastener)}</li>
        ))}
        {item.cover.saves.map((saved) => (
          <li key={saved} className="font-semibold">
            {saved}
          </li>
        ))}
      </ul>
      <Button
        look="main"
        onClick={() => void write({ kind: 'cover-on', cover: item.cover.id }).then((written) => written && onDone())}
      >
        It is back on
      </Button>
      <form className="flex flex-col gap-2 border-t-2 border-line-soft pt-4" onSubmit={fields.submit}>
        <TextField of={fields} name="reason" label="It stays off, because" maxLength={600} />
        <Button type="submit" disabled={!fields.ready}>
          Write it down
        </Button>
      </form>
    </div>
  )
}
