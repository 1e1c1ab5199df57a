import { accessGaps } from '@tidy-badger/core/access'
import {
  bodyFields,
  editedAs,
  engineFields,
  filterFields,
  machineCautions,
  machineHead,
  mixtureFields,
  powerFields,
  takenFromMachine,
  withMachineRow,
  withSteps,
} from '@tidy-badger/core/dossier-writing'
import { routeGaps } from '@tidy-badger/core/routing'
import {
  machineGaps,
  missingFrom,
  parseMachine,
  type ColourLanguage,
  type ColourOrder,
  type Machine,
  type Step,
} from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { Picture, Views } from '../ui/Views.tsx'
import { PlugFace } from '../wiring/index.ts'
import { CircuitTable } from './components/CircuitTable.tsx'
import { CoverTable } from './components/CoverTable.tsx'
import { DraftState, type Gap } from './components/DraftState.tsx'
import { DrawnParts } from './components/DrawnParts.tsx'
import { FieldCard } from './components/FieldCard.tsx'
import { DrawnPartTable, MachineTable } from './components/MachineTable.tsx'
import { NewPlug } from './components/NewPlug.tsx'
import { PastePinout } from './components/PastePinout.tsx'
import { PlugDetails } from './components/PlugDetails.tsx'
import { RouteMap } from './components/RouteMap.tsx'
import { PassageTable, PlaceTable } from './components/RouteTables.tsx'
import { PhotoChapter } from './components/PhotoChapter.tsx'
import { ReadingOrder } from './components/ReadingOrder.tsx'
import { StepCard } from './components/StepCard.tsx'
import { StudTable } from './components/StudTable.tsx'
import { TakeFrom } from './components/TakeFrom.tsx'
import { TapPlug } from './components/TapPlug.tsx'
import { UsualThings } from './components/UsualThings.tsx'
import { Variants, WrittenOn } from './components/Variants.tsx'
import { WireGrid } from './components/WireGrid.tsx'
import { changeMachine, keepMade, machineDrafting, useDraft } from './draftStore.ts'

const chapters = [
  ['plugs', 'Plugs'],
  ['covers', 'Covers'],
  ['loom', 'Ways for the loom'],
  ['circuits', 'Circuits'],
  ['steps', 'Steps'],
  ['figures', 'Figures'],
  ['drawing', 'Drawing'],
  ['photos', 'Photos'],
  ['variants', 'Variants'],
] as const
type Chapter = (typeof chapters)[number][0]

/** A machine that is being written, chapter by chapter; what is missing or contradicts itself stands beside it. */
export function MachineEditor({ id, machine: document }: { id: string; machine: Machine }) {
  const variant = useDraft((state) => state.variant)
  // Everything is shown and changed as the variant that is written on.
  const machine = editedAs(document, variant)
  const [chapter, setChapter] = useState<Chapter>('plugs')
  const [picked, setPicked] = useState<string | null>(machine.connectors[0]?.id ?? null)
  const [step, setStep] = useState<string | null>(null)
  const connector = machine.connectors.find((item) => item.id === picked)
  const inHand = machine.steps.find((item) => item.id === step)
  const pickPlug = (plug: string | null) => {
    setPicked(plug)
    if (plug !== null) setChapter('plugs')
  }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_340px]">
      <Views heading={<WrittenOn machine={document} />} names={chapters} shown={chapter} onShow={setChapter}>
        <Picture name="plugs">
          <PlugChapter key={variant ?? ''} machine={machine} picked={picked} onPick={setPicked} />
        </Picture>
        <Picture name="covers">
          <CoverTable machine={machine} />
        </Picture>
        <Picture name="loom">
          <div className="flex flex-col gap-6">
            <RouteMap machine={machine} />
            <PassageTable machine={machine} />
            <PlaceTable machine={machine} />
            <MachineTable
              machine={machine}
              list="zones"
              title="Zones"
              says="Parts of the machine a hand works in. It is: hot, wet, vibration or dry, with blanks."
              one="zone"
            />
          </div>
        </Picture>
        <Picture name="circuits">
          <div className="grid grid-cols-[minmax(0,1fr)] gap-8">
            <CircuitTable machine={machine} />
            <StudTable machine={machine} />
          </div>
        </Picture>
        <Picture name="steps">
          <div className="flex flex-col gap-8">
            <MachineTable
              machine={machine}
              list="steps"
              title="Steps"
              says="What is done on this machine whatever is fitted, in working order within a station."
              one="step"
              picked={step}
              onPick={setStep}
            />
            <UsualThings<Step>
              id={id}
              one="step"
              wordsOf={({ text }) => text}
              onTake={(steps) => changeMachine((now) => withSteps(now, steps))}
            />
            <FieldCard
              kind="machine"
              drafting={machineDrafting}
              document={machine}
              label="Cautions of the machine"
              fields={machineCautions}
            />
          </div>
        </Picture>
        <Picture name="figures">
          <div className="flex flex-col gap-8">
            {figureCards.map(([title, fields]) => (
              <FieldCard
                key={title}
                kind="machine"
                drafting={machineDrafting}
                document={machine}
                title={title}
                label={`Figures: ${title}`}
                fields={fields}
              />
            ))}
          </div>
        </Picture>
        <Picture name="drawing">
          <div className="flex flex-col gap-6">
            <FieldCard
              kind="machine"
              drafting={machineDrafting}
              document={machine}
              title="Form and size"
              label="Form and size of the machine"
              fields={bodyFields}
            />
            {machine.body && <DrawnParts machine={machine} body={machine.body} />}
            {machine.body && <DrawnPartTable machine={machine} />}
          </div>
        </Picture>
        <Picture name="photos">
          <PhotoChapter machine={machine} />
        </Picture>
        <Picture name="variants">
          <Variants machine={document} />
        </Picture>
      </Views>
      <aside className="flex flex-col gap-5">
        {chapter === 'plugs' && connector && (
          <>
            <PlugFace key={connector.id} machine={machine} connector={connector} list={false} />
            <TapPlug key={`${connector.id} face`} machine={machine} connector={connector} />
            <PlugDetails machine={machine} connector={connector} onGone={() => setPicked(null)} />
          </>
        )}
        {chapter === 'steps' && inHand && (
          <StepCard
            key={inHand.id}
            step={inHand}
            keep={(texts) =>
              keepMade(machineDrafting, machine, (now) => {
                const index = now.steps.findIndex((item) => item.id === inHand.id)
                return withMachineRow(now, 'steps', index, texts)
              })
            }
          />
        )}
        <Gaps id={id} machine={machine} document={document} onPick={pickPlug} />
        <TakeFrom
          kind="machine"
          own={document.id}
          onTake={(other, list, thing) =>
            other.kind === 'machine' && machineDrafting.change((now) => takenFromMachine(now, other, list, thing))
          }
        />
      </aside>
    </div>
  )
}

