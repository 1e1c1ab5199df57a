import { withWires } from '@tidy-badger/core/dossier-writing'
import {
  pinoutColumns,
  readPinoutRows,
  splitPinoutTable,
  wireName,
  gridCavities,
  type Connector,
  type Machine,
  type PinoutColumn,
  type PinoutMapping,
} from '@tidy-badger/core/dossiers'
import { ClipboardPaste } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { WireChip } from '../../wiring/index.ts'
import { changeMachine } from '../draftStore.ts'
import type { Reading } from './WireGrid.tsx'

const columnNames: Record<PinoutColumn, string> = {
  cavity: 'cavity number',
  colour: 'wire colour',
  signal: 'circuit',
  area: 'cross-section, mm²',
}

/** A pinout table from a spreadsheet or file: columns are guessed, shown, and taken over only when every line reads. */
export function PastePinout({
  machine,
  connector,
  reading,
  onTaken,
}: {
  machine: Machine
  connector: Connector
  reading: Reading
  onTaken: () => void
}) {
  const [open, setOpen] = useState(false)
  const [text, setText] = useState('')
  const [changed, setChanged] = useState<PinoutMapping>({})
  const table = useMemo(() => splitPinoutTable(text), [text])
  const mapping = { ...table.mapping, ...changed }
  const read = readPinoutRows(table, mapping, reading.order, reading.language)
  const width = Math.max(0, ...table.rows.map((row) => row.length))
  const take = () => {
    const most = Math.max(connector.cavities.length, ...read.rows.map((row) => row.cavity))
    changeMachine((before) => {
      const grown = {
        ...before,
        connectors: before.connectors.map((item) =>
          item.id === connector.id && most > item.cavities.length
            ? { ...item, cavities: gridCavities(most, most > 8 ? 2 : 1) }
            : item,
        ),
      }
      return withWires(grown, connector.id, read.rows)
    })
    setOpen(false)
    setText('')
    setChanged({})
    onTaken()
  }
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <ClipboardPaste aria-hidden size={19} /> Paste a table
      </Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={`Pinout of ${connector.name}`}
        hint="From a spreadsheet or a CSV file. It replaces the wires of this plug."
        wide
      >
        <label className="flex flex-col gap-1 font-semibold">
          The table
          <textarea
            rows={7}
            value={text}
            onChange={(event) => {
              setText(event.target.value)
              setChanged({})
            }}
            className="figures text-small"
            placeholder={'pin\tcolour\tcircuit\n1\tbk/pk\tInjector drive'}
          />
        </label>
        {width > 0 && (
          <>
            <div className="mt-3 grid gap-2 sm:grid-cols-4">
              {pinoutColumns.map((column) => (
                <label key={column} className="flex flex-col text-small font-semibold">
                  {columnNames[column]}
                  <select
                    value={mapping[column] ?? ''}
                    onChange={(event) =>
                      setChanged({
                        ...changed,
                        [column]: event.target.value === '' ? undefined : Number(event.target.value),
                      })
                    }
                  >
                    <option value="">none</option>
                    {Array.from({ length: width }, (_, i) => (
                      <option key={i} value={i}>
                        {table.headings?.[i] ?? `column ${i + 1}`}
                      </option>
                    ))}
                  </select>
                </label>
              ))}
            </div>
            <section className="mt-4" aria-label="Preview">
              <ul className="grid gap-x-6 sm:grid-cols-2">
                {read.rows.map((row) => (
                  <li key={row.cavity} className="flex min-h-8 items-center gap-2">
                    <span className="figures w-9 text-right font-bold">{row.label ?? row.cavity}</span>
                    {row.colour ? (
                      <>
                        <WireChip colour={row.colour} /> {wireName(row.colour)}
                      </>
                    ) : (
                      'empty'
                    )}
                    <span className="text-quiet">{row.signal}</span>
                  </li>
                ))}
              </ul>
              {read.problems.length > 0 && (
                <ul role="alert" className="mt-2 flex flex-col gap-1">
                  {read.problems.slice(0, 12).map((problem) => (
                    <li key={`${problem.path}${problem.message}`} className="border-l-[5px] border-stop pl-3">
                      {problem.message} The line is left out.
                    </li>
                  ))}
                </ul>
              )}
            </section>
            <Button
              look="main"
              className="mt-4"
              disabled={read.rows.length === 0 || machine.connectors.length === 0}
              onClick={take}
            >
              Take it over
            </Button>
          </>
        )}
      </Sheet>
    </>
  )
}
