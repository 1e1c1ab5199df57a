import { pulseSetting, type SheetRow } from '@tidy-badger/core/setup'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { FigureField } from '../../ui/form/Fields.tsx'
import { figure, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { VerdictLine } from '../../ui/Verdict.tsx'

const rpm = (least: number) =>
  figure('1/min', `${least} to 100000 1/min.`, (value) => value >= least && value <= 100_000)
const seen = z.object({ displayedRpm: rpm(0), trueRpm: rpm(1) })

/** Engine speed as the unit shows it beside the true one: the ratio names the cause and the setting. */
export function ComparedSpeed({ row }: { row: SheetRow }) {
  const { job, state, write } = useJob()
  const currentSetting = Number(row.inForce)
  const fields = useFields(seen, {
    start: { displayedRpm: '', trueRpm: '' },
    place: `job/${job.id}/compared/${row.setting}`,
    onSend: (values) => write({ kind: 'speed-compared', ...values, currentSetting, setting: row.setting }),
  })
  const typed = seen.safeParse(fields.form.watch())
  const answer = typed.success ? pulseSetting({ ...typed.data, currentSetting }) : null
  const was = state.compared[row.setting]
  return (
    <details>
      <summary className="flex min-h-11 cursor-pointer items-center text-small underline underline-offset-4">
        {was ? `Shown ${was.displayedRpm}, true ${was.trueRpm} 1/min` : 'Compare with the dash, engine running'}
      </summary>
      <form className="grid items-end gap-2 sm:grid-cols-[1fr_1fr_auto]" onSubmit={fields.submit}>
        <FigureField of={fields} name="displayedRpm" label="The unit shows, 1/min" unit="1/min" />
        <FigureField of={fields} name="trueRpm" label="It is, 1/min" unit="1/min" />
        <Button type="submit" disabled={!fields.ready || !Number.isFinite(currentSetting)}>
          Compare
        </Button>
      </form>
      <ul className="mt-1" aria-label="Compared">
        {answer?.ok && (
          <VerdictLine
            ok={answer.value.cause === null}
            says={answer.value.cause === null ? 'They agree.' : `${answer.value.cause}.`}
            {...(answer.value.suggestion === null ? {} : { change: `Set ${answer.value.suggestion}.` })}
          />
        )}
        {answer && !answer.ok && <VerdictLine ok={false} says={answer.problems[0]?.message ?? ''} />}
      </ul>
    </details>
  )
}
