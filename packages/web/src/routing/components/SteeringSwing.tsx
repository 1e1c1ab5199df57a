import { readFigure } from '@tidy-badger/core/shared'
import { lockCard } from '@tidy-badger/core/jobs'
import { steeringSlackM, type RoutedBranch, type SteeringSlack } from '@tidy-badger/core/routing'
import { useEffect, useState, type FormEvent } from 'react'
import { useJob } from '../../jobs/index.ts'
import { NumberField } from '../../ui/NumberField.tsx'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'

const mm = (metres: number) => Math.round(metres * 1000)
/** One turn from lock to lock and back. */
const swingSeconds = 4

/** The steering head from above: the loom on its side, what each lock takes and leaves; swung on request. */
export function SteeringSwing({ branch, slack }: { branch: RoutedBranch; slack: SteeringSlack }) {
  const { dossiers } = useJob()
  const [swinging, setSwinging] = useState(false)
  const [angle, setAngle] = useState(0)
  useEffect(() => {
    if (!swinging) return
    let frame = 0
    const started = performance.now()
    const turn = (now: number) => {
      const t = (now - started) / 1000
      if (t >= swingSeconds) {
        setAngle(0)
        setSwinging(false)
        return
      }
      setAngle(Math.sin((2 * Math.PI * t) / swingSeconds))
      frame = requestAnimationFrame(turn)
    }
    frame = requestAnimationFrame(turn)
    return () => cancelAnimationFrame(frame)
  }, [swinging])
  const side = dossiers.machine.passages?.find((passage) => passage.id === slack.passage)?.steering ?? 'left'
  const pulls = side === 'right' ? 'left' : 'right'
  return (
    <MarginCard tone={slack.pulledM < 0 ? 'stop' : 'data'} title="Lock to lock">
      <HeadDrawing angle={angle} side={side} lockDeg={slack.lockDeg} slack={slack} />
      <dl className="grid grid-cols-[1fr_auto] gap-x-3">
        <dt>Straight ahead</dt>
        <dd className="figures text-right">{mm(slack.straightM)} mm to spare</dd>
        <dt className="font-semibold">{side === 'front' ? 'At either lock' : `Full ${pulls} lock`}</dt>
        <dd className={`figures text-right font-bold ${slack.pulledM < 0 ? 'text-stop' : ''}`}>
          {slack.pulledM < 0 ? `${mm(-slack.pulledM)} mm short` : `${mm(slack.pulledM)} mm to spare`}
        </dd>
        {side !== 'front' && (
          <>
            <dt>Full {side} lock</dt>
            <dd className="figures text-right">{mm(slack.looseM)} mm loose</dd>
          </>
        )}
      </dl>
      <p className="mt-1 text-quiet">
        Radius × angle: {mm(steeringSlackM(dossiers.machine))} mm each way. What hangs loose must not catch the lamp or
        the fork.
      </p>
      <Button className="mt-1" onClick={() => setSwinging(true)} disabled={swinging}>
        Swing it
      </Button>
      <Measured branch={branch} />
    </MarginCard>
  )
}

function HeadDrawing({
  angle,
  side,
  lockDeg,
  slack,
}: {
  angle: number
  side: 'left' | 'right' | 'front'
  lockDeg: number
  slack: SteeringSlack
}) {
  const turn = (angle * lockDeg * Math.PI) / 180
  // Seen from above, front to the left: the left side of the machine is at the bottom of the paper.
  const rest = side === 'front' ? Math.PI : side === 'left' ? -Math.PI / 2 : Math.PI / 2
  const radius = 34
  const at = (a: number, r: number): [number, number] => [110 + r * Math.cos(a), 62 - r * Math.sin(a)]
  const [mx, my] = at(rest + turn, radius)
  const [fx, fy] = [196, side === 'right' ? 28 : 96]
  const sag = 10 + Math.min(0.16, Math.max(0, slack.straightM)) * 160 - (side === 'right' ? -1 : 1) * angle * 14
  const [hx, hy] = at(Math.PI + turn, 62)
  return (
    <svg
      viewBox="0 0 230 124"
      className="w-full"
      role="img"
      aria-label={`Steering head from above, the loom on its ${side}`}
    >
      <g stroke="var(--quiet)" strokeWidth={2} fill="none">
        <path d="M110 62H226" strokeWidth={9} strokeOpacity={0.35} strokeLinecap="round" />
        <circle cx={110} cy={62} r={13} />
        {[-1, 1].map((end) => {
          const [x, y] = at(Math.PI + (end * lockDeg * Math.PI) / 180, 80)
          return <path key={end} d={`M110 62L${x} ${y}`} strokeDasharray="3 5" />
        })}
      </g>
      <path d={`M110 62L${hx} ${hy}`} stroke="var(--ink)" strokeWidth={8} strokeLinecap="round" />
      <path
        d={`M${at(rest + turn, 58)[0]} ${at(rest + turn, 58)[1]}L${at(rest + Math.PI + turn, 58)[0]} ${at(rest + Math.PI + turn, 58)[1]}`}
        stroke="var(--ink)"
        strokeWidth={5}
        strokeLinecap="round"
      />
      <path
        d={`M${fx} ${fy}Q${(fx + mx) / 2} ${(fy + my) / 2 + (side === 'right' ? -1 : 1) * Math.max(0, sag)} ${mx} ${my}`}
        fill="none"
        stroke={slack.pulledM < 0 ? 'var(--stop)' : 'var(--lamp)'}
        strokeWidth={6}
        strokeLinecap="round"
      />
      <circle cx={fx} cy={fy} r={5} fill="var(--ink)" />
      <circle cx={mx} cy={my} r={5} fill="var(--ink)" />
    </svg>
  )
}

/** What is left at each lock as measured on the machine. */
function Measured({ branch }: { branch: RoutedBranch }) {
  const { state, write } = useJob()
  const [texts, setTexts] = useState({ left: '', right: '' })
  const [wrong, setWrong] = useState('')
  const keep = (side: 'left' | 'right') => (event: FormEvent) => {
    event.preventDefault()
    const value = readFigure(texts[side], 'mm')
    if (value === null) {
      setWrong('Type millimetres to spare; below 0 where it is too short.')
      return
    }
    setWrong('')
    void write({
      kind: 'reading',
      quantity: `${branch.end.name}, to spare at the ${side} lock`,
      value,
      unit: 'mm',
      card: lockCard(branch.end.id, side),
      about: { kitEnd: branch.end.id },
    }).then((written) => written && setTexts((now) => ({ ...now, [side]: '' })))
  }
  return (
    <div className="mt-2 flex flex-col gap-2">
      {(['left', 'right'] as const).map((side) => {
        const known = state.readings.findLast((reading) => reading.card === lockCard(branch.end.id, side))
        return (
          <form key={side} onSubmit={keep(side)} className="flex items-center gap-2">
            <div className="flex-1">
              <NumberField
                label={`Full ${side}`}
                unit="mm"
                className="w-20"
                text={texts[side]}
                placeholder={known ? String(known.value) : ''}
                onText={(text) => setTexts((now) => ({ ...now, [side]: text }))}
              >
                <span className="w-24">Full {side}, mm</span>
              </NumberField>
            </div>
            <Button type="submit">Keep</Button>
          </form>
        )
      })}
      {wrong && <p role="alert">{wrong}</p>}
    </div>
  )
}
