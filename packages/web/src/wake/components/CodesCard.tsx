import { codeLedger, codeTimes, notOurs, type CodeTime } from '@tidy-badger/core/wake'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { mayBeEmpty, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'

const listed = z.object({ codes: mayBeEmpty(600) })
const split = (text: string) => text.split(/[\s,;]+/).filter(Boolean)

/** Trouble codes before, after and after the drive; which are new, old and gone, and which may be cleared. */
export function CodesCard() {
  const { state, write } = useJob()
  const { fresh, old, gone, known } = codeLedger(state)
  const clearable = fresh.filter((code) => notOurs(state, [code]).length === 0)
  return (
    <div className="flex flex-col gap-4">
      {codeTimes.map((when) => (
        <Read key={when} when={when} />
      ))}
      {known && (
        <dl className="grid grid-cols-[90px_1fr] gap-y-1 border-t-2 border-line-soft pt-3">
          {(
            [
              ['New', fresh],
              ['Old', old],
              ['Gone', gone],
            ] as const
          ).map(([name, codes]) => (
            <span key={name} className="contents">
              <dt className="font-bold">{name}</dt>
              <dd className="figures">{codes.length === 0 ? 'none' : codes.join(', ')}</dd>
            </span>
          ))}
        </dl>
      )}
      <p className="text-quiet">
        Only what this job caused is cleared. What came with the machine stays, and the owner is told.
      </p>
      {clearable.length > 0 && (
        <Button onClick={() => void write({ kind: 'codes-cleared', codes: clearable })}>
          {clearable.join(', ')} cleared
        </Button>
      )}
    </div>
  )
}

function Read({ when }: { when: CodeTime }) {
  const { job, state, write } = useJob()
  const now = state.codes[when]
  const fields = useFields(listed, {
    start: { codes: now?.codes.join(', ') ?? '' },
    place: `job/${job.id}/codes/${when}`,
    onSend: async ({ codes }) => {
      await write({ kind: 'codes-read', when, codes: split(codes) })
      return false
    },
  })
  return (
    <form className="flex items-end gap-2" onSubmit={fields.submit}>
      <TextField
        of={fields}
        name="codes"
        label={`Codes ${when}${now ? '' : ', not read yet'}`}
        hint="apart by comma; empty: none"
        className="flex-1"
        inputClass="figures"
      />
      <Button type="submit">Read</Button>
    </form>
  )
}
