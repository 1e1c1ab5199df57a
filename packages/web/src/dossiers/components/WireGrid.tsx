import {
  wireAt,
  machineIndex,
  readWireColour,
  withPinout,
  wireShort,
  type CavityEntry,
  type ColourLanguage,
  type ColourOrder,
  type Connector,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { useRef, useState } from 'react'
import { WireChip } from '../../wiring/index.ts'
import { changeDraft } from '../draftStore.ts'

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
  const grid = useRef<HTMLTableElement>(null)
  const names = [...new Set(machine.nets.map((net) => net.name))]
  const change = (at: number, part: Partial<Row>) => {
    const next = rows.map((row, i) => (i === at ? { ...row, ...part } : row))
    setRows(next)
    changeDraft((before) => withPinout(before, connector.id, entriesOf(next, reading)))
  }
  const goTo = (row: number, column: string) =>
    grid.current?.querySelector<HTMLInputElement>(`input[data-at="${row}-${column}"]`)?.focus()
  return (
    <>
      <datalist id="circuit-names">
        {names.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <table ref={grid} className="w-full table-fixed border-collapse">
        <thead>
          <tr className="text-left text-small">
            <th className="w-10 pr-2 text-right">cav.</th>
            <th className="w-28 px-1">colour</th>
            <th className="px-1">wire</th>
            <th className="w-[36%] px-1">circuit</th>
            <th className="w-[68px] px-1">mm²</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => {
            const read = row.colour.trim() === '' ? null : readWireColour(row.colour, reading.order, reading.language)
            const keys = (column: string) => (event: React.KeyboardEvent) => {
              const step = event.key === 'Enter' || event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
              if (step === 0) return
              event.preventDefault()
              goTo(i + step, event.key === 'Enter' ? 'colour' : column)
            }
            return (
              <tr key={row.cavity} className="border-t-2 border-line-soft align-top">
                <td className="figures pt-2.5 pr-2 text-right font-bold">{row.cavity}</td>
                <td className="px-1 py-0.5">
                  <input
                    aria-label={`Colour of cavity ${row.cavity}`}
                    data-at={`${i}-colour`}
                    value={row.colour}
                    maxLength={60}
                    autoComplete="off"
                    aria-invalid={read !== null && read.kind !== 'read'}
                    onChange={(event) => change(i, { colour: event.target.value })}
                    onKeyDown={keys('colour')}
                    className="w-full"
                  />
                </td>
                <td className="px-1 pt-2.5 text-small leading-tight">
                  {read?.kind === 'read' ? (
                    <span className="flex items-center gap-2">
                      <WireChip colour={read.colour} /> {read.says}
                    </span>
                  ) : (
                    read && <span className="font-semibold text-stop">{read.message}</span>
                  )}
                </td>
                <td className="px-1 py-0.5">
                  <input
                    aria-label={`Circuit of cavity ${row.cavity}`}
                    data-at={`${i}-signal`}
                    list="circuit-names"
                    value={row.signal}
                    maxLength={80}
                    onChange={(event) => change(i, { signal: event.target.value })}
                    onKeyDown={keys('signal')}
                    className="w-full"
                  />
                </td>
                <td className="px-1 py-0.5">
                  <input
                    aria-label={`Cross-section of cavity ${row.cavity}`}
                    data-at={`${i}-area`}
                    inputMode="decimal"
                    value={row.area}
                    onChange={(event) => change(i, { area: event.target.value })}
                    onKeyDown={keys('area')}
                    className="figures w-full"
                  />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
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
    const area = Number(row.area.replace(',', '.'))
    return {
      cavity: row.cavity,
      signal: row.signal,
      ...(read.kind === 'read' ? { colour: read.colour } : {}),
      ...(area > 0 ? { areaMm2: area } : {}),
    }
  })
}
