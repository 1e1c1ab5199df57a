import { readFigure } from '@tidy-badger/core/shared'
import type { KitEnd, LoomPartId, Net } from '@tidy-badger/core/dossiers'
import { viewFor } from '@tidy-badger/core/drawing'
import {
  feedCards,
  feedingChosen,
  type FeedOption,
  feedPracticeOf,
  groundingChosen,
  groundPracticeOf,
  groundReasons,
  groundPractices,
  judgeFeed,
  judgeGround,
  feedReasons,
  feedPractices,
  spliceLayout,
  supplyOf,
  type Verdict,
} from '@tidy-badger/core/electrical'
import { branchWires, bundleDiameterMm, sleeveSizeMm, trunkPart, wireDiameterMm } from '@tidy-badger/core/routing'
import { electricsOf, feedsOf, groundCard } from '@tidy-badger/core/jobs'
import { Ban, Check, TriangleAlert } from 'lucide-react'
import { useMemo, useState, type FormEvent, type ReactNode } from 'react'
import { ModuleSupplyTable } from '../../circuit/index.ts'
import { NumberField } from '../../ui/NumberField.tsx'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { useLoom } from '../useLoom.ts'
import { Practice } from '../../ui/Practice.tsx'
import { RouteDrawing } from './RouteDrawing.tsx'
import { SharedSupply } from './SharedSupply.tsx'
import { SupplyDiagram } from './SupplyDiagram.tsx'

/** What the current comes or goes by. */
function isLead(end: KitEnd): boolean {
  if (end.type !== 'ring' && end.type !== 'flying-lead') return false
  return end.wants.signal.startsWith('supply') || end.wants.signal === 'power-ground'
}

/** Where the current comes from, which way it takes, and whether it may: the line, the feeds, the four tests, the ground. */
export function PowerPanel() {
  const { dossiers, state, write, loom } = useLoom()
  const { machine, kit } = dossiers
  const { line } = electricsOf(dossiers, state)
  const feeds = feedsOf(dossiers, state)
  const [advised, ...rest] = feeds
  const possible = rest.filter((option) => option.verdict === 'possible')
  const refused = rest.filter((option) => option.verdict === 'refused')
  const net = machine.nets.find((item) => item.id === advised?.net)
  const leads = useMemo(
    () => new Set<LoomPartId>([trunkPart, ...kit.ends.flatMap((end) => (isLead(end) ? [end.id] : []))]),
    [kit],
  )
  return (
    <div className="flex flex-col gap-5">
      <section>
        <SupplyDiagram line={line} />
        {loom && machine.body && (
          <div className="mt-2">
            <RouteDrawing
              machine={machine}
              kit={kit}
              loom={loom}
              only={leads}
              views={[viewFor(machine.body)]}
              maxHeight={230}
            />
          </div>
        )}
        <ul className="mt-1 flex flex-col gap-1">
          {line.joints.map((joint) => joint.note && <li key={joint.id}>{joint.note}</li>)}
        </ul>
      </section>
      {advised && (
        <section>
          <h3 className="text-title font-bold">Take it from</h3>
          <Feed option={advised} open />
          {net && net.signal === 'supply-switched' && advised.kind !== 'control unit' && <FourTests net={net} />}
          {possible.length > 0 && (
            <details className="mt-2">
              <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
                {possible.length} other {possible.length === 1 ? 'way' : 'ways'} that would do
              </summary>
              {possible.map((option) => (
                <Feed key={option.id} option={option} />
              ))}
            </details>
          )}
          {refused.length > 0 && (
            <details>
              <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
                {refused.length} that will not do, and why
              </summary>
              {refused.map((option) => (
                <Feed key={option.id} option={option} />
              ))}
            </details>
          )}
        </section>
      )}
      {line.checks.length > 0 && (
        <section>
          <h3 className="text-title font-bold">Every figure with its rule</h3>
          <Checks checks={line.checks} />
        </section>
      )}
      <section>
        <h3 className="text-title font-bold">What the module gets, as wired</h3>
        <ModuleSupplyTable />
      </section>
      <SharedSupply />
      <GroundCheck />
      <Splices />
      <div className="grid gap-4 border-t-2 border-line-soft pt-3 md:grid-cols-2">
        <Practice
          legend="Switched power in this shop"
          name="power"
          options={feedPractices}
          reasons={feedReasons}
          now={feedPracticeOf(state)}
          onChoose={(value) => void write(feedingChosen.answer(state, {}, value))}
        />
        <Practice
          legend="Grounds in this shop"
          name="grounding"
          options={groundPractices}
          reasons={groundReasons}
          now={groundPracticeOf(state)}
          onChoose={(value) => void write(groundingChosen.answer(state, {}, value))}
        />
      </div>
    </div>
  )
}

