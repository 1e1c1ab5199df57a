import { asHeading, type Kit } from '@tidy-badger/core/dossiers'
import { answerTo, figureFor, readFigures, type Asked } from '@tidy-badger/core/instruments'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { fetchDocument, fetchDossiers, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { useInstrumentLines } from '../useInstrumentLines.ts'

const round = (value: number) => Math.round(value * 1000) / 1000

/** What an instrument says of the reading that is asked for: sent just now, pasted, or from its file. */
export function InstrumentSheet({
  asked,
  onClose,
  onTake,
}: {
  asked: Asked
  onClose: () => void
  onTake: (value: number) => void
}) {
  const { job, dossiers } = useJob()
  const rows = useQuery({ queryKey: ['dossiers'], queryFn: fetchDossiers })
  const readers = (rows.data ?? []).filter(
    (row, i, all) => (row.figures ?? 0) > 0 && all.findIndex((other) => other.id === row.id) === i,
  )
  const own = dossiers.kit.figures ? dossiers.kit.id : undefined
  const [picked, setPicked] = useState<string | undefined>(undefined)
  const id = picked ?? own ?? readers[0]?.id
  const other = useQuery({
    queryKey: ['dossier', 'kit', id, undefined],
    queryFn: () => fetchDocument('kit', id ?? ''),
    enabled: id !== undefined && id !== own,
  })
  const found = other.data?.document
  const instrument = id === own ? dossiers.kit : found?.kind === 'kit' ? found : null
  const [pasted, setPasted] = useState('')
  const lines = useInstrumentLines(job.id)
  return (
    <Sheet
      open
      onClose={onClose}
      title={`${asHeading(asked.quantity)}, ${asked.unit}`}
      hint="Taken from what an instrument sends, or from its log. You look at it and take it; nothing is written down by itself."
    >
      <div className="flex flex-col gap-5">
        <label className="flex flex-col gap-1 font-semibold">
          Instrument
          <select value={id ?? ''} onChange={(event) => setPicked(event.target.value)}>
            {own !== undefined && <option value={own}>this kit: {dossiers.kit.model}</option>}
            {readers
              .filter((row) => row.id !== own)
              .map((row) => (
                <option key={row.id} value={row.id}>
                  {row.name}
                </option>
              ))}
            {readers.length === 0 && own === undefined && <option value="">none is written down</option>}
          </select>
        </label>
        {instrument && <Column instrument={instrument} asked={asked} />}
        <section aria-label="Sent just now">
          <h3 className="text-lead font-bold">Sent just now</h3>
          {lines.length === 0 ? (
            <p className="text-quiet">
              Nothing comes yet. An instrument sends lines to this job over the yard’s network.
            </p>
          ) : (
            instrument && <Answer instrument={instrument} asked={asked} text={lines.join('\n')} onTake={onTake} />
          )}
        </section>
        <section aria-label="From a log">
          <h3 className="text-lead font-bold">From a log</h3>
          <label className="mt-1 flex flex-col gap-1 font-semibold">
            Its file, CSV or JSON lines
            <input
              type="file"
              accept=".csv,.txt,.json,.jsonl,.log,text/*"
              onChange={(event) => {
                const [file] = event.target.files ?? []
                void file?.text().then(setPasted)
              }}
            />
          </label>
          <label className="mt-2 flex flex-col gap-1 font-semibold">
            Or pasted
            <textarea
              rows={5}
              className="figures font-normal"
              value={pasted.length > 20_000 ? `${pasted.slice(0, 20_000)}…` : pasted}
              onChange={(event) => setPasted(event.target.value)}
            />
          </label>
          {pasted.trim() !== '' && instrument && (
            <Answer instrument={instrument} asked={asked} text={pasted} onTake={onTake} />
          )}
        </section>
      </div>
    </Sheet>
  )
}

function Column({ instrument, asked }: { instrument: Kit; asked: Asked }) {
  const figure = figureFor(instrument.figures ?? [], asked)
  return (
    <p className={figure ? 'text-quiet' : 'font-semibold'}>
      {figure
        ? `Its column ${figure.column}, ${figure.unit}, answers this.`
        : `None of its columns answers “${asked.quantity}” in ${asked.unit}: its dossier says which reading each answers.`}
    </p>
  )
}

function Answer({
  instrument,
  asked,
  text,
  onTake,
}: {
  instrument: Kit
  asked: Asked
  text: string
  onTake: (value: number) => void
}) {
  const read = useMemo(() => readFigures(instrument.figures ?? [], text), [instrument, text])
  if (!read.ok)
    return (
      <p role="alert" className="border-l-[5px] border-stop pl-3 font-semibold">
        {read.problems[0]?.message}
      </p>
    )
  const answer = answerTo(instrument.figures ?? [], read.value, asked)
  if (!answer) return <p className="text-quiet">Its last rows do not hold this figure.</p>
  const { value, low, high, rows } = answer
  return (
    <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2">
      <p role="status">
        <span className="figures text-head font-bold">{round(value)}</span> {asked.unit}{' '}
        <span className="text-quiet">
          middle of {rows}, {round(low)} to {round(high)}
        </span>
      </p>
      <Button look="main" onClick={() => onTake(round(value))}>
        Take it
      </Button>
    </div>
  )
}
