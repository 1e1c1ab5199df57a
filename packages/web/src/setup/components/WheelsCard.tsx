import { mostSpeedOffPct, printedTyre, readHeight, squat, tyreError, type TyreAsked } from '@tidy-badger/core/setup'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { FigureField, TextField } from '../../ui/form/Fields.tsx'
import { figure, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { VerdictLine } from '../../ui/Verdict.tsx'

const height = z
  .string()
  .check(z.refine((text) => readHeight(text) !== null, 'Ground to top, 0.1 to 3 m: 0.80, 800 mm, 31.5 in.'))
const ratio = figure('', '0.5 to 15.', (value) => value >= 0.5 && value <= 15)
const wheels = z.object({ standard: height, fitted: height })
const axles = z.object({ standard: ratio, fitted: ratio })
const speed = figure('km/h', '5 to 400 km/h.', (value) => value >= 5 && value <= 400)
const road = z.object({ socketKmh: speed, satelliteKmh: speed })

/** What was typed, as it is judged and written down; null as long as a height is missing. Ratios count only both together. */
function asMeasured(heights: z.infer<typeof wheels>, ratios: unknown): TyreAsked | null {
  const [standardHeightM, fittedHeightM] = [readHeight(heights.standard), readHeight(heights.fitted)]
  const axle = axles.safeParse(ratios)
  return standardHeightM === null || fittedHeightM === null
    ? null
    : {
        ...{ standardHeightM, fittedHeightM },
        ...(axle.success ? { standardAxle: axle.data.standard, fittedAxle: axle.data.fitted } : {}),
      }
}

/** Wheels measured from ground to top, the axle where it was changed, and the speed against a satellite. */
export function WheelsCard({ onDone }: { onDone: () => void }) {
  const { job, state, write } = useJob()
  const axle = useFields(axles, {
    start: { standard: '', fitted: '' },
    place: `job/${job.id}/axles`,
    onSend: () => false,
  })
  const fields = useFields(wheels, {
    start: { standard: '', fitted: '' },
    place: `job/${job.id}/wheels`,
    onSend: async (heights) => {
      const measured = asMeasured(heights, axle.form.getValues())
      const sent = measured !== null && (await write({ kind: 'tyre-measured', ...measured }))
      if (sent) onDone()
      return sent
    },
  })
  const check = useFields(road, {
    start: { socketKmh: '', satelliteKmh: '' },
    place: `job/${job.id}/road`,
    onSend: (values) => write({ kind: 'speed-checked', ...values }),
  })
  const typed = fields.form.watch()
  const measured = asMeasured(typed, axle.form.watch())
  const error = measured && tyreError(measured)
  const prints = [typed.standard, typed.fitted].flatMap((text) => {
    const print = printedTyre(text)
    return print ? [{ text, ...print }] : []
  })
  const { tyre, roadCheck } = state
  return (
    <div className="flex flex-col gap-4">
      <form className="flex flex-col gap-3" onSubmit={fields.submit}>
        <p>
          On its wheels, at road pressure, from the ground to the top of the tread. A height that is measured holds the
          squat already.
          {tyre && ` Written down: ${tyre.fittedHeightM} m fitted, ${tyre.standardHeightM} m as it came.`}
        </p>
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField of={fields} name="standard" label="As it came" hint="0.80 m" />
          <TextField of={fields} name="fitted" label="As it stands now" hint="0.84 m" />
        </div>
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center underline underline-offset-4">
            The gears of the axle were changed
          </summary>
          <p className="mb-2">
            They count only where speed is picked up before the axle; with sensors at the wheels leave them out.
          </p>
          <div className="grid gap-3 sm:grid-cols-2">
            <FigureField of={axle} name="standard" label="Axle as it came" unit="" />
            <FigureField of={axle} name="fitted" label="Axle that is in" unit="" />
          </div>
        </details>
        <ul className="flex flex-col gap-1.5" aria-label="The wheels">
          {prints.map(({ text, freeM, usualM }) => (
            <VerdictLine
              key={text}
              ok={false}
              says={`${text} is what is printed on it: ${freeM} m free, usually ${usualM} m on the ground (${squat} of it).`}
              change={`Taken as ${usualM} m for now; measure it.`}
            />
          ))}
          {error?.ok && (
            <VerdictLine
              ok={Math.abs(error.value.errorPct) <= mostSpeedOffPct}
              says={
                Math.abs(error.value.errorPct) < 0.05
                  ? 'The speed shown stays as it was.'
                  : `The speed shown is ${Math.abs(error.value.errorPct).toFixed(1)} % ${error.value.errorPct > 0 ? 'too high' : 'too low'} until it is set.`
              }
            />
          )}
          {error && !error.ok && <VerdictLine ok={false} says={error.problems[0]?.message ?? ''} />}
        </ul>
        <Button type="submit" look="main" className="self-start" disabled={!fields.ready || error?.ok === false}>
          Write it down
        </Button>
      </form>
      <form className="grid items-end gap-3 border-t-2 border-line-soft pt-3 sm:grid-cols-3" onSubmit={check.submit}>
        <p className="sm:col-span-3">
          Against a satellite, steady on a level road, somebody else reads. The socket’s speed, not the dial: a dial
          reads high by law.
          {roadCheck && ` Written down: ${roadCheck.socketKmh} against ${roadCheck.satelliteKmh} km/h.`}
        </p>
        <FigureField of={check} name="socketKmh" label="At the socket, km/h" unit="km/h" />
        <FigureField of={check} name="satelliteKmh" label="By satellite, km/h" unit="km/h" />
        <Button type="submit" disabled={!check.ready}>
          Write down both
        </Button>
      </form>
    </div>
  )
}
