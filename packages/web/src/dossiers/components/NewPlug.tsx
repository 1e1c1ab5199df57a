import { newConnector, type FaceLayout, type Machine } from '@tidy-badger/core/dossiers'
import { useState, type FormEvent } from 'react'
import { Button } from '../../ui/Button.tsx'
import { changeDraft } from '../draftStore.ts'

/** A plug by name, cavities and rows: its face is there at once. */
export function NewPlug({ machine, onMade }: { machine: Machine; onMade: (id: string) => void }) {
  const [name, setName] = useState('')
  const [count, setCount] = useState('3')
  const [rows, setRows] = useState('1')
  const [layout, setLayout] = useState<FaceLayout>('grid')
  const cavities = Number(count)
  const lines = Number(rows)
  const wrong =
    !Number.isInteger(cavities) || cavities < 1 || cavities > 160
      ? 'A plug has 1 to 160 cavities.'
      : !Number.isInteger(lines) || lines < 1 || lines > cavities
        ? 'Rows: at least one, at most one for each cavity.'
        : null
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (wrong || name.trim() === '') return
    const connector = newConnector(machine, { name: name.trim(), count: cavities, rows: lines, layout })
    changeDraft((before) => ({ ...before, connectors: [...before.connectors, connector] }))
    setName('')
    onMade(connector.id)
  }
  return (
    <form onSubmit={submit} className="flex flex-col gap-2 rounded-xl border-2 border-line bg-paper p-3">
      <h2 className="text-lead font-bold">Another plug</h2>
      <label className="flex flex-col text-small font-semibold">
        Name
        <input
          value={name}
          maxLength={80}
          placeholder="Crank sensor plug"
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <div className="grid grid-cols-2 gap-2">
        <label className="flex flex-col text-small font-semibold">
          Cavities
          <input
            inputMode="numeric"
            value={count}
            onChange={(event) => setCount(event.target.value)}
            className="figures w-full"
          />
        </label>
        <label className="flex flex-col text-small font-semibold">
          Rows
          <input
            inputMode="numeric"
            value={rows}
            onChange={(event) => setRows(event.target.value)}
            className="figures w-full"
          />
        </label>
      </div>
      <label className="flex flex-col text-small font-semibold">
        Face
        <select
          value={layout}
          onChange={(event) =>
            setLayout((['grid', 'staggered', 'round'] as const).find((item) => item === event.target.value) ?? 'grid')
          }
        >
          <option value="grid">rows and columns</option>
          <option value="staggered">staggered rows</option>
          <option value="round">round</option>
        </select>
      </label>
      {wrong && <p className="text-small font-semibold text-stop">{wrong}</p>}
      <Button type="submit" disabled={wrong !== null || name.trim() === ''}>
        Add the plug
      </Button>
    </form>
  )
}
