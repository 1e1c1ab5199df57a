import { kitNamed, type KitMember } from '@tidy-badger/core/dossiers'
import { approvalsAsked, approvalWords } from '@tidy-badger/core/proving'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { mayBeEmpty, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'

const approval = z.object({ market: words(80), number: mayBeEmpty(80), to: words(120) })

/** The approval of each kit that changes the engine: a number, or none, and who was told that it is for a closed course. */
export function Approvals() {
  const { dossiers } = useJob()
  return approvalsAsked(dossiers.kit).map((member) => <Approval key={member.key} member={member} />)
}

function Approval({ member }: { member: KitMember }) {
  const { job, state, write } = useJob()
  const asked = state.approvals[member.key]
  const fields = useFields(approval, {
    start: { market: '', number: '', to: '' },
    place: `job/${job.id}/approval/${member.key}`,
    onSend: ({ market, number, to }) =>
      write({
        ...{ kind: 'approval-asked', market, with: to, ...kitNamed(member) },
        ...(number === '' ? {} : { number }),
      }),
  })
  const name = `${member.kit.maker} ${member.kit.model}`
  return (
    <section aria-label={`Approval of the ${name}`}>
      <h3 className="mb-2 text-title font-bold">Is the {name} approved for this machine?</h3>
      {asked ? (
        <p className="font-semibold">{approvalWords(asked)}.</p>
      ) : (
        <form className="flex flex-wrap items-end gap-2" onSubmit={fields.submit}>
          <TextField of={fields} name="market" label="Country or market" maxLength={80} className="min-w-40 flex-1" />
          <TextField
            of={fields}
            name="number"
            label="Number of the approval; empty if none"
            maxLength={80}
            className="min-w-40 flex-1"
          />
          <TextField of={fields} name="to" label="Told to" maxLength={120} className="min-w-40 flex-1" />
          <Button type="submit" disabled={!fields.ready}>
            Write it down
          </Button>
        </form>
      )}
    </section>
  )
}
