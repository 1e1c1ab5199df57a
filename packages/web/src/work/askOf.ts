import { isStart, type WorkAsk, type WorkItem } from '@tidy-badger/core/jobs'

export type Asked = WorkAsk | 'connection' | 'mute' | 'pedal' | 'selector' | 'start'

/** What has to be measured, proved or chosen before an item may be ticked; null where a tick is enough. */
export function askOf(item: WorkItem): Asked | null {
  if (item.kind === 'own') return item.asks ?? null
  if (item.kind !== 'step') return null
  return item.step.proof ?? (isStart(item.step) ? 'start' : null)
}

/** What the button that opens it says. */
export function askWord(asked: Asked): string {
  if (asked === 'setting') return 'Choose'
  if (asked === 'start') return 'Started'
  if (asked === 'leak') return 'Looked at'
  return asked === 'boss' || asked === 'throttle' ? 'Measure' : 'Prove it'
}

/** What stands over its card: of a proof its name, since the step itself says how in many words. */
export function askTitle(asked: Asked): string | null {
  if (asked === 'pedal') return 'Pedal proof'
  if (asked === 'mute') return 'Proof, channel by channel'
  if (asked === 'selector') return 'Selector, click by click'
  if (asked === 'level') return 'Proof of a level'
  if (asked === 'start') return 'Start it'
  if (asked === 'leak') return 'Intake joints'
  return asked === 'connection' ? 'Proof of connection' : null
}
