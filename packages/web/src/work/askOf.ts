import type { WorkAsk, WorkItem } from '@tidy-badger/core/jobs'

export type Asked = WorkAsk | 'connection' | 'mute' | 'pedal'

/** What has to be measured, proved or chosen before an item may be ticked; null where a tick is enough. */
export function askOf(item: WorkItem): Asked | null {
  if (item.kind === 'own') return item.asks ?? null
  return item.kind === 'step' ? (item.step.proof ?? null) : null
}

/** What the button that opens it says. */
export function askWord(asked: Asked): string {
  if (asked === 'setting') return 'Choose'
  return asked === 'boss' || asked === 'throttle' ? 'Measure' : 'Prove it'
}

/** What stands over its card: of a proof its name, since the step itself says how in many words. */
export function askTitle(asked: Asked): string | null {
  if (asked === 'pedal') return 'Pedal proof'
  if (asked === 'mute') return 'Proof, channel by channel'
  return asked === 'connection' ? 'Proof of connection' : null
}
