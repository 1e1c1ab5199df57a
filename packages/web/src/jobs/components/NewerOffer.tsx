import { entryWords } from '@tidy-badger/core/jobs'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { usePreferences } from '../../platform/preferences.ts'
import type { Newer } from '../api.ts'
import { useJob } from '../useJob.ts'

export function NewerOffer({ dossier, newer }: { dossier: 'machine' | 'kit'; newer: Newer }) {
  const { dossiers, state, job, entries, write } = useJob()
  const decline = usePreferences((state) => state.declineVersion)
  const [open, setOpen] = useState(false)
  const { from, to, changes, invalidates, variantLost } = newer
  const name = dossier === 'machine' ? dossiers.machine.model : dossiers.kit.model
  const lost = invalidates.length
  const take = async () => {
    const taken = await write({ kind: 'dossier-changed', dossier, to, replaces: from.hash, invalidates })
    if (taken) setOpen(false)
  }
  return (
    <section
      aria-label={`Newer version of the ${name}`}
      className="no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-data bg-paper px-5 py-2"
    >
      <p className="min-w-0 flex-1 basis-72">
        <b>
          {name}: version {to.version} of its dossier is out.
        </b>{' '}
        This job works with version {from.version}.
      </p>
      <Button onClick={() => setOpen(true)}>See what changes</Button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={`${name}, version ${from.version} to ${to.version}`}
        hint={
          lost === 0
            ? 'Everything written down on this job fits the new version.'
            : `${lost} ${lost === 1 ? 'entry' : 'entries'} of this job would no longer fit; ${lost === 1 ? 'it stays' : 'they stay'} in the journal, marked.`
        }
        wide
      >
        {lost > 0 && (
          <section className="mb-4 border-l-[5px] border-stop pl-4">
            <h3 className="text-lead font-bold">No longer fits</h3>
            <ul>
              {invalidates.map((item) => {
                const entry = entries.find((candidate) => candidate.id === item.entry)
                return (
                  <li key={item.entry} className="py-1">
                    <b>{entry ? entryWords(entry, dossiers, state) : item.entry}</b>: {item.why}
                  </li>
                )
              })}
            </ul>
          </section>
        )}
        {variantLost !== null && (
          <p className="mb-4 border-l-[5px] border-lamp pl-4">
            The variant “{variantLost}” of this job is not in the new version: the plain machine would be used.
          </p>
        )}
        <h3 className="text-lead font-bold">What is different</h3>
        <ul className="mb-4 max-h-[40vh] divide-y-2 divide-line-soft overflow-y-auto">
          {changes.map((change) => (
            <li key={change.says} className="py-1.5">
              {change.says}
            </li>
          ))}
          {changes.length === 0 && <li className="py-1.5">Details of plugs and wires only.</li>}
        </ul>
        <div className="flex flex-wrap gap-3">
          <Button look="main" onClick={() => void take()}>
            Work with version {to.version} from now on
          </Button>
          <Button
            onClick={() => {
              decline(`${job.id} ${to.hash}`)
              setOpen(false)
            }}
          >
            Stay with version {from.version}
          </Button>
        </div>
      </Sheet>
    </section>
  )
}
