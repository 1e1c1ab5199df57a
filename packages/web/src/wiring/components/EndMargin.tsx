import { asHeading, inSentence, wireAt, wireName, type KitEnd } from '@tidy-badger/core/dossiers'
import {
  adviseJoint,
  connectorLookalikes,
  endLookalikes,
  joinPracticeOf,
  targetWords,
  wireLookalikes,
} from '@tidy-badger/core/wiring'
import { Suspense, useState, type ReactNode } from 'react'
import { WhereOnMachine } from '../../machine-view/index.ts'
import { PhotoRow, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { later } from '../../ui/comesLater.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import type { EndView } from '../selectors.ts'
import { selectPlace } from '../store.ts'
import { PlugFace } from './PlugFace.tsx'
import { StopCard } from './StopCard.tsx'

const LookalikeSheet = later(async () => (await import('./LookalikeSheet.tsx')).LookalikeSheet)

/** What concerns the end in hand alone: its finding, its plug, what it is not, how it opens, why here. */
export function EndMargin({ item, after }: { item: EndView; after: KitEnd[] }) {
  const { dossiers, state } = useJob()
  const { machine, kit } = dossiers
  const target = item.match?.target
  const connector =
    target && 'connector' in target ? machine.connectors.find((plug) => plug.id === target.connector) : undefined
  const cavity = target && 'cavity' in target ? target.cavity : undefined
  const wire = connector && cavity !== undefined ? wireAt(machine, connector.id, cavity) : undefined
  const stud = target && 'stud' in target ? machine.studs.find((candidate) => candidate.id === target.stud) : undefined
  const thing = connector
    ? { kind: 'connector' as const, id: connector.id }
    : stud && { kind: 'stud' as const, id: stud.id }
  const grave = item.findings.filter((finding) => finding.severity === 'stop')
  const rest = item.findings.filter(
    (finding) =>
      finding.severity === 'fix' &&
      finding.rule !== 'end-open' &&
      finding.rule !== 'spare-open' &&
      finding.rule !== 'port-open',
  )
  const ends = endLookalikes(kit, item.end.id)
  const errata = item.findings.filter((finding) => finding.rule === 'sheet-erratum' || finding.rule === 'dossier-gap')
  const advice =
    item.end.type === 'flying-lead' && target
      ? adviseJoint(machine, kit, item.end, target, joinPracticeOf(state))
      : null
  const looks = connector && cavity === undefined ? connectorLookalikes(machine, connector.id) : []
  const wires = wire ? wireLookalikes(machine, wire) : []
  const rules = (kit.naming ?? []).filter(
    (rule) => rule.ends.includes(item.end.id) && (looks.length > 0 || ends[0]?.telling !== rule.says),
  )
  return (
    <>
      {grave.map((finding) => (
        <StopCard key={finding.key} finding={finding} />
      ))}
      {connector && (
        <PlugFace
          machine={machine}
          connector={connector}
          mark={cavity}
          onPick={(picked) => selectPlace({ connector: connector.id, cavity: picked })}
        />
      )}
      {thing && (
        <Suspense fallback={null}>
          <WhereOnMachine machine={machine} thing={thing} name={(connector ?? stud)?.name ?? item.end.name} />
        </Suspense>
      )}
      {stud && (
        <MarginCard tone="data" title={`${stud.name}, M${stud.threadMm}`}>
          {asHeading(stud.place)}.
        </MarginCard>
      )}
      <PhotoRow photos={state.photos.filter((photo) => photo.about?.kitEnd === item.end.id)} />
      {connector && (
        <MarginCard tone="data" title={asHeading(connector.place)}>
          {item.end.type === 'inline-pair'
            ? connector.lock.opens
            : wire
              ? `${wireName(wire.colour)}, ${wire.areaMm2} mm². Find it with the key on, join it with the battery off, prove it with the key on.`
              : ''}
        </MarginCard>
      )}
      {rest.map((finding) => (
        <MarginCard key={finding.key} tone="lamp" title={finding.reason}>
          {finding.remedy}
        </MarginCard>
      ))}
      {errata.map((finding) => (
        <MarginCard key={finding.reason} tone="lamp" title="The sheet is wrong">
          {finding.reason} {finding.remedy}
        </MarginCard>
      ))}
      <Lookalikes
        more={
          connector && looks.length > 0 ? (
            <Suspense fallback={null}>
              <LookalikeSheet wanted={connector} kitEnd={item.end.id} />
            </Suspense>
          ) : null
        }
        plugs={looks.map((look) => ({
          name: machine.connectors.find((plug) => plug.id === look.connector)?.name ?? look.connector,
          shared: look.shared,
          telling: look.telling,
        }))}
        wires={[
          ...ends.map((end) => ({ name: end.name, shared: end.shared, telling: end.telling })),
          ...wires.map((look) => ({
            name: `${wireName(look.wire.colour)}, ${inSentence(targetWords(machine, look.where))}`,
            shared: '',
            telling: look.telling,
          })),
        ]}
      />
      {rules.length > 0 && (
        <MarginCard tone="data" title="The loom’s own rule">
          {rules.map((rule) => rule.says).join(' ')}
        </MarginCard>
      )}
      {advice && (
        <MarginCard tone="quiet" title={`Joint: ${advice.method}`}>
          {advice.why} {advice.against}
        </MarginCard>
      )}
      {item.match && (
        <MarginCard tone="quiet" title="Why here">
          {asHeading(item.match.reasons.join('; ')).replace(/\.?$/, '.')}
          {item.match.target && item.match.second?.target && (
            <span className="text-quiet">
              {' '}
              Next best: {inSentence(targetWords(machine, item.match.second.target, kit))},{' '}
              {marginWords(item.match.second.margin)}.
            </span>
          )}
        </MarginCard>
      )}
      {after.length > 0 && (
        <MarginCard tone="quiet" title="Ends still open after this">
          {after.map((end) => end.name).join(', ')}.
        </MarginCard>
      )}
    </>
  )
}

/** How far the next best place is behind, in words; the cost of one other kind of signal is ten. */
function marginWords(margin: number): string {
  if (margin >= 8) return 'clearly worse'
  return margin >= 3 ? 'worse' : 'nearly as good: look twice'
}

interface Look {
  name: string
  shared: string
  telling: string
}

/** The nearest lookalike in full; further ones a tap away. */
function Lookalikes({ plugs, wires, more }: { plugs: Look[]; wires: Look[]; more: ReactNode }) {
  const [all, setAll] = useState(false)
  const looks = [...plugs, ...wires]
  if (looks.length === 0) return null
  return (
    <MarginCard tone="lamp" title="Not this one">
      {(all ? looks : looks.slice(0, 1)).map((look) => (
        <p key={look.name} className="mb-1.5">
          <strong>{look.name}</strong>
          {look.shared && `: ${look.shared}`}. {look.telling}
        </p>
      ))}
      {more}
      {!all && looks.length > 1 && (
        <Button look="quiet" className="!px-0" onClick={() => setAll(true)}>
          {looks.length - 1} more that look like it
        </Button>
      )}
    </MarginCard>
  )
}
