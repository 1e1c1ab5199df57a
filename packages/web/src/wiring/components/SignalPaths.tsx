import { idIn } from '@tidy-badger/core/shared'
import type { KitEndId, NetId } from '@tidy-badger/core/dossiers'
import { connectionsPlanned } from '@tidy-badger/core/jobs'
import { moduleSources, touchedNets, traceTree, type TraceNode, type TraceTree } from '@tidy-badger/core/wiring'
import { useMemo, useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { selectEnd, selectPlace } from '../store.ts'
import { Wire } from '../Wire.tsx'

/** Every circuit the module meets as a tree from its source, as planned or as built. */
export function SignalPaths({ end }: { end: KitEndId }) {
  const { dossiers, state } = useJob()
  const { machine, kit } = dossiers
  const [built, setBuilt] = useState(false)
  const [picked, setPicked] = useState<NetId | null>(null)
  const planned = useMemo(() => connectionsPlanned(dossiers, state), [dossiers, state])
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
  const { tree, apart, module } = traceTree(machine, kit, connections, net)
  const sources = moduleSources(machine, kit, connections)
  return (
    <div className="flex flex-col gap-4">
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-1 font-semibold">
          Signal
          <select value={net} onChange={(event) => setPicked(idIn(machine.nets, event.target.value) ?? null)}>
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
        <p className="text-lead font-bold">{moduleWords[module]}</p>
      </div>
      <Branch node={tree} />
      {apart.length > 0 && (
        <section className="border-l-[5px] border-stop pl-3">
          <h3 className="mb-1 text-lead font-bold text-stop">Nothing leads here any more</h3>
          {apart.map((node, i) => (
            <Branch key={i} node={node} />
          ))}
        </section>
      )}
      <section>
        <h3 className="mb-1 text-lead font-bold">Where the module meets the machine</h3>
        <ul className="flex flex-col">
          {sources.map((source) => (
            <li key={`${source.kitEnd}${source.says}`}>
              <button
                type="button"
                onClick={() => selectEnd(source.kitEnd)}
                className="min-h-9 text-left font-text text-body"
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

const moduleWords: Record<TraceTree['module'], string> = {
  nothing: 'The module does nothing with it.',
  'reads it': 'The module reads it.',
  'changes it': 'The module changes it.',
  'lives from it': 'The module lives from it.',
}

const looks: Partial<Record<TraceNode['kind'], string>> = {
  'control unit': 'bg-ink text-ground border-ink',
  device: 'bg-ink text-ground border-ink',
  module: 'border-lamp border-[4px] bg-paper',
  resistor: 'border-quiet border-dashed bg-paper',
  changed: 'border-lamp border-[4px] bg-paper',
  cut: 'border-lamp border-[4px] bg-paper',
  tapped: 'border-data border-[4px] bg-paper',
  joined: 'border-data border-[4px] bg-paper',
  open: 'border-stop border-[4px] border-dashed bg-paper text-stop',
}

/** Stations one after the other until the circuit branches, then each branch beneath. */
function Branch({ node }: { node: TraceNode }) {
  const { stations, branches } = runOf(node)
  return (
    <div>
      {stations.length > 0 && (
        <ol className="flex flex-wrap items-center gap-y-2 py-1">
          {stations.map((station, i) => (
            <Station key={i} node={station} />
          ))}
        </ol>
      )}
      {branches.length > 0 && (
        <ul className="ml-4 border-l-[3px] border-line pl-3">
          {branches.map((branch, i) => (
            <li key={i}>
              {branch.kind === 'alike' ? (
                <details>
                  <summary className="min-h-11 cursor-pointer py-2 font-semibold">{branch.words}</summary>
                  {branch.children.map((child, j) => (
                    <Branch key={j} node={child} />
                  ))}
                </details>
              ) : (
                <Branch node={branch} />
              )}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

/** What hangs beside the way is shown on it; the run ends where the way parts. */
function runOf(node: TraceNode): { stations: TraceNode[]; branches: TraceNode[] } {
  const stations: TraceNode[] = []
  for (let now = node; ;) {
    const isBeside = ({ kind }: TraceNode) => kind === 'joined' || kind === 'resistor'
    stations.push(now, ...now.children.filter(isBeside))
    const on = now.children.filter((child) => !isBeside(child))
    const [next] = on
    if (on.length !== 1 || next === undefined || next.kind === 'alike') return { stations, branches: on }
    now = next
  }
}

function Station({ node }: { node: TraceNode }) {
  const { kind, words, colour, connector, cavity, kitEnd } = node
  if (kind === 'wire' && colour)
    return (
      <li className="w-[92px] shrink-0">
        <svg viewBox="0 0 92 16" className="h-4 w-full" aria-hidden>
          <Wire d="M0 8H92" colour={colour} width={8} />
        </svg>
        <span className="block px-1 text-center text-small leading-tight text-quiet">{words}</span>
      </li>
    )
  const inner = <span className="block leading-tight">{words}</span>
  const look = `max-w-[190px] rounded-lg border-2 px-2.5 py-1.5 text-left font-text text-small ${looks[kind] ?? 'border-line bg-paper'}`
  return (
    <li className="shrink-0">
      {connector !== undefined && cavity !== undefined ? (
        <button type="button" className={look} onClick={() => selectPlace({ connector, cavity }, kitEnd)}>
          {inner}
        </button>
      ) : (
        <span className={`block ${look}`}>{inner}</span>
      )}
    </li>
  )
}
