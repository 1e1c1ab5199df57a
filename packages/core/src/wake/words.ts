import { inSentence } from '../dossiers/index.ts'
import { said, type FactsOf } from '../findings/index.ts'
import { speaker } from '../shared/index.ts'

interface Proof {
  kit: string
  reason: string
}

/** What is said of each rule about waking. */
export const wakeWords = {
  'proved-bypassed': ({ kit, reason }: Proof) =>
    said(
      `The ${kit} is bypassed: ${reason}`,
      'Key off; look at each of its pairs: both halves on the right plug. Then prove it again.',
    ),
  'proved-crossed': ({ kit, reason }: Proof) =>
    said(`The ${kit} is crossed: ${reason}`, 'Key off, change the two pairs over, then prove it again.'),
  'proved-sensor': ({ kit, reason }: Proof) =>
    said(
      `The ${kit} reads otherwise: ${reason}`,
      'Look at the sensor, its ground and its scale; the two have to agree before a level is set.',
    ),
  'not-proved': ({ kit }: { kit: string }) =>
    said(
      `Nobody has proved that the ${kit} has a hand on the engine.`,
      'Prove it at wake: until then nothing was fitted.',
    ),
  'start-failed': ({ text }: { text: string }) =>
    said(`The last start failed${text === '' ? '.' : `: ${text}`}`, 'Find out why, and start it twice in order.'),
  'code-new': ({ codes }: { codes: readonly string[] }) =>
    said(
      `New since the work began: ${codes.join(', ')}.`,
      'Find its cause; a code of this job’s own test is cleared, and read again after the drive.',
    ),
  'not-fit': ({ what, says }: { what: string; says: string }) =>
    said(
      `${what}: ${says === '' ? 'not in order' : says}.`,
      'Mend it first: on a machine that is not well no level and no trim means anything.',
    ),
}
export type WakeFacts = FactsOf<typeof wakeWords>

export const wakeWorkWords = {
  'prove-level': ({ kit }: { kit: string }) =>
    `On the first loaded run, prove a level of the ${kit}: its value and the socket’s differ by what it adds`,
  'look-for-leaks': ({ covers }: { covers: readonly string[] }) =>
    `Intake leak check, engine idling: ${covers.map(inSentence).join(', ')} was off. spray a little at each joint: the speed does not move`,
  'prove-connection': ({ kit }: { kit: string }) =>
    `Prove the ${kit}: its own value and one that does not come from it agree, and move together`,
}
export const sayWakeWork = speaker(wakeWorkWords)
