import { joinSchoolOf } from '@tidy-badger/core/jobs'
import {
  moduleSources,
  plannedConnections,
  touchedNets,
  traceSignal,
  type Hop,
  type SignalTrace,
} from '@tidy-badger/core/wiring'
import { useMemo, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { selectEnd, selectPlace } from '../store.ts'
import { Wire } from '../Wire.tsx'

/** The way of every signal the module meets, from control unit to device, as planned or as built. */
export function SignalPaths({ end }: { end: string }) {
  const { dossiers, state, plan } = useJob()
  const { machine, kit } = dossiers
  const [built, setBuilt] = useState(false)
  const [picked, setPicked] = useState<string | null>(null)
  const planned = useMemo(
    () => plannedConnections(machine, kit, plan, joinSchoolOf(state)),
    [machine, kit, plan, state],
  )
  const connections = built ? state.connections : planned
  const nets = useMemo(
    () => touchedNets(machine, kit, [...planned, ...state.connections]),
    [machine, kit, planned, state.connections],
  )
  const ofEnd = touchedNets(
    machine,
    kit,
    planned.filter((made) => made.kitEnd === end),
  )[0]
  const net = picked !== null && nets.includes(picked) ? picked : (ofEnd ?? nets[0])
  if (net === undefined) return <p className="text-quiet">This kit meets no circuit of the machine.</p>
  const trace = traceSignal(machine, kit, connections, net)
  const sources = moduleSources(machine, kit, connections)
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1 font-semibold">
          Signal
          <select value={net} onChange={(event) => setPicked(event.target.value)}>
            {nets.map((id) => (
              <option key={id} value={id}>
                {machine.nets.find((item) => item.id === id)?.name}
              </option>
            ))}
          </select>
        </label>
        <fieldset className="flex gap-2">
          <legend className="sr-only">Which wiring</legend>
          {(['as planned', 'as built'] as const).map((words) => (
            <label
              key={words}
              className="flex min-h-11 items-center gap-2 rounded-lg border-2 border-line bg-paper px-3"
            >
              <input
                type="radio"
                name="wiring"
                className="size-5 !min-h-0 accent-[var(--lamp)]"
                checked={(words === 'as built') === built}
                onChange={() => setBuilt(words === 'as built')}
              />
              {words}
            </label>
          ))}
        </fieldset>
        <p className="text-[18px] font-bold">{moduleWords[trace.module]}</p>
      </div>
      {trace.ways.map((way, i) => (
        <ol key={i} aria-label={`Way ${i + 1}`} className="flex flex-wrap items-center gap-y-2">
          {way.hops.map((hop, j) => (
            <HopView key={j} hop={hop} />
          ))}
        </ol>
      ))}
      <section>
        <h3 className="mb-1 text-[18px] font-bold">Where the module meets the machine</h3>
        <ul className="flex flex-col">
          {sources.map((source) => (
            <li key={`${source.kitEnd}${source.says}`}>
              <button
                type="button"
                onClick={() => selectEnd(source.kitEnd)}
                className="min-h-9 text-left font-text text-[16px]"
              >
                <strong>{source.does}</strong> {source.says}
              </button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}

const moduleWords: Record<SignalTrace['module'], string> = {
  nothing: 'The module does nothing with it.',
  'reads it': 'The module reads it.',
  'changes it': 'The module changes it.',
}

const looks: Partial<Record<Hop['kind'], string>> = {
  'control unit': 'bg-ink text-ground border-ink',
  device: 'bg-ink text-ground border-ink',
  changed: 'border-lamp border-[4px] bg-paper',
  cut: 'border-lamp border-[4px] bg-paper',
  tapped: 'border-data border-[4px] bg-paper',
  joined: 'border-data border-[4px] bg-paper',
  open: 'border-stop border-[4px] border-dashed bg-paper text-stop',
}

function HopView({ hop }: { hop: Hop }) {
  if (hop.kind === 'wire' && hop.colour)
    return (
      <li className="w-[92px] shrink-0">
        <svg viewBox="0 0 92 16" className="h-4 w-full" aria-hidden>
          <Wire d="M0 8H92" colour={hop.colour} width={8} />
        </svg>
        <span className="block px-1 text-center text-[15px] leading-tight text-quiet">{hop.says}</span>
      </li>
    )
  const { connector, cavity } = hop
  const inner = <span className="block leading-tight">{hop.says}</span>
  const look = `max-w-[190px] rounded-lg border-2 px-2.5 py-1.5 text-left font-text text-[15px] ${looks[hop.kind] ?? 'border-line bg-paper'}`
  return (
    <li className="shrink-0">
      {connector !== undefined && cavity !== undefined ? (
        <button type="button" className={look} onClick={() => selectPlace({ connector, cavity }, hop.kitEnd)}>
          {inner}
        </button>
      ) : (
        <span className={`block ${look}`}>{inner}</span>
      )}
    </li>
  )
}
