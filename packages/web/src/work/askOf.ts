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
