import {
  kitHead,
  lastWords,
  missingFromKit,
  takenFromKit,
  moduleFields,
  trimFields,
  withKitRow,
  withParts,
} from '@tidy-badger/core/dossier-writing'
import { parseKit, type Kit, type KitPart } from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { Picture, Views } from '../../ui/Views.tsx'
import { DraftState } from '../components/DraftState.tsx'
import { FieldCard } from '../components/FieldCard.tsx'
import { StepCard } from '../components/StepCard.tsx'
import { TakeFrom } from '../components/TakeFrom.tsx'
import { UsualThings } from '../components/UsualThings.tsx'
import { changeKit, keepMade, kitDrafting } from '../draftStore.ts'
import { KitSheet } from './KitSheet.tsx'
import { KitTable } from './KitTable.tsx'
import { EndCard, LoomChapter } from './LoomChapter.tsx'

const chapters = [
  ['loom', 'Loom'],
  ['module', 'Module'],
  ['box', 'In the box'],
  ['set', 'Set and trim'],
  ['sheet', 'Sheet'],
  ['steps', 'Steps'],
] as const
type Chapter = (typeof chapters)[number][0]

/** A kit that is being written, chapter by chapter; what is missing or contradicts itself stands beside it. */
export function KitEditor({ id, kit }: { id: string; kit: Kit }) {
  const [chapter, setChapter] = useState<Chapter>('loom')
  const [picked, setPicked] = useState<string | null>(kit.ends[0]?.id ?? null)
  const [step, setStep] = useState<string | null>(null)
  const end = kit.ends.find((one) => one.id === picked)
  const inHand = step === null ? undefined : kit.steps.at(Number(step))
  const parsed = parseKit(kit)
  const problems = (parsed.ok ? [] : parsed.problems).map((problem) => ({
    ...problem,
    onPick: () => {
      const [list = '', index = ''] = problem.path.split('.')
      setChapter(chapterOf[list] ?? 'module')
      if (list === 'ends') setPicked(kit.ends[Number(index)]?.id ?? picked)
    },
  }))
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_320px]">
      <Views
        heading={<h2 className="text-title font-bold">{kit.system}</h2>}
        names={chapters}
        shown={chapter}
        onShow={setChapter}
      >
        <Picture name="loom">
          <LoomChapter kit={kit} picked={picked} onPick={setPicked} />
        </Picture>
        <Picture name="module">
          <div className="flex flex-col gap-8">
            <FieldCard kind="kit" drafting={kitDrafting} document={kit} label="The kit" fields={kitHead} />
            <FieldCard
              kind="kit"
              drafting={kitDrafting}
              document={kit}
              label="Figures of the module"
              fields={moduleFields}
            />
            <KitTable
              kit={kit}
              list="lamps"
              title="What its lamp says"
              says="A rhythm is one round: on and off, on and off, in milliseconds."
              one="lamp sign"
            />
            <KitTable kit={kit} list="sockets" title="Sockets and terminals of its own" one="socket" />
          </div>
        </Picture>
        <Picture name="box">
          <div className="flex flex-col gap-8">
            <KitTable
              kit={kit}
              list="parts"
              title="Parts"
              says="A stop keeps the job from opening without it; a note only slows it."
              one="part"
            />
            <UsualThings<KitPart>
              id={id}
              one="part"
              wordsOf={({ name, count }) => `${count} × ${name}`}
              onTake={(parts) => changeKit((now) => withParts(now, parts))}
            />
            <KitTable kit={kit} list="taps" title="Joints, and where they do not last" one="joint" />
            <KitTable kit={kit} list="naming" title="How the ends are told apart" one="rule" />
          </div>
        </Picture>
        <Picture name="set">
          <div className="flex flex-col gap-8">
            <KitTable
              kit={kit}
              list="settings"
              title="Settings"
              says="Choices by semicolons, or from and to. Captured: the unit reads it off this machine, and until then it has no value."
              one="setting"
            />
            <KitTable
              kit={kit}
              list="figures"
              title="Figures it writes or sends"
              says="How its log’s columns, or the names in its lines of JSON, are called, and which readings each answers, in the words of the steps; “meter” answers a meter card."
              one="figure"
            />
            <KitTable
              kit={kit}
              list="levels"
              title="Levels above stock"
              says="What each adds, and from when the module lets it in. Stock is 0 and not in the list."
              one="level"
            />
            <KitTable
              kit={kit}
              list="claims"
              title="What it is claimed to bring"
              says="Gains, not totals, as whoever sells it says. A job on it asks for pulls on stock first, and says afterwards what of it was shown."
              one="claim"
            />
            <section>
              <h2 className="mb-2 text-title font-bold">Fuel table</h2>
              <FieldCard
                kind="kit"
                drafting={kitDrafting}
                document={kit}
                label="Figures of the fuel table"
                fields={trimFields}
              />
            </section>
          </div>
        </Picture>
        <Picture name="sheet">
          <KitSheet kit={kit} />
        </Picture>
        <Picture name="steps">
          <div className="flex flex-col gap-8">
            <KitTable
              kit={kit}
              list="steps"
              title="Steps"
              says="In working order within a station. One figure is enough for the minutes."
              one="step"
              picked={step}
              onPick={setStep}
            />
            <FieldCard kind="kit" drafting={kitDrafting} document={kit} label="Last words" fields={lastWords} />
          </div>
        </Picture>
      </Views>
      <aside className="flex flex-col gap-5">
        {chapter === 'loom' && end && <EndCard key={end.id} kit={kit} end={end} />}
        {chapter === 'steps' && inHand && (
          <StepCard
            key={step}
            step={inHand}
            keep={(texts) => keepMade(kitDrafting, kit, (now) => withKitRow(now, 'steps', Number(step), texts))}
          />
        )}
        <DraftState
          id={id}
          document={kit}
          gaps={[]}
          problems={problems}
          missing={missingFromKit(kit).map(({ costs }) => costs)}
          begun={kit.ends.length > 0 || kit.figures !== undefined}
        />
        <TakeFrom
          kind="kit"
          own={kit.id}
          onTake={(other, list, thing) =>
            other.kind === 'kit' && kitDrafting.change((now) => takenFromKit(now, other, list, thing))
          }
        />
      </aside>
    </div>
  )
}

/** Where a list of the document is edited. */
const chapterOf: Record<string, Chapter> = {
  ends: 'loom',
  terminators: 'module',
  module: 'module',
  lamps: 'module',
  sockets: 'module',
  parts: 'box',
  taps: 'box',
  naming: 'box',
  settings: 'set',
  levels: 'set',
  claims: 'set',
  figures: 'set',
  trim: 'set',
  places: 'sheet',
  fits: 'sheet',
  steps: 'steps',
}
