import { readFigure } from '@tidy-badger/core/shared'
import type { MeterFigure } from '@tidy-badger/core/circuit'
import { cardsAllowed, judgeReading, meterCards, meterPhases, type MeterCard } from '@tidy-badger/core/wiring'
import { Ban, Check, TriangleAlert } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { Link } from 'react-router'
import { useJob } from '../../jobs/index.ts'
import { FromInstrument } from '../../instruments/index.ts'
import { NumberField } from '../../ui/NumberField.tsx'
import { Button } from '../../ui/Button.tsx'
import type { EndView } from '../selectors.ts'
import { useMeterFigures } from '../../circuit/index.ts'
import { CircuitNotes, NotThatPlug, shownFigure } from './MeterNotes.tsx'

const phaseNames = { find: 'Find', join: 'Before joining', prove: 'Prove' }

/** The measurements of the end in hand, in order; only what the battery's present state allows can be entered. */
export function MeterPanel({ item }: { item: EndView }) {
  const { dossiers, state } = useJob()
  const cards = meterCards(dossiers.machine, dossiers.kit, item.end, item.match)
  const [picked, setPicked] = useState<string | null>(null)
  const figures = useMeterFigures(dossiers, state)
  const valueOf = (card: MeterCard) => state.readings.findLast((reading) => reading.card === card.id)?.value
  const allowed = cardsAllowed(cards, state.power)
  const current =
    cards.find((card) => card.id === picked) ??
    allowed.find((card) => valueOf(card) === undefined) ??
    allowed[0] ??
    cards[0]
  if (!current)
    return <p className="text-lead text-quiet">Nothing to measure on {item.end.name}: it meets no circuit by itself.</p>
  return (
    <div className="grid gap-5 xl:grid-cols-[250px_1fr]">
      <ol className="flex flex-col gap-3">
        {meterPhases.map((phase) => {
          const list = cards.filter((card) => card.phase === phase)
          if (list.length === 0) return null
          return (
            <li key={phase}>
              <h3 className="text-body font-bold text-quiet">{phaseNames[phase]}</h3>
              <ul>
                {list.map((card) => (
                  <li key={card.id}>
                    <CardRow
                      card={card}
                      value={valueOf(card)}
                      current={card === current}
                      open={allowed.includes(card)}
                      onPick={() => setPicked(card.id)}
                    />
                  </li>
                ))}
              </ul>
            </li>
          )
        })}
      </ol>
      <BigCard
        key={current.id}
        card={current}
        figure={figures?.get(current.id) ?? null}
        value={valueOf(current)}
        onDone={() => setPicked(null)}
      />
    </div>
  )
}

function CardRow({
  card,
  value,
  current,
  open,
  onPick,
}: {
  card: MeterCard
  value: number | undefined
  current: boolean
  open: boolean
  onPick: () => void
}) {
  const { dossiers } = useJob()
  const good = value === undefined ? null : judgeReading(dossiers.machine, card, value).good
  return (
    <button
      type="button"
      onClick={onPick}
      aria-pressed={current}
      className={`flex min-h-11 w-full items-center gap-2 rounded-lg border-2 px-2 text-left font-text text-small leading-tight ${current ? 'border-lamp bg-paper' : 'border-transparent'}`}
    >
      {card.barred ? (
        <Ban aria-label="barred" size={20} className="shrink-0 text-stop" />
      ) : good === null ? (
        <span aria-hidden className={`size-4 shrink-0 rounded-full border-2 ${open ? 'border-ink' : 'border-line'}`} />
      ) : good ? (
        <Check aria-label="good" size={20} className="shrink-0 text-good" />
      ) : (
        <TriangleAlert aria-label="off" size={20} className="shrink-0 text-stop" />
      )}
      <span className="min-w-0">
        {card.net}
        <span className="block text-quiet">{card.state}</span>
      </span>
    </button>
  )
}

