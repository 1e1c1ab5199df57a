import { said, type FactsOf } from '../findings/index.ts'
import { always, speaker } from '../shared/index.ts'
import type { PipeAct } from './state.ts'

/** What was done to the pipe, in the journal. */
export const pipeWords: Readonly<Record<PipeAct, string>> = {
  off: 'Exhaust pipe off, electronics unplugged',
  welded: 'Boss welded in with its plug, cold, no drop inside',
  on: 'Exhaust pipe on, new gasket, joints tight',
}

/** What is to be done. */
export const sensorWorkWords = {
  'boss-measure': ({ least }: { least: number }) =>
    `Mark where the boss goes and measure it: distance, angle, which way it points; at least ${least}° above the horizontal, on the side stand too`,
  'boss-pipe-off': always(
    'Exhaust pipe off, cold; the control unit and every sensor near it unplugged before anybody welds',
  ),
  'boss-weld': always(
    'Boss welded in by whoever may weld it, its plug screwed in, pipe off the machine; let it cool, no drop inside',
  ),
  'boss-pipe-on': always(
    'Exhaust pipe on with a new gasket, joints tight, plugs back; the boss keeps its plug until the sensor goes in',
  ),
}
export const saySensorWork = speaker(sensorWorkWords)

export const sensorWords = {
  'boss-place': ({ says, change }: { says: string; change: string }) => said(`Boss: ${says}`, change),
  'pipe-off': ({ welded }: { welded: boolean }) =>
    said(
      'The exhaust pipe is off.',
      welded ? 'Put it on with a new gasket and look for leaks.' : 'Weld the boss, or close it, and put the pipe on.',
    ),
}
export type SensorFacts = FactsOf<typeof sensorWords>
