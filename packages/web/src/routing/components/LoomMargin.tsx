import { inSentence, type Station, type LoomPartId } from '@tidy-badger/core/dossiers'
import type { WorkItem } from '@tidy-badger/core/jobs'
import {
  hazardRemedy,
  hazardWords,
  sleeveWords,
  type LaidLoom,
  type MetHazard,
  type RoutedBranch,
  trunkPart,
} from '@tidy-badger/core/routing'
import { Suspense } from 'react'
import { OnPhotos } from '../../machine-view/index.ts'
import { PhotoButton, PhotoRow, useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { later } from '../../ui/comesLater.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { pickPart, setMarking, useLoomView } from '../store.ts'
import { useLoom } from '../useLoom.ts'
import { HazardChip } from './HazardMark.tsx'

const SteeringSwing = later(async () => (await import('./SteeringSwing.tsx')).SteeringSwing)
const PowerMargin = later(async () => (await import('./PowerMargin.tsx')).PowerMargin)

/** What concerns the branch in hand: what is wrong with it, its length, what it passes and what to do there. */
export function LoomMargin({ station, item }: { station: Station; item: WorkItem | undefined }) {
  const { loom, findings } = useLoom()
  const { part, picture } = useLoomView()
  const step = item?.kind === 'step' ? item.step : null
  const branch = loom?.branches.find((candidate) => candidate.end.id === part)
  const about = findings.filter((finding) =>
    part === null || part === trunkPart
      ? finding.at.passage !== undefined && finding.at.kitEnd === undefined
      : finding.at.kitEnd === part && routeRules.has(finding.rule),
  )
  if (picture === 'power')
    return (
      <Suspense fallback={null}>
        <PowerMargin />
      </Suspense>
    )
  return (
    <>
      {about.map((finding) => (
        <MarginCard key={finding.key} tone={finding.severity === 'stop' ? 'stop' : 'lamp'} title={finding.reason}>
          {finding.remedy}
        </MarginCard>
      ))}
      {branch && <BranchCard branch={branch} />}
      {loom && part === trunkPart && (
        <>
          <MarginCard tone="quiet" title="Trunk">
            <p>
              <span className="figures">{loom.trunk.lengthM.toFixed(2)} m</span> from {loom.place.name.toLowerCase()};{' '}
              {loom.trunk.leftM > 0.005
                ? `${Math.round(loom.trunk.leftM * 1000)} mm are bundled at its end.`
                : 'all of it is used.'}
            </p>
            <p>{sleeveWords[loom.trunk.sleeve]}.</p>
          </MarginCard>
          <Passed hazards={loom.trunk.hazards} />
        </>
      )}
      {part && <Marking part={part} />}
      {!part && (
        <>
          {step?.caution && (
            <MarginCard tone="lamp" title="Take care">
              {step.caution}
            </MarginCard>
          )}
          <PlaceCard />
          {station === 'tie-down' ? <TieCard /> : <Tightest />}
          {loom && station !== 'tie-down' && <Passed hazards={wholeWay(loom)} />}
        </>
      )}
      <DossierPhotos part={part} />
      <StationPhotos station={station} part={part} />
    </>
  )
}

const routeRules = new Set<string>([
  'lead-never',
  'lead-short',
  'short-at-lock',
  'route-barred',
  'route-hot',
  'route-hazard',
  'route-gap',
  'route-differs',
  'place-unfit',
])

const mm = (metres: number) => `${Math.round(metres * 1000)} mm`

function BranchCard({ branch }: { branch: RoutedBranch }) {
  const { end } = branch
  return (
    <>
      <MarginCard
        tone={branch.reach === 'reaches' ? 'good' : 'stop'}
        title={`${end.tag.replace(/–.*/, '')} · ${end.name}`}
      >
        <p>to {end.target?.name ?? 'nothing here'}</p>
        {branch.reach !== 'unreachable' && (
          <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-3">
            <dt>The way itself</dt>
            <dd className="figures text-right">{mm(branch.lengthM)}</dd>
            <dt>With lay, loop and slack</dt>
            <dd className="figures text-right">{mm(branch.needM)}</dd>
            <dt>The branch is</dt>
            <dd className="figures text-right">{mm(end.branchM)}</dd>
            <dt className="font-semibold">{branch.spareM >= 0 ? 'To spare' : 'Short'}</dt>
            <dd className={`figures text-right text-title font-bold ${branch.spareM < 0 ? 'text-stop' : ''}`}>
              {mm(Math.abs(branch.spareM))}
            </dd>
          </dl>
        )}
        {branch.extensionM > 0 && (
          <p className="mt-1 font-semibold">
            Extension: <span className="figures">{branch.extensionM.toFixed(2)} m</span>, joint included.
          </p>
        )}
        {end.never !== null && <p className="mt-1">Never longer or shorter: {end.never}.</p>}
        {branch.sleeve !== 'plain' && <p className="mt-1 font-semibold">In a {sleeveWords[branch.sleeve]}.</p>}
        {branch.estimated && (
          <p className="mt-1 text-quiet">Part of the length is estimated: hold the branch to it before tying.</p>
        )}
      </MarginCard>
      {branch.steering && (
        <Suspense fallback={null}>
          <SteeringSwing branch={branch} slack={branch.steering} />
        </Suspense>
      )}
      <Passed hazards={branch.hazards} />
    </>
  )
}

/** Every hazard on the loom's way once, the gravest kinds first. */
function wholeWay(loom: LaidLoom): MetHazard[] {
  const grave = ['barred', 'moving', 'hot', 'pinch', 'sharp', 'wet', 'vibration']
  const all = [loom.trunk, ...loom.branches].flatMap((way) => way.hazards)
  return all
    .filter((met, i) => all.findIndex((other) => hazardWords(other.hazard) === hazardWords(met.hazard)) === i)
    .sort((a, b) => grave.indexOf(a.hazard.kind) - grave.indexOf(b.hazard.kind))
    .slice(0, 6)
}

/** The branches with least to spare: these are held to their plugs first. */
function Tightest() {
  const { loom } = useLoom()
  if (!loom) return null
  const list = loom.branches
    .filter((branch) => branch.reach !== 'unreachable')
    .sort((a, b) => a.spareM - b.spareM)
    .slice(0, 3)
  return (
    <MarginCard
      tone={list.some((branch) => branch.spareM < 0) ? 'stop' : 'data'}
      title="Hold these to their plugs first"
    >
      <ul>
        {list.map((branch) => (
          <li key={branch.end.id}>
            <button
              type="button"
              className="flex min-h-11 w-full items-center justify-between gap-3 text-left font-text underline decoration-line underline-offset-4"
              onClick={() => pickPart(branch.end.id)}
            >
              <span>{branch.end.name}</span>
              <span className={`figures shrink-0 font-semibold ${branch.spareM < 0 ? 'text-stop' : ''}`}>
                {branch.spareM < 0 ? `${mm(-branch.spareM)} short` : `+${mm(branch.spareM)}`}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </MarginCard>
  )
}

function Passed({ hazards }: { hazards: readonly MetHazard[] }) {
  if (hazards.length === 0) return null
  return (
    <MarginCard tone="lamp" title="On its way">
      <ul className="flex flex-col gap-2">
        {hazards.map(({ passage, name, hazard, airC }, i) => (
          <li key={`${passage}-${i}`} className="flex gap-2">
            <HazardChip hazard={hazard} />
            <span>
              <span className="font-semibold">{name}</span>: {hazardWords(hazard)}. {hazardRemedy(hazard, airC)}
            </span>
          </li>
        ))}
      </ul>
    </MarginCard>
  )
}

/** Says where the part really lies: passages tapped in the picture, or ticked here. */
function Marking({ part }: { part: LoomPartId }) {
  const { dossiers, lies, toggle, planned, state } = useLoom()
  const { marking } = useLoomView()
  const now = lies(part)
  const written = part in state.routes
  if (!marking)
    return (
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => setMarking(true)}>It lies another way</Button>
        {!written && <PlannedButton part={part} />}
      </div>
    )
  const known = dossiers.machine.passages ?? []
  const near = new Set([...now, ...(planned.get(part) ?? [])])
  const points = new Set(known.flatMap((passage) => (near.has(passage.id) ? [passage.from, passage.to] : [])))
  const list = known
    .filter((passage) => near.has(passage.id) || points.has(passage.from) || points.has(passage.to))
    .sort((a, b) => Number(near.has(b.id)) - Number(near.has(a.id)))
  return (
    <MarginCard tone="data" title="Where does it lie?">
      <p>Tap the passages in the picture, or tick them here.</p>
      <ul className="mt-1">
        {list.map((passage) => (
          <li key={passage.id}>
            <label className="flex min-h-11 cursor-pointer items-center gap-2.5">
              <input
                type="checkbox"
                className="size-5 !min-h-0 accent-[var(--lamp)]"
                checked={now.includes(passage.id)}
                onChange={() => void toggle(part, passage.id)}
              />
              <span className="min-w-0">{passage.name}</span>
            </label>
          </li>
        ))}
      </ul>
      <Button className="mt-1" onClick={() => setMarking(false)}>
        That is how it lies
      </Button>
    </MarginCard>
  )
}

function PlannedButton({ part }: { part: LoomPartId }) {
  const { planned, write } = useLoom()
  return (
    <Button
      look="quiet"
      onClick={() => void write({ kind: 'routed', part, passages: planned.get(part) ?? [], replaces: null })}
    >
      As planned
    </Button>
  )
}

function PlaceCard() {
  const { loom, state, dossiers, write } = useLoom()
  if (!loom) return null
  const { place, facts } = loom
  const elsewhere = state.mounted && state.mounted.place !== place.id ? state.mounted : null
  const elsewhereName = dossiers.machine.places?.find((item) => item.id === elsewhere?.place)?.name ?? ''
  const held = state.mounted?.place === place.id ? state.mounted : null
  return (
    <MarginCard tone={loom.feasible ? 'data' : 'stop'} title={`Module: ${place.name}`}>
      <p>{place.place}</p>
      <p className="mt-1">
        {facts.tools
          ? `Got at again in ${Math.round(facts.serviceMin)} min, with tools`
          : facts.serviceMin > 0
            ? `Got at again in ${Math.round(facts.serviceMin)} min, without tools`
            : 'Open to the hand'}
        {facts.hidden ? ', out of sight' : ''}
        {facts.lampSeen ? ', lamp in view' : ''}.
      </p>
      {loom.against.map((text) => (
        <p key={text} className="mt-1 font-semibold text-stop">
          {text}
        </p>
      ))}
      {held && <p className="mt-1 font-semibold">{held.trial ? 'Held there, not fixed yet.' : 'Fixed there.'}</p>}
      {elsewhere && (
        <>
          <p className="mt-1 font-semibold">
            It is still {elsewhere.trial ? 'held' : 'fixed'} at {inSentence(elsewhereName)}.
          </p>
          <Button onClick={() => void write({ kind: 'mounted', place: place.id, trial: elsewhere.trial })}>
            It is here now
          </Button>
        </>
      )}
    </MarginCard>
  )
}

function TieCard() {
  const { loom, state, dossiers, write } = useLoom()
  if (!loom) return null
  const names = new Map((dossiers.machine.passages ?? []).map((passage) => [passage.id, passage.name]))
  return (
    <MarginCard tone="quiet" title={`${loom.ties.count} ties`}>
      <ul>
        {loom.ties.passages.map(({ passage, count, spacingMm }) => (
          <li key={passage}>
            <label className="flex min-h-11 cursor-pointer items-center gap-2.5">
              <input
                type="checkbox"
                className="size-5 !min-h-0 accent-[var(--lamp)]"
                checked={passage in state.ties}
                disabled={passage in state.ties}
                onChange={() => void write({ kind: 'tied', passage })}
              />
              <span className="min-w-0 flex-1">{names.get(passage)}</span>
              <span className="figures shrink-0 text-quiet">
                {count} · {spacingMm} mm
              </span>
            </label>
          </li>
        ))}
      </ul>
    </MarginCard>
  )
}

function StationPhotos({ station, part }: { station: Station; part: LoomPartId | null }) {
  const { state, dossiers } = useJob()
  const end = dossiers.kit.ends.find(({ id }) => id === part)?.id
  const about = { station, ...(end ? { kitEnd: end } : {}) }
  const photos = state.photos.filter(
    (photo) => photo.about?.station === station && (part === null || photo.about.kitEnd === about.kitEnd),
  )
  return (
    <div className="flex flex-col gap-2">
      <PhotoButton shows="work" about={about} label={part ? 'Photo of this way' : 'Photo'} />
      <PhotoRow photos={photos} />
    </div>
  )
}

/** Photos of the machine with the place the module has, or the passages of the part in hand, pinned on them. */
function DossierPhotos({ part }: { part: LoomPartId | null }) {
  const { dossiers } = useJob()
  const { loom } = useLoom()
  const { machine } = dossiers
  if (!loom || !machine.photos) return null
  const stretches =
    part === null ? [] : (part === trunkPart ? loom.trunk : loom.branches.find(({ end }) => end.id === part))?.stretches
  const passages = [...new Set((stretches ?? []).map(({ passage }) => passage))]
  return (
    <Suspense fallback={null}>
      {part === null && <OnPhotos machine={machine} of="places" id={loom.place.id} />}
      {passages.map((id) => (
        <OnPhotos key={id} machine={machine} of="passages" id={id} />
      ))}
    </Suspense>
  )
}
