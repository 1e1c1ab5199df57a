import { supplyGuard } from '@tidy-badger/core/setup'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { asWords, ChoiceField, FigureField, TextField } from '../../ui/form/Fields.tsx'
import { figure, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { VerdictLine } from '../../ui/Verdict.tsx'

const amount = (unit: string, most: number) =>
  figure(unit, `0 to ${most} ${unit}.`, (value) => value >= 0 && value <= most)
const guard = z.object({
  batteryV: figure('V', '5 to 20 V.', (value) => value >= 5 && value <= 20),
  chemistry: z.enum(['lead', 'lithium']),
  standing: z.enum(['at rest', 'on charge']),
  batteryAh: amount('Ah', 400),
  chargerA: amount('A', 200),
  loadA: amount('A', 100),
  minutes: amount('min', 600),
  what: z.enum(['the module', 'an engine control unit']),
})
const done = z.object({
  what: words(200),
  before: words(80),
  after: words(80),
  supplyV: figure('V', '0 to 20 V.', (value) => value >= 0 && value <= 20),
})

/** What is done around an update, and in which order; general practice. */
const order = [
  'Version now, written down, and a copy of what is in it where the unit gives one.',
  'Supply by the guard below; lamps, fan and radio off, doors as they stay.',
  'Key as the unit asks; then nobody touches key, plug or door until it says it is done. Displays may go dark.',
  'Where both are programmed: engine control first, then the gearbox, each with its key cycle.',
  'Key off, wait until everything sleeps, key on: version after, codes read.',
  'It breaks off: leave the supply on and the plugs in, try again from the start; still dead, the maker’s recovery, never a second tool.',
] as const

/** What is waited for meanwhile. */
const noTouch = 'the update: nobody touches key, plug or door'

/** An update guarded: supply, order, version before and after. */
export function UpdateCard({ onDone }: { onDone: () => void }) {
  const { job, write } = useJob()
  const supply = useFields(guard, {
    start: {
      ...{ batteryV: '', chemistry: 'lead', standing: 'at rest', batteryAh: '', chargerA: '0', loadA: '', minutes: '' },
      what: 'the module',
    },
    place: `job/${job.id}/guard`,
    onSend: () => false,
  })
  const fields = useFields(done, {
    start: { what: '', before: '', after: '', supplyV: '' },
    place: `job/${job.id}/updated`,
    onSend: async (values) => {
      const sent = await write({ kind: 'updated', ...values })
      if (sent) onDone()
      return sent
    },
  })
  const typed = guard.safeParse(supply.form.watch())
  const verdict = typed.success
    ? supplyGuard({
        ...typed.data,
        atRest: typed.data.standing === 'at rest',
        programming: typed.data.what !== 'the module',
      })
    : null
  return (
    <div className="flex flex-col gap-4">
      <ol className="list-decimal pl-5">
        {order.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      <section className="border-t-2 border-line-soft pt-3">
        <h3 className="mb-2 text-body font-bold">Does the supply last?</h3>
        <div className="grid gap-3 sm:grid-cols-2">
          <ChoiceField
            of={supply}
            name="what"
            label="Programmed is"
            options={asWords(['the module', 'an engine control unit'])}
          />
          <FigureField of={supply} name="batteryV" label="Battery, V" unit="V" />
          <ChoiceField of={supply} name="standing" label="It is" options={asWords(['at rest', 'on charge'])} />
          <ChoiceField of={supply} name="chemistry" label="Battery of" options={asWords(['lead', 'lithium'])} />
          <FigureField of={supply} name="batteryAh" label="Battery, Ah" unit="Ah" />
          <FigureField of={supply} name="chargerA" label="Charger, A" unit="A" />
          <FigureField of={supply} name="loadA" label="Load with the key on, A" unit="A" />
          <FigureField of={supply} name="minutes" label="It takes, min" unit="min" />
        </div>
        <ul className="mt-2" aria-label="The supply">
          {verdict?.ok && (
            <VerdictLine
              ok={verdict.value.verdict === 'go'}
              says={`${verdict.value.verdict.toUpperCase()}: ${verdict.value.reason}`}
            />
          )}
        </ul>
        <Button
          className="mt-2"
          disabled={!typed.success || !verdict?.ok || verdict.value.verdict !== 'go'}
          onClick={() =>
            typed.success &&
            void write({ kind: 'timer-started', what: noTouch, minutes: Math.max(1, typed.data.minutes) })
          }
        >
          Begun: start the no-touch clock
        </Button>
      </section>
      <form className="grid gap-3 border-t-2 border-line-soft pt-3 sm:grid-cols-2" onSubmit={fields.submit}>
        <TextField of={fields} name="what" label="What was updated" className="sm:col-span-2" />
        <TextField of={fields} name="before" label="Version before" />
        <TextField of={fields} name="after" label="Version after" />
        <FigureField of={fields} name="supplyV" label="Least volts meanwhile, V" unit="V" />
        <Button type="submit" look="main" disabled={!fields.ready}>
          Write it down
        </Button>
      </form>
    </div>
  )
}