const marks: Record<FeedOption['verdict'], { icon: ReactNode; bar: string; word: string }> = {
  advised: { icon: <Check aria-hidden size={22} className="text-good" />, bar: 'border-good', word: 'advised' },
  possible: {
    icon: <span aria-hidden className="size-4 rounded-full border-2 border-ink" />,
    bar: 'border-line',
    word: 'possible',
  },
  refused: { icon: <Ban aria-hidden size={20} className="text-stop" />, bar: 'border-stop', word: 'not here' },
}

function Feed({ option, open }: { option: FeedOption; open?: boolean }) {
  const mark = marks[option.verdict]
  return (
    <article className={`mt-2 border-l-[5px] py-1 pl-3.5 ${mark.bar}`}>
      <h4 className="flex items-center gap-2 text-lead font-bold">
        {mark.icon} {option.name} <span className="text-small font-normal text-quiet">{mark.word}</span>
      </h4>
      <p className="text-quiet">{option.where}</p>
      {option.why && <p>{option.why}</p>}
      {option.caution && <p className="font-semibold text-stop">{option.caution}</p>}
      {open && (
        <>
          <Checks checks={option.checks} />
          {option.steps.length > 1 && (
            <ol className="mt-1 list-decimal pl-6">
              {option.steps.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ol>
          )}
          {option.materials.length > 0 && <p className="mt-1">Beyond the kit: {option.materials.join(', ')}.</p>}
        </>
      )}
    </article>
  )
}

const figure = (value: number) =>
  Math.abs(value) >= 100 ? value.toFixed(0) : Math.abs(value) >= 10 ? value.toFixed(1) : value.toFixed(2)

/** Each rule with its figure, its limit, what is left, and who says so. */
function Checks({ checks }: { checks: readonly Verdict[] }) {
  if (checks.length === 0) return null
  return (
    <ul className="mt-1 flex flex-col gap-0.5">
      {checks.map((check) => (
        <li key={check.rule} className="flex flex-wrap items-baseline gap-x-2">
          {check.ok ? (
            <Check aria-label="holds" size={16} className="shrink-0 self-center text-good" />
          ) : (
            <TriangleAlert aria-label="broken" size={16} className="shrink-0 self-center text-stop" />
          )}
          <span>{check.rule}:</span>
          <span className="figures font-semibold">
            {figure(check.value)} {check.unit}
          </span>
          <span className="figures text-quiet">
            {check.sense} {figure(check.limit)}, {figure(Math.abs(check.margin))}{' '}
            {check.margin >= 0 ? 'to spare' : 'over'}
          </span>
          <span className="text-small text-quiet">{check.source}</span>
        </li>
      ))}
    </ul>
  )
}

/** The four tests of the advised circuit, one reading each. */
function FourTests({ net }: { net: Net }) {
  const { dossiers, state, write } = useLoom()
  const cards = feedCards(dossiers.machine, net)
  return (
    <div className="mt-2">
      <h4 className="font-bold">Four tests before it is joined</h4>
      <ul className="mt-1 grid gap-2 sm:grid-cols-2">
        {cards.map((card) => {
          const value = state.readings.findLast((reading) => reading.card === card.id)?.value
          const verdict = value === undefined ? null : judgeFeed(card, value)
          return (
            <li key={card.id}>
              <MarginCard tone={verdict === null ? 'quiet' : verdict.good ? 'good' : 'stop'} title={card.title}>
                <p>{card.do}</p>
                <p className="text-quiet">{card.why}</p>
                <p>
                  Expected{' '}
                  <span className="figures font-semibold">
                    {Math.max(0, card.low)}–{card.high} {card.unit}
                  </span>
                </p>
                {verdict && <p className={verdict.good ? '' : 'font-semibold text-stop'}>{verdict.says}</p>}
                <ReadingInput
                  label={`${card.title}, ${card.unit}`}
                  onKeep={(reading) =>
                    write({
                      kind: 'reading',
                      quantity: `${net.name}: ${card.title}`,
                      value: reading,
                      unit: card.unit,
                      card: card.id,
                    })
                  }
                />
              </MarginCard>
            </li>
          )
        })}
      </ul>
    </div>
  )
}

function ReadingInput({ label, onKeep }: { label: string; onKeep: (value: number) => Promise<boolean> }) {
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState('')
  const keep = (event: FormEvent) => {
    event.preventDefault()
    const value = readFigure(text)
    if (value === null) {
      setWrong('Type what the meter shows, a plain number.')
      return
    }
    setWrong('')
    void onKeep(value).then((kept) => kept && setText(''))
  }
  return (
    <form onSubmit={keep} className="mt-1 flex flex-wrap items-center gap-2">
      <NumberField label={label} unit="" text={text} onText={setText} className="w-24" />
      <Button type="submit">Keep</Button>
      {wrong && <span role="alert">{wrong}</span>}
    </form>
  )
}

/** The drop of the module's ground under load, its verdict and where to try next. */
function GroundCheck() {
  const { dossiers, state, write } = useLoom()
  const { kit } = dossiers
  const { ground, continuousA } = supplyOf(kit)
  const { grounds } = electricsOf(dossiers, state)
  if (!ground) return null
  const reading = state.readings.findLast((item) => item.card === groundCard(ground.id))
  const made = state.connections.find((connection) => connection.kitEnd === ground.id)
  const tried = made && 'stud' in made.to ? made.to.stud : (grounds[0]?.stud ?? null)
  const verdict = reading ? judgeGround(reading.value / 1000, continuousA, grounds, tried) : null
  return (
    <section>
      <h3 className="text-title font-bold">Ground</h3>
      <ol className="mt-1 flex flex-col gap-0.5">
        {grounds.slice(0, 3).map((place, i) => (
          <li key={place.stud}>
            <span className="figures mr-2 text-quiet">{i + 1}</span>
            <span className="font-semibold">{place.name}</span>, {place.place}.{' '}
            <span className="text-quiet">{place.why}</span>
          </li>
        ))}
      </ol>
      <MarginCard tone={verdict === null ? 'quiet' : verdict.ok ? 'good' : 'stop'} title="Measured under load">
        <p>
          Everything the module feeds switched on. Black lead on battery negative, red lead on the module's own ground,
          millivolts direct. At most <span className="figures font-semibold">100 mV</span>.
        </p>
        {verdict && <p className={verdict.ok ? 'font-semibold' : 'font-semibold text-stop'}>{verdict.says}</p>}
        <ReadingInput
          label="Drop of the ground, mV"
          onKeep={(value) =>
            write({
              kind: 'reading',
              quantity: `${ground.name}, drop under load`,
              value,
              unit: 'mV',
              card: groundCard(ground.id),
              about: { kitEnd: ground.id },
            })
          }
        />
      </MarginCard>
    </section>
  )
}

/** Joints that come to lie side by side at the control unit: one behind the other, not in one lump. */
function Splices() {
  const { dossiers, state } = useLoom()
  const { machine, kit } = dossiers
  const leads = kit.ends.flatMap((end) => (end.type === 'flying-lead' && end.nearEcu && end.needed ? [end] : []))
  if (leads.length < 2) return null
  const across = bundleDiameterMm(kit.ends.flatMap(branchWires).map(wireDiameterMm))
  const layout = spliceLayout(
    leads.map((end) => end.areaMm2),
    [],
    sleeveSizeMm(across) ?? undefined,
  )
  if (!layout.ok) return null
  const { positionsMm, lengthMm, says } = layout.value
  const width = 560
  const scale = (width - 90) / lengthMm
  return (
    <section aria-label={`Joints at the control unit of the ${machine.model}`}>
      <h3 className="text-title font-bold">Joints one behind the other</h3>
      <p>{says}</p>
      <svg viewBox={`0 0 ${width} ${leads.length * 20 + 10}`} className="mt-1 w-full max-w-[620px]" aria-hidden>
        {leads.map((end, i) => {
          const atMm = positionsMm[i] ?? 0
          return (
            <g key={end.id}>
              <text x={0} y={i * 20 + 15} fontSize={14} fontWeight={700} fill="var(--ink)">
                {end.tag}
              </text>
              <path d={`M30 ${i * 20 + 10}H${width}`} stroke="var(--quiet)" strokeWidth={3} />
              <rect
                x={30 + atMm * scale - 14 * scale}
                y={i * 20 + 3}
                width={28 * scale}
                height={14}
                rx={5}
                fill="var(--ink)"
              />
              <text
                x={30 + atMm * scale + 16 * scale}
                y={i * 20 + 8}
                fontSize={11}
                fill="var(--quiet)"
                className="figures"
              >
                {Math.round(atMm)} mm
              </text>
            </g>
          )
        })}
      </svg>
      {state.connections.length === 0 && <p className="text-quiet">Measured from where the sheath is opened.</p>}
    </section>
  )
}
