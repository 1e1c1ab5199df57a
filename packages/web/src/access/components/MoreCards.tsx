import type { Station } from '@tidy-badger/core/dossiers'
import type { JobDossiers } from '@tidy-badger/core/jobs'
import { isDiesel, membersOf } from '@tidy-badger/core/dossiers'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { AftertreatmentCard, ReadinessCard } from '../../aftertreatment/index.ts'
import { AirflowCard, LadderCard } from '../../levels/index.ts'
import { PullsCard } from '../../proving/index.ts'
import { UnitCard, UpdateCard, WheelsCard } from '../../setup/index.ts'
import { CodesCard, HealthCard, LampCard } from '../../wake/index.ts'
import { MeterCard } from './MeterCard.tsx'
import { Sheet } from '../../ui/Sheet.tsx'

const cards = {
  lamp: { title: 'What does the lamp say?', at: ['set-up', 'wake'] },
  codes: { title: 'Codes, before and after', at: ['make-safe', 'set-up', 'wake', 'prove'] },
  health: { title: 'Fit for it?', at: ['take-in', 'wake'] },
  update: { title: 'Update a module', at: ['set-up'] },
  unit: { title: 'Numbers on the unit', at: ['check-kit', 'set-up'] },
  wheels: { title: 'Wheels and speed', at: ['set-up', 'trim', 'prove'] },
  ladder: { title: 'Ladder of levels', at: ['trim'] },
  airflow: { title: 'What the airflow signal does', at: ['set-up', 'prove'] },
  pulls: { title: 'Pulls and claim', at: ['take-in', 'prove'] },
  aftertreatment: { title: 'Regeneration and run-on', at: ['trim', 'prove'] },
  readiness: { title: 'Ready for an emission test?', at: ['prove'] },
  meter: { title: 'Kilometres or hours', at: ['take-in'] },
} as const satisfies Record<string, { title: string; at: readonly Station[] }>
type Card = keyof typeof cards

const names: readonly Card[] = [
  ...(['meter', 'ladder', 'airflow', 'pulls', 'lamp', 'codes', 'health', 'unit', 'update', 'wheels'] as const),
  ...(['aftertreatment', 'readiness'] as const),
]

const wide: ReadonlySet<Card> = new Set(['ladder', 'airflow', 'pulls', 'aftertreatment'])

/** Cards that not every job has a use for. */
function usefulFor({ machine, kit }: JobDossiers, name: Card): boolean {
  if (name === 'ladder') return membersOf(kit).some((member) => member.kit.levels)
  if (name === 'airflow') return /airflow/i.test(kit.system)
  if (name === 'aftertreatment') return isDiesel(machine.engine)
  return name !== 'readiness' || !/quad|cycle|side|snow|field/i.test(machine.class)
}

/** What is wanted beside the steps of a station, one tap away. */
export function MoreCards({ station }: { station: Station }) {
  const { dossiers } = useJob()
  const [open, setOpen] = useState<Card | null>(null)
  const [held, setHeld] = useState<Card>('lamp')
  const here = names.filter((name) => cards[name].at.some((at) => at === station) && usefulFor(dossiers, name))
  if (here.length === 0) return null
  const close = () => setOpen(null)
  return (
    <div className="flex flex-wrap gap-2">
      {here.map((name) => (
        <Button
          key={name}
          onClick={() => {
            setHeld(name)
            setOpen(name)
          }}
        >
          {cards[name].title}
        </Button>
      ))}
      <Sheet open={open !== null} onClose={close} title={cards[held].title} wide={wide.has(held)}>
        {held === 'lamp' && <LampCard onDone={close} />}
        {held === 'codes' && <CodesCard />}
        {held === 'health' && <HealthCard />}
        {held === 'ladder' && <LadderCard />}
        {held === 'pulls' && <PullsCard />}
        {held === 'airflow' && <AirflowCard />}
        {held === 'aftertreatment' && <AftertreatmentCard />}
        {held === 'readiness' && <ReadinessCard />}
        {held === 'unit' && <UnitCard />}
        {held === 'wheels' && <WheelsCard onDone={close} />}
        {held === 'meter' && <MeterCard onDone={close} />}
        {held === 'update' && <UpdateCard onDone={close} />}
      </Sheet>
    </div>
  )
}
