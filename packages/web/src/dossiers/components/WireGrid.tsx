import { withWires } from '@tidy-badger/core/dossier-writing'
import {
  wireAt,
  machineIndex,
  readWireColour,
  wireShort,
  type CavityEntry,
  type ColourLanguage,
  type ColourOrder,
  type Connector,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { readFigure } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { Grid, type GridColumn } from '../../ui/Grid.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { WireChip } from '../../wiring/index.ts'
import { changeMachine } from '../draftStore.ts'

export interface Reading {
  order: ColourOrder
  language?: ColourLanguage
}

interface Row {
  cavity: number
  colour: string
  signal: string
  area: string
}

/** One line a cavity: colour in shorthand, circuit, cross-section. Enter goes to the next cavity; true colours show at once. */
export function WireGrid({
  machine,
  connector,
  reading,
}: {
  machine: Machine
  connector: Connector
  reading: Reading
}) {
  const [rows, setRows] = useState(() => rowsOf(machine, connector))
  const names = [...new Set(machine.nets.map((net) => net.name))]
  const change = (cavity: number, part: Partial<Row>) => {
    const next = rows.map((row) => (row.cavity === cavity ? { ...row, ...part } : row))
    setRows(next)
    changeMachine((before) => withWires(before, connector.id, entriesOf(next, reading)))
  }
  const read = ({ colour }: Row) =>
    colour.trim() === '' ? null : readWireColour(colour, reading.order, reading.language)
  const columns: GridColumn<Row>[] = [
    {
      id: 'colour',
      head: 'colour',
      width: 'w-28',
      cell: (row) => (
        <input
          aria-label={`Colour of cavity ${row.cavity}`}
          value={row.colour}
          maxLength={60}
          autoComplete="off"
          aria-invalid={(read(row)?.kind ?? 'read') !== 'read'}
          onChange={(event) => change(row.cavity, { colour: event.target.value })}
          className="w-full"
        />
      ),
    },
    { id: 'wire', head: 'wire', cell: (row) => <ReadColour read={read(row)} /> },
    {
      id: 'signal',
      head: 'circuit',
      width: 'w-[36%]',
      cell: (row) => (
        <input
          aria-label={`Circuit of cavity ${row.cavity}`}
          list="circuit-names"
          value={row.signal}
          maxLength={80}
          onChange={(event) => change(row.cavity, { signal: event.target.value })}
          className="w-full"
        />
      ),
    },
    {
      id: 'area',
      head: 'mm²',
      width: 'w-[68px]',
      cell: (row) => (
        <NumberField
          label={`Cross-section of cavity ${row.cavity}`}
          unit="mm²"
          text={row.area}
          onText={(area) => change(row.cavity, { area })}
          className="w-full"
        />
      ),
    },
  ]
  return (
    <>
      <datalist id="circuit-names">
        {names.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <Grid
        label={`Wires of ${connector.name}`}
        className="w-full table-fixed [&_tr]:border-t-2 [&_tr]:border-line-soft"
        rows={rows}
        idOf={(row) => String(row.cavity)}
        columns={[
          {
            id: 'cavity',
            head: 'cav.',
            width: 'w-14',
            text: (row) => String(row.cavity),
            cell: (row) => <span className="figures block pt-2 pr-2 text-right font-bold">{row.cavity}</span>,
          },
          ...columns,
        ]}
      />
    </>
  )
}

function ReadColour({ read }: { read: ReturnType<typeof readWireColour> | null }) {
  if (!read) return null
  if (read.kind !== 'read') return <span className="text-small font-semibold text-stop">{read.message}</span>
  return (
    <span className="flex items-center gap-2 pt-2 text-small leading-tight">
      <WireChip colour={read.colour} /> {read.says}
    </span>
  )
}

function rowsOf(machine: Machine, connector: Connector): Row[] {
  const index = machineIndex(machine)
  return connector.cavities.map(({ number }) => {
    const wire = wireAt(machine, connector.id, number)
    return {
      cavity: number,
      colour: wire ? wireShort(wire.colour) : '',
      signal: wire ? (index.nets.get(wire.net)?.name ?? '') : '',
      area: wire ? String(wire.areaMm2) : '',
    }
  })
}

function entriesOf(rows: readonly Row[], { order, language }: Reading): CavityEntry[] {
  return rows.map((row) => {
    const read = readWireColour(row.colour, order, language)
    const area = readFigure(row.area, 'mm²') ?? 0
    return {
      cavity: row.cavity,
      signal: row.signal,
      ...(read.kind === 'read' ? { colour: read.colour } : {}),
      ...(area > 0 ? { areaMm2: area } : {}),
    }
  })
}
