import {
  coverRow,
  emptyCoverRow,
  wayFroms,
  withCover,
  withoutCover,
  type Cover,
  type CoverRow,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { changeDraft, useDraft } from '../draftStore.ts'

type Field = Exclude<keyof CoverRow, 'from'>

const fields: { field: Field; label: string; hint: string; wide: string }[] = [
  { field: 'name', label: 'Cover', hint: 'Seat', wide: 'w-40' },
  { field: 'after', label: 'Comes off after', hint: 'seat, left panel', wide: 'w-36' },
  { field: 'off', label: 'Minutes', hint: '8 or 3/6/12', wide: 'w-28' },
  { field: 'fasteners', label: 'What holds it', hint: '4 screws M6x20 hex socket 5 9 N·m; 2 pegs', wide: 'w-72' },
  { field: 'saves', label: 'Save', hint: 'four washers', wide: 'w-36' },
  { field: 'behind', label: 'Behind it', hint: 'injector, coil', wide: 'w-48' },
]

/** What comes off, one row a cover, typed left to right; Enter keeps a row and opens the next. */
export function CoverTable({ machine }: { machine: Machine }) {
  const covers = machine.covers ?? []
  return (
    <section className="min-w-0">
      <h2 className="mb-1 text-xl font-bold">What comes off</h2>
      <p className="mb-2 text-quiet">
        One figure is enough for a time. The same plug behind two covers needs both; from another side it is another
        way.
      </p>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Covers">
        <table className="border-collapse">
          <thead>
            <tr className="text-left text-[15px]">
              {fields.map(({ field, label }) => (
                <th key={field} className="pr-2 pb-1">
                  {label}
                </th>
              ))}
              <th className="pb-1">From</th>
              <th>
                <span className="sr-only">Take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {covers.map((cover) => (
              <Row key={cover.id} machine={machine} cover={cover} />
            ))}
            <Row key={`new ${covers.length}`} machine={machine} cover={null} fresh={covers.length > 0} />
          </tbody>
        </table>
      </div>
    </section>
  )
}

function Row({ machine, cover, fresh = false }: { machine: Machine; cover: Cover | null; fresh?: boolean }) {
  const stored = cover ? coverRow(machine, cover) : emptyCoverRow
  const [typed, setTyped] = useState<Partial<CoverRow>>({})
  const [problems, setProblems] = useState<{ path: string; message: string }[]>([])
  const row = { ...stored, ...typed }
  const name = cover?.name ?? 'new cover'
  const keep = (more: Partial<CoverRow> = {}) => {
    const next = { ...row, ...more }
    if (!cover && next.name.trim() === '') return
    if (cover && Object.keys({ ...typed, ...more }).length === 0) return
    const made = withCover(useDraft.getState().machine ?? machine, cover?.id ?? null, next)
    if (!made.ok) {
      setTyped({ ...typed, ...more })
      setProblems(made.problems)
      return
    }
    setTyped({})
    setProblems([])
    changeDraft(() => made.value)
  }
  return (
    <>
      <tr className="align-top">
        {fields.map(({ field, label, hint, wide }, i) => (
          <td key={field} className="pr-2 pb-1">
            <input
              aria-label={`${label}, ${name}`}
              aria-invalid={problems.some((problem) => problem.path === field)}
              placeholder={cover ? '' : hint}
              className={`${wide} ${problems.some((problem) => problem.path === field) ? '!border-stop' : ''}`}
              value={row[field]}
              autoFocus={fresh && i === 0}
              onChange={(event) => setTyped({ ...typed, [field]: event.target.value })}
              onBlur={() => cover && keep()}
              onKeyDown={(event) => event.key === 'Enter' && keep()}
            />
          </td>
        ))}
        <td className="pb-1">
          <select
            aria-label={`From, ${name}`}
            value={row.from}
            onChange={(event) => {
              const from = wayFroms.find((known) => known === event.target.value) ?? 'above'
              if (cover) keep({ from })
              else setTyped({ ...typed, from })
            }}
          >
            {wayFroms.map((from) => (
              <option key={from}>{from}</option>
            ))}
          </select>
        </td>
        <td className="pb-1 pl-2">
          {cover ? (
            <Button look="quiet" onClick={() => changeDraft((before) => withoutCover(before, cover.id))}>
              Take out
            </Button>
          ) : (
            <Button onClick={() => keep()}>Add</Button>
          )}
        </td>
      </tr>
      {problems.length > 0 && (
        <tr>
          <td colSpan={fields.length + 2} className="pb-3">
            <ul role="alert" className="border-l-[5px] border-stop pl-3 font-semibold text-stop">
              {problems.map((problem) => (
                <li key={`${problem.path} ${problem.message}`}>{problem.message}</li>
              ))}
            </ul>
          </td>
        </tr>
      )}
    </>
  )
}
