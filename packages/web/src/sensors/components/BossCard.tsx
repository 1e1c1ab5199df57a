import { bossFrom, bossPoints, judgeBoss, leastOnWheelsDeg, type BossMeasured } from '@tidy-badger/core/sensors'
import { sensorLead } from '@tidy-badger/core/jobs'
import { readFigure } from '@tidy-badger/core/shared'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, FigureField, asWords } from '../../ui/form/Fields.tsx'
import { figure, mayBeEmpty, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { VerdictLine } from '../../ui/Verdict.tsx'

const boss = z.object({
  from: z.enum(bossFrom),
  behindMm: figure('mm', 'Along the pipe, 0 to 5000 mm.', (value) => value >= 0 && value <= 5000),
  tailMm: mayBeEmpty(10),
  aboveDeg: figure('°', 'Above the horizontal, −90 to 90°.', (value) => value >= -90 && value <= 90),
  points: z.enum(bossPoints),
  standDeg: figure('°', 'Lean on the side stand, 0 to 30°; 0 without one.', (value) => value >= 0 && value <= 30),
  tight: z.enum(['yes', 'no']),
})

/** The boss as its fields have it. */
function measured({ tight, tailMm, ...rest }: ReturnType<typeof boss.parse>): BossMeasured {
  const tail = readFigure(tailMm, 'mm')
  return { ...rest, tight: tight === 'yes', ...(tail !== null && tail > 0 ? { tailMm: tail } : {}) }
}

/** Where the boss is to go, as measured, judged while it is typed. */
export function BossCard({ onDone }: { onDone: () => void }) {
  const { job, state, dossiers, write } = useJob()
  const fields = useFields(boss, {
    start: { from: 'port', behindMm: '', tailMm: '', aboveDeg: '', points: 'right', standDeg: '', tight: 'yes' },
    place: `job/${job.id}/boss`,
    onSend: async (values) => {
      if (await write({ kind: 'boss-measured', ...measured(values) })) onDone()
    },
  })
  const typed = boss.safeParse(fields.form.watch())
  const checks = typed.success ? judgeBoss(measured(typed.data), sensorLead(dossiers, state)) : []
  return (
    <form className="flex flex-col gap-4" onSubmit={fields.submit}>
      <p className="text-quiet">
        On its wheels and on its stand, with an angle finder on the flat of the boss. On a stand of 12° a boss that
        points left wants {leastOnWheelsDeg('left', 12)}° on the wheels, one that points right{' '}
        {leastOnWheelsDeg('right', 12)}°.
      </p>
      <div className="grid gap-3 sm:grid-cols-2">
        <ChoiceField of={fields} name="from" label="Measured from the" options={asWords(bossFrom)} />
        <FigureField of={fields} name="behindMm" label="Behind it, mm" unit="mm" />
        <FigureField of={fields} name="tailMm" label="To the open end, mm (empty: far)" unit="mm" />
        <ChoiceField of={fields} name="points" label="It points" options={asWords(bossPoints)} />
        <FigureField of={fields} name="aboveDeg" label="Above the horizontal, °" unit="°" />
        <FigureField of={fields} name="standDeg" label="Lean on the side stand, °" unit="°" />
        <ChoiceField
          of={fields}
          name="tight"
          label="Joints ahead of it are"
          options={[
            ['yes', 'tight, looked at'],
            ['no', 'leaking'],
          ]}
        />
      </div>
      <ul className="flex flex-col gap-1.5" aria-label="What speaks for and against it">
        {checks.map(({ id, ok, says, change }) => (
          <VerdictLine key={id} ok={ok} says={says} change={change} />
        ))}
      </ul>
      <p className="border-l-[5px] border-lamp py-1 pl-3">
        Welding: pipe off the machine, electronics unplugged, a plug in the boss, by whoever may weld it; nothing near a
        tank.
      </p>
      <Button type="submit" look="main" disabled={!fields.ready}>
        Write it down
      </Button>
    </form>
  )
}
