import { wireAt, asHeading, machineIndex, wireName } from '@tidy-badger/core/dossiers'
import { connectorLookalikes, endLookalikes, wireLookalikes } from '@tidy-badger/core/wiring'
import type { ReactNode } from 'react'
import { useJob } from '../../jobs/index.ts'
import type { EndView } from '../selectors.ts'
import { WireChip } from '../Wire.tsx'

/** The end in hand in the largest type, to be read at arm's length: which plug, what it is not, how it opens, what goes where. */
export function ConnectionCard({ item }: { item: EndView }) {
  const { dossiers } = useJob()
  const { machine, kit } = dossiers
  const index = machineIndex(machine)
  const { end } = item
  const target = item.match?.target
  const connector = target && 'connector' in target ? index.connectors.get(target.connector) : undefined
  const cavity = target && 'cavity' in target ? target.cavity : undefined
  const stud = target && 'stud' in target ? index.studs.get(target.stud) : undefined
  const wire = connector && cavity !== undefined ? wireAt(machine, connector.id, cavity) : undefined
  const look = connector ? connectorLookalikes(machine, connector.id)[0] : undefined
  const wireLook = wire ? wireLookalikes(machine, wire)[0] : undefined
  const other = look ? index.connectors.get(look.connector) : undefined
  const own = endLookalikes(kit, end.id)[0]
  const rules = (kit.naming ?? []).filter((rule) => rule.ends.includes(end.id))
  return (
    <dl className="flex flex-col gap-3">
      <Line what={connector ? 'Plug' : stud ? 'Stud' : 'Place'}>
        <span className="text-head leading-tight font-bold">
          {connector?.name ?? stud?.name ?? asHeading(item.place)}
        </span>
        <span className="block text-title">{connector?.place ?? stud?.place ?? item.match?.reasons.join('. ')}</span>
      </Line>
      {connector && cavity !== undefined && (
        <Line what="Cavity">
          <span className="text-head font-bold">{cavity}</span>
          {wire && (
            <span className="ml-4 inline-flex items-center gap-3 text-head font-semibold">
              <WireChip colour={wire.colour} /> {wireName(wire.colour)}
            </span>
          )}
        </Line>
      )}
      {wireLook && (
        <Line what="Not this wire">
          <span className="text-title font-semibold">{asHeading(wireName(wireLook.wire.colour))}.</span>{' '}
          <span className="text-title">{wireLook.telling}</span>
        </Line>
      )}
      {other && (
        <Line what="Not this one">
          <span className="text-title font-semibold">{other.name}.</span>{' '}
          <span className="text-title">{look?.telling}</span>
        </Line>
      )}
      {connector && end.type === 'inline-pair' && (
        <Line what="Opens">
          <span className="text-title">{connector.lock.opens}</span>
        </Line>
      )}
      {connector?.up !== undefined && end.type === 'inline-pair' && (
        <Line what="Which way up">
          <span className="text-title">
            {asHeading(connector.up)}. The halves nearly meet the wrong way round too: look before you push.
          </span>
        </Line>
      )}
      <Line what="Loom end">
        <span className="rounded-lg border-[3px] border-ink px-3 text-head font-bold">{end.tag}</span>
        <span className="ml-3 text-title">
          {end.name}, <span className="figures">{end.branchM.toFixed(2)} m</span>
        </span>
        {own && (
          <span className="block text-lead">
            Like {own.name}: {own.telling}
          </span>
        )}
      </Line>
      {rules.length > 0 && (
        <Line what="Rule">
          <span className="text-title">{rules.map((rule) => rule.says).join(' ')}</span>
        </Line>
      )}
    </dl>
  )
}

function Line({ what, children }: { what: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[104px_1fr] items-baseline gap-3 border-b-2 border-line-soft pb-3 max-sm:grid-cols-1">
      <dt className="font-head text-body text-quiet">{what}</dt>
      <dd>{children}</dd>
    </div>
  )
}
