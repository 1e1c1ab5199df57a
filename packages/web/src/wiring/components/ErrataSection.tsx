import { idIn } from '@tidy-badger/core/shared'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { notice } from '../../ui/notices.ts'
import { v4 as newId } from 'uuid'
import { askForPerson, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { useKeptText } from '../../platform/keptTexts.ts'
import { usePreferences } from '../../platform/preferences.ts'
import { postErratum } from '../api.ts'
import { useSelection } from '../store.ts'

/** What the kit's sheet says wrongly on this machine: written down once, shown on every later job with both. */
export function ErrataSection() {
  const { job, dossiers, errata } = useJob()
  const { machine, kit } = dossiers
  const client = useQueryClient()
  const selected = useSelection((state) => state.end)
  const [end, setEnd] = useState(selected ?? kit.ends[0]?.id)
  const [says, setSays] = useKeptText(`job/${job.id}/sheet-says`)
  const [is, setIs] = useKeptText(`job/${job.id}/sheet-is`)
  const send = async () => {
    if (end === undefined || !(await askForPerson())) return
    try {
      await postErratum({
        id: newId(),
        kit: kit.id,
        machine: machine.id,
        kitEnd: end,
        says: says.trim(),
        is: is.trim(),
        by: usePreferences.getState().person ?? '',
      })
      setSays('')
      setIs('')
      await client.invalidateQueries({ queryKey: ['errata'] })
    } catch (error) {
      notice.bad(error instanceof Error ? error.message : String(error))
    }
  }
  const own = errata.filter((item) => item.kit === kit.id && item.machine === machine.id)
  return (
    <section>
      <h3 className="mb-1.5 text-lead font-bold">The sheet is wrong</h3>
      <ul className="flex flex-col gap-1">
        {own.map((item) => (
          <li key={item.id}>
            <strong>{kit.ends.find((candidate) => candidate.id === item.kitEnd)?.name}</strong>: sheet says {item.says};{' '}
            {item.is}. {item.by}, {item.at.slice(0, 10)}.
          </li>
        ))}
      </ul>
      <form
        className="mt-1.5 flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void send()
        }}
      >
        <label className="flex flex-col gap-1 font-semibold">
          Which end
          <select
            value={end}
            onChange={(event) => setEnd(idIn(kit.ends, event.target.value) ?? end)}
            className="max-w-80"
          >
            {kit.ends.map((item) => (
              <option key={item.id} value={item.id}>
                {item.tag}, {item.name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-1 font-semibold">
          The sheet says
          <input
            value={says}
            maxLength={600}
            placeholder="violet/grey"
            onChange={(event) => setSays(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-1 font-semibold">
          What is there
          <input
            value={is}
            maxLength={600}
            placeholder="it is grey with a violet stripe; the violet/white beside it is another wire"
            onChange={(event) => setIs(event.target.value)}
          />
        </label>
        <Button type="submit" className="self-start" disabled={says.trim() === '' || is.trim() === ''}>
          Write it down for everybody
        </Button>
      </form>
    </section>
  )
}
