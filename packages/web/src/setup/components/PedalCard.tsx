import { kitNamed, joinedId, membersOf, type StepId } from '@tidy-badger/core/dossiers'
import {
  changesPedal,
  creepLimitPct,
  pedalGains,
  pedalLevels,
  pedalPositions,
  pedalProof,
  pedalWithinV,
  type PedalGain,
  type PedalPoint,
} from '@tidy-badger/core/setup'
import type { EntryBody } from '@tidy-badger/core/jobs'
import { readFigure } from '@tidy-badger/core/shared'
import { useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { Button } from '../../ui/Button.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { VerdictLine } from '../../ui/Verdict.tsx'

const plain = 'plain'

/** Both tracks of the pedal at five positions: plain, then at every sensitivity. @param step the kit's own step that it answers */
export function PedalCard({ step, onDone }: { step?: StepId; onDone: () => void }) {
  const { job, dossiers, write } = useJob()
  const { typed, put, clear } = useKeptFields(`job/${job.id}/pedal`)
  const member = membersOf(dossiers.kit).find(({ kit, present }) => changesPedal(kit) && !present)
  if (!member) return null
  const levels = pedalLevels(member.kit)
  const at = (level: string, pct: number, track: 1 | 2) => `${level}/${pct}/${track}`
  const volts = (level: string, pct: number, track: 1 | 2) => readFigure(typed[at(level, pct, track)] ?? '', 'V')
  const points = levels.flatMap((level) =>
    pedalPositions.flatMap((pct): PedalPoint[] => {
      const [v1, v2] = [volts(level, pct, 1), volts(level, pct, 2)]
      const [plain1, plain2] = [volts(plain, pct, 1), volts(plain, pct, 2)]
      return v1 === null || v2 === null
        ? []
        : [{ level, pct, v1, v2, ...(plain1 === null || plain2 === null ? {} : { plain1, plain2 }) }]
    }),
  )
  const judged = pedalProof(points, levels)
  const full = points.length === levels.length * pedalPositions.length
  const reading = member.kit.steps.find((item) => step !== undefined && joinedId(member.key, item.id) === step)?.reading
  const send = async () => {
    const named = kitNamed(member)
    const more: EntryBody[] =
      step && reading
        ? [
            { kind: 'reading', quantity: reading.quantity, value: Math.round(judged.worstV * 1000), unit: 'mV', step },
            { kind: 'step-done', step },
          ]
        : []
    if (!(await write({ kind: 'pedal-proved', verdict: judged.verdict, points, ...named }, ...more))) return
    clear()
    onDone()
  }
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        void send()
      }}
    >
      <p>
        Key on, engine not started. The plain pedal first, as it was read before anything was unplugged; then every
        sensitivity. The two tracks keep the plain relation within {Math.round(pedalWithinV * 1000)} mV.
      </p>
      {[plain, ...levels].map((level) => (
        <fieldset key={level} className="border-t-2 border-line-soft pt-2">
          <legend className="font-head font-bold">{level === plain ? 'Plain pedal' : `Curve ${level}`}</legend>
          <div className="grid grid-cols-[auto_1fr_1fr] items-center gap-x-3 gap-y-1.5">
            {pedalPositions.map((pct) => (
              <span key={pct} className="contents">
                <span className="figures text-right">{pct} %</span>
                {([1, 2] as const).map((track) => (
                  <NumberField
                    key={track}
                    label={`${level === plain ? 'Plain' : level}, ${pct} %, track ${track}`}
                    unit="V"
                    className="w-full"
                    text={typed[at(level, pct, track)] ?? ''}
                    onText={(text) => put(at(level, pct, track), text)}
                  />
                ))}
              </span>
            ))}
          </div>
        </fieldset>
      ))}
      <ul className="flex flex-col gap-1.5" aria-label="The proof">
        {judged.verdict === 'pass' ? (
          <VerdictLine
            ok
            says={`Safe: at most ${Math.round(judged.worstV * 1000)} mV from the plain pedal’s relation.`}
          />
        ) : (
          full && judged.reasons.map((reason) => <VerdictLine key={reason} ok={false} says={reason} />)
        )}
      </ul>
      <Gains gains={pedalGains(points, levels)} />
      <Button type="submit" look="main" disabled={!full}>
        {full && judged.verdict === 'fail' ? 'Write down that it failed' : 'Write it down'}
      </Button>
    </form>
  )
}

/** What each sensitivity changes, and what it does not. */
function Gains({ gains }: { gains: PedalGain[] }) {
  if (gains.length === 0) return null
  return (
    <ul className="flex flex-col gap-1.5" aria-label="What it changes">
      {gains.map(({ level, atStart, creepPct, fullPct, asked }) => (
        <VerdictLine
          key={level}
          ok={creepPct <= creepLimitPct}
          says={`${level}: begins ${atStart.toFixed(1)} times as steep; half the pedal asks for ${Math.round(asked[2]?.askedPct ?? 0)} %, all of it for ${Math.round(fullPct)} %: no more power than the plain pedal.`}
          {...(creepPct > creepLimitPct
            ? { change: `At rest it asks for ${creepPct.toFixed(1)} %: it creeps. Not to be driven.` }
            : {})}
        />
      ))}
    </ul>
  )
}