function BigCard({
  card,
  figure: computed,
  value,
  onDone,
}: {
  card: MeterCard
  /** By the circuit; null until it is worked out. */
  figure: MeterFigure | null
  value: number | undefined
  onDone: () => void
}) {
  const { dossiers, state, write, job } = useJob()
  const [text, setText] = useState('')
  if (card.barred)
    return (
      <section role="alert" className="self-start rounded-xl border-4 border-stop bg-paper p-5">
        <h3 className="text-head font-bold text-stop">No meter here</h3>
        <p className="mt-2 text-title">{card.barred}</p>
        <p className="mt-2 text-lead text-quiet">{card.net}: the drop test at wake proves this pair instead.</p>
      </section>
    )
  const forbidden = card.power !== state.power
  const verdict = value === undefined ? null : judgeReading(dossiers.machine, card, value)
  const unit = card.expect.unit === 'ohm' ? 'Ω' : card.expect.unit
  const figure = readFigure(text, unit)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (figure === null) return
    void write({
      kind: 'reading',
      quantity: `${card.net}, ${card.state}`,
      value: figure,
      unit,
      card: card.id,
      about: card.about,
    }).then((written) => {
      if (!written) return
      setText('')
      if (judgeReading(dossiers.machine, card, figure).good) onDone()
    })
  }
  return (
    <section className="rounded-xl border-2 border-line bg-paper p-5">
      <h3 className="text-head leading-tight font-bold">{card.redLead}</h3>
      <NotThatPlug card={card} />
      <p className="mt-3">
        <span className="figures text-figure leading-none font-bold">
          {card.expect.low} – {card.expect.high}
        </span>{' '}
        <span className="text-head">{unit}</span>
        {computed && computed.planned !== null && (
          <span className="block text-title text-quiet">
            here about {shownFigure(computed.planned)} {unit}
          </span>
        )}
      </p>
      {computed && <CircuitNotes card={card} figure={computed} />}
      <p className="mt-4 flex flex-wrap items-center gap-3">
        <span
          className={`rounded-lg border-2 px-3 py-1 text-lead font-bold ${forbidden ? 'border-stop text-stop' : 'border-ink'}`}
        >
          battery {card.power}
        </span>
        <span className="text-title font-semibold">{card.says}</span>
      </p>
      <dl className="mt-3 grid grid-cols-[100px_1fr] gap-x-3 gap-y-1.5 text-title">
        <dt className="text-quiet">Meter</dt>
        <dd>{card.range}</dd>
        <dt className="text-quiet">Black lead</dt>
        <dd>{card.blackLead}</dd>
      </dl>
      {forbidden ? (
        <p role="status" className="mt-4 border-l-[5px] border-stop pl-3 text-lead font-semibold">
          Not now: the battery is {state.power === 'on' ? 'on' : 'off'}.{' '}
          <Link
            className="underline underline-offset-4"
            to={`/job/${job.id}/${state.power === 'on' ? 'make-safe' : 'wake'}`}
          >
            {state.power === 'on' ? 'Take it off at make safe first' : 'It comes back on at wake'}
          </Link>
          .
        </p>
      ) : (
        <form onSubmit={submit} className="mt-4 flex flex-wrap items-end gap-3">
          <div className="font-semibold">
            <NumberField label="Reading" unit={unit} text={text} onText={setText} className="w-40 !text-head">
              <span className="w-full">Reading, {unit}</span>
            </NumberField>
          </div>
          <FromInstrument asked={{ quantity: 'meter', unit }} onTake={(value) => setText(String(value))} />
          <Button type="submit" look="main" className="!min-h-14 !px-6 !text-title" disabled={figure === null}>
            Write it down
          </Button>
        </form>
      )}
      {verdict && (
        <div role="status" className={`mt-4 border-l-[6px] pl-4 ${verdict.good ? 'border-good' : 'border-stop'}`}>
          <p className="text-title font-bold">{verdict.says}</p>
          {!verdict.good && (
            <>
              <p className="text-lead">Likely: {verdict.causes.join('; ')}.</p>
              <p className="text-lead font-semibold">Next: {verdict.next}</p>
            </>
          )}
        </div>
      )}
    </section>
  )
}
