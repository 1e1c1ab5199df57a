import {
  branchColour,
  type RoutedBranch,
  sleeveWords,
  tiePracticeOf,
  tiePractices,
  tieReasons,
  tyingChosen,
} from '@tidy-badger/core/routing'
import { FileDown } from 'lucide-react'
import { pickPart, showPicture, useLoomView } from '../store.ts'
import { useLoom } from '../useLoom.ts'
import { Practice } from '../../ui/Practice.tsx'

/** Every branch to scale: what there is, what the way takes; the bundle in every passage; papers. */
export function LengthsPanel() {
  const { dossiers, state, loom, job, kitInHand, write } = useLoom()
  if (!loom) return <p className="text-lead">Without a way there is nothing to measure against.</p>
  const { kit } = dossiers
  const longest = Math.max(
    ...loom.branches.map((branch) => branch.end.breakOutM + Math.max(branch.end.branchM, branch.needM)),
    kit.trunkM,
  )
  return (
    <div className="flex flex-col gap-5">
      <section>
        <h3 className="text-title font-bold">Lengths, to scale</h3>
        <p className="text-quiet">
          Grey: trunk up to the break-out. Colour: the branch. Bar below: what its way takes, loop and slack included.
        </p>
        <ul className="mt-2">
          {loom.branches.map((branch) => (
            <LengthRow
              key={branch.end.id}
              branch={branch}
              longest={longest}
              colour={branchColour(kit, branch.end.id)}
            />
          ))}
        </ul>
      </section>
      <section>
        <h3 className="text-title font-bold">Bundle in every passage</h3>
        <table className="w-full max-w-[680px] border-collapse">
          <thead>
            <tr className="border-b-2 border-line text-left text-quiet">
              <th className="py-1 font-normal">Passage</th>
              <th className="figures text-right font-normal">across</th>
              <th className="figures text-right font-normal">sleeve</th>
              <th className="figures text-right font-normal">takes of free</th>
            </tr>
          </thead>
          <tbody>
            {loom.bundles.map((bundle) => (
              <tr key={bundle.passage} className="border-b border-line-soft">
                <td className="py-1">{bundle.name}</td>
                <td className="figures text-right">{bundle.diameterMm.toFixed(1)} mm</td>
                <td className="figures text-right">{bundle.sleeveMm ?? 'none'} mm</td>
                <td className={`figures text-right ${bundle.over ? 'font-bold text-stop' : ''}`}>
                  {Math.round(bundle.areaMm2)}
                  {bundle.freeMm2 === null ? '' : ` of ${Math.round(bundle.freeMm2)}`} mm²
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-1">Trunk in a {sleeveWords[loom.trunk.sleeve]}.</p>
      </section>
      <section className="flex flex-wrap gap-x-5 gap-y-1">
        {[
          ['route.svg', 'Drawing, SVG'],
          ['route.pdf', 'Way, lengths and power, PDF'],
          ['template.pdf', 'Template 1:1 for cutting, PDF'],
        ].map(([file, words]) => (
          <a
            key={file}
            href={`/api/jobs/${job.id}/${file}${kitInHand ? `?kit=${encodeURIComponent(kitInHand)}` : ''}`}
            className="flex min-h-11 items-center gap-2 font-semibold underline underline-offset-4"
          >
            <FileDown aria-hidden size={20} /> {words}
          </a>
        ))}
      </section>
      <Practice
        legend="When the loom is tied in this shop"
        name="tying"
        options={tiePractices}
        reasons={tieReasons}
        now={tiePracticeOf(state)}
        onChoose={(value) => void write(tyingChosen.answer(state, {}, value))}
      />
    </div>
  )
}

function LengthRow({ branch, longest, colour }: { branch: RoutedBranch; longest: number; colour: string }) {
  const { part } = useLoomView()
  const { end } = branch
  const share = (metres: number) => `${(metres / longest) * 100}%`
  const short = branch.spareM < 0
  return (
    <li>
      <button
        type="button"
        aria-pressed={part === end.id}
        onClick={() => {
          pickPart(end.id)
          showPicture('way')
        }}
        className="grid min-h-12 w-full grid-cols-[3rem_1fr_7.5rem] items-center gap-2 text-left font-text"
      >
        <span className="font-head font-bold">{end.tag.replace(/–.*/, '…')}</span>
        <span className="relative block h-9" aria-hidden>
          <span className="absolute top-1 h-2.5 bg-line" style={{ width: share(end.breakOutM) }} />
          <span
            className="absolute top-1 h-2.5 border border-ink"
            style={{ left: share(end.breakOutM), width: share(end.branchM), background: colour }}
          />
          <span
            className={`absolute top-5 h-2 ${short ? 'bg-stop' : 'bg-quiet'}`}
            style={{ left: share(end.breakOutM), width: share(branch.needM) }}
          />
        </span>
        <span className={`figures text-right ${short ? 'font-bold text-stop' : 'text-quiet'}`}>
          {short ? `${Math.round(-branch.spareM * 1000)} mm short` : `+${Math.round(branch.spareM * 1000)} mm`}
        </span>
        <span className="sr-only">
          {end.name}: {end.branchM.toFixed(2)} m supplied, {branch.needM.toFixed(2)} m needed
        </span>
      </button>
    </li>
  )
}