const figureCards = [
  ['The machine', machineHead],
  ['Engine', engineFields],
  ['Battery', powerFields],
  ['Mixture wanted', mixtureFields],
  ['What of a log is left out', filterFields],
] as const

/** Plugs on the left, the wires of the one in hand beside them. */
function PlugChapter({
  machine,
  picked,
  onPick,
}: {
  machine: Machine
  picked: string | null
  onPick: (plug: string | null) => void
}) {
  const [order, setOrder] = useState<ColourOrder>('base first')
  const [language, setLanguage] = useState<ColourLanguage | ''>('')
  const [pasted, setPasted] = useState(0)
  const connector = machine.connectors.find((item) => item.id === picked)
  const reading = { order, ...(language === '' ? {} : { language }) }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[230px_minmax(0,1fr)]">
      <nav aria-label="Plugs" className="flex flex-col gap-3">
        <ul className="flex max-h-[46vh] flex-col overflow-y-auto">
          {machine.connectors.map((item) => (
            <li key={item.id}>
              <button
                type="button"
                aria-pressed={item.id === picked}
                onClick={() => onPick(item.id)}
                className={`min-h-11 w-full rounded-lg border-2 px-3 text-left font-text ${item.id === picked ? 'border-lamp bg-paper font-bold' : 'border-transparent'}`}
              >
                {item.name} <span className="text-quiet">{item.cavities.length}</span>
              </button>
            </li>
          ))}
        </ul>
        <NewPlug machine={machine} onMade={onPick} />
      </nav>
      <div>
        {connector ? (
          <>
            <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
              <h2 className="text-title font-bold">{connector.name}</h2>
              <ReadingOrder order={order} onOrder={setOrder} language={language} onLanguage={setLanguage} />
              <PastePinout
                machine={machine}
                connector={connector}
                reading={reading}
                onTaken={() => setPasted(pasted + 1)}
              />
            </div>
            <WireGrid key={`${connector.id} ${pasted}`} machine={machine} connector={connector} reading={reading} />
          </>
        ) : (
          <p className="py-10 text-center text-lead text-quiet">
            Name the first plug on the left: its cavities come at once.
          </p>
        )}
      </div>
    </div>
  )
}

function Gaps({
  id,
  machine,
  document,
  onPick,
}: {
  id: string
  /** As the variant that is written on. */
  machine: Machine
  /** As it is kept and published. */
  document: Machine
  onPick: (connector: string) => void
}) {
  const gaps: Gap[] = [
    ...[...machineGaps(machine), ...((machine.covers ?? []).length > 0 ? accessGaps(machine) : [])].map(
      ({ at: { connector }, says, remedy }) => ({
        ...{ says, remedy },
        ...(connector === undefined ? {} : { onPick: () => onPick(connector) }),
      }),
    ),
    ...routeGaps(machine).map(({ message }) => ({ says: message, remedy: '' })),
  ]
  const parsed = parseMachine(document)
  return (
    <DraftState
      id={id}
      document={document}
      gaps={gaps}
      problems={parsed.ok ? [] : parsed.problems}
      missing={missingFrom(machine).map(({ costs }) => costs)}
      begun={machine.connectors.length > 0}
    />
  )
}
