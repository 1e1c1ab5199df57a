import { branchColour, trunkPart } from '@tidy-badger/core/routing'
import type { Station, LoomPartId } from '@tidy-badger/core/dossiers'
import { Check, OctagonAlert } from 'lucide-react'
import { pickPart, useLoomView } from '../store.ts'
import { useLoom } from '../useLoom.ts'

/** Trunk and branches with what is to spare; one is in hand. */
export function BranchList({ station }: { station: Station }) {
  const { dossiers, loom, state, lies } = useLoom()
  const { part } = useLoomView()
  if (!loom) return null
  const tied = (id: LoomPartId) => lies(id).length > 0 && lies(id).every((passage) => passage in state.ties)
  const done = (id: LoomPartId) => (station === 'tie-down' ? tied(id) : id in state.routes)
  return (
    <section className="mt-3 border-t-2 border-line-soft pt-2">
      <h3 className="px-2 text-body font-bold text-quiet">Branch by branch</h3>
      <ul>
        <Row
          id={trunkPart}
          tag="—"
          name="Trunk"
          spare={loom.trunk.leftM > 0.005 ? `${mm(loom.trunk.leftM)} bundled` : ''}
          short={false}
          done={done(trunkPart)}
          picked={part === trunkPart}
          colour={branchColour(dossiers.kit, trunkPart)}
        />
        {loom.branches.map((branch) => (
          <Row
            key={branch.end.id}
            id={branch.end.id}
            tag={branch.end.tag}
            name={branch.end.name}
            spare={
              branch.reach === 'unreachable'
                ? 'no way'
                : branch.spareM >= 0
                  ? `+${mm(branch.spareM)}`
                  : `${mm(-branch.spareM)} short`
            }
            short={branch.reach !== 'reaches'}
            done={done(branch.end.id)}
            picked={part === branch.end.id}
            colour={branchColour(dossiers.kit, branch.end.id)}
          />
        ))}
      </ul>
    </section>
  )
}

const mm = (metres: number) => `${Math.round(metres * 1000)} mm`

function Row({
  id,
  tag,
  name,
  spare,
  short,
  done,
  picked,
  colour,
}: {
  id: LoomPartId
  tag: string
  name: string
  spare: string
  short: boolean
  done: boolean
  picked: boolean
  colour: string
}) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={picked}
        onClick={(event) => {
          if (event.detail > 0) event.currentTarget.blur()
          pickPart(picked ? null : id)
        }}
        className={`flex min-h-11 w-full items-center gap-2 rounded-lg border-2 px-2 py-1 text-left font-text ${picked ? 'border-lamp bg-paper' : 'border-transparent'}`}
      >
        <span aria-hidden className="h-5 w-2 shrink-0 rounded-full border border-ink" style={{ background: colour }} />
        <span className="w-9 shrink-0 font-head font-bold">{tag.replace(/–.*/, '…')}</span>
        <span className="min-w-0 flex-1 leading-tight break-words">{name}</span>
        {short ? (
          <span className="flex max-w-28 shrink-0 items-center gap-1 text-right text-small font-semibold text-stop">
            <OctagonAlert aria-hidden size={16} />
            {spare}
          </span>
        ) : (
          <span className="figures max-w-28 shrink-0 text-right text-small text-quiet">{spare}</span>
        )}
        {done && <Check aria-label="written down" size={18} strokeWidth={3} className="shrink-0" />}
      </button>
    </li>
  )
}
