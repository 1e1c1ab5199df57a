import type { SettingId } from '@tidy-badger/core/dossiers'
import { wordsOf, type WorkItem } from '@tidy-badger/core/jobs'
import { asId } from '@tidy-badger/core/shared'
import { BossCard } from '../../sensors/index.ts'
import { ChoiceCard, PedalCard, SelectorCard, ThrottleCard } from '../../setup/index.ts'
import { AuthorityCard, LeakCard, LevelCard, StartCard } from '../../wake/index.ts'
import { Sheet } from '../../ui/Sheet.tsx'
import { askOf, askTitle, type Asked } from '../askOf.ts'

/** The card of what an item asks for, over the page. */
export function AskSheet({
  item,
  open,
  onClose,
  onDone,
}: {
  item: WorkItem
  open: boolean
  onClose: () => void
  onDone: () => void
}) {
  const asked = askOf(item)
  if (asked === null) return null
  return (
    <Sheet open={open} onClose={onClose} title={askTitle(asked) ?? wordsOf(item)} wide={asked === 'pedal'}>
      <Card item={item} asked={asked} onDone={onDone} />
    </Sheet>
  )
}

/** The kit in the name of an item: `kit:what` or `what.kit`; '' of one alone. */
function kitIn(id: string): string {
  const at = id.indexOf(':')
  if (at >= 0) return id.slice(0, at)
  return /^(?:prove|level)\.(.+)$/.exec(id)?.[1] ?? ''
}

function Card({ item, asked, onDone }: { item: WorkItem; asked: Asked; onDone: () => void }) {
  const step = item.kind === 'step' ? { step: item.step.id } : {}
  switch (asked) {
    case 'boss':
      return <BossCard onDone={onDone} />
    case 'throttle':
      return <ThrottleCard kit={kitIn(item.id)} onDone={onDone} />
    case 'setting':
      return <ChoiceCard setting={asId<SettingId>(item.id.replace(/^set\./, ''))} onDone={onDone} />
    case 'pedal':
      return <PedalCard {...step} onDone={onDone} />
    case 'selector':
      return <SelectorCard {...step} onDone={onDone} />
    case 'start':
      return item.kind === 'step' ? <StartCard step={item.step.id} onDone={onDone} /> : null
    case 'leak':
      return <LeakCard onDone={onDone} />
    case 'level':
      return <LevelCard kit={kitIn(item.id)} onDone={onDone} />
    case 'authority':
      return <AuthorityCard kit={kitIn(item.id)} way="connection" onDone={onDone} />
    case 'connection':
    case 'mute':
      return <AuthorityCard {...step} way={asked} onDone={onDone} />
  }
}
