import { inSentence } from '../dossiers/index.ts'
import { said, type FactsOf } from '../findings/index.ts'
import { speaker } from '../shared/index.ts'

interface RowFacts {
  name: string
  kit: string
  says: string
  why: string
}

const setIt = ({ name, kit, says, why }: RowFacts) =>
  said(`${name} of the ${kit}: ${inSentence(says)}`, why === '' ? 'Set it.' : why)

/** What is said of each rule about setting up. */
export const setupWords = {
  'cylinders-wrong': setIt,
  'setting-wrong': setIt,
  'capture-failed': ({ kit, spanV }: { kit: string; spanV: number }) =>
    said(
      `The throttle of the ${kit} was captured, ${spanV.toFixed(2)} V from shut to open, and the capture failed.`,
      'Look at the sensor, its 5 V and its ground, then capture it again.',
    ),
  'level-not-agreed': ({
    kit,
    agreed,
    now,
    use,
    owner,
  }: {
    kit: string
    agreed: string
    now: string
    use: string
    owner: string
  }) =>
    said(
      `The ${kit} is left on ${now}; ${agreed} was agreed with ${owner} for ${use}.`,
      `Set it to ${agreed}, or agree anew.`,
    ),
  'pedal-failed': ({ kit, reasons }: { kit: string; reasons: readonly string[] }) =>
    said(
      `The pedal with the ${kit} is not safe: ${reasons[0] ?? 'the proof failed.'}`,
      'Key off, take the pair out, factory plug back on the pedal. Nobody starts it like this.',
    ),
  'speed-off': ({ socketKmh, satelliteKmh, offPct }: { socketKmh: number; satelliteKmh: number; offPct: number }) =>
    said(
      `The socket says ${socketKmh} km/h, the satellite ${satelliteKmh}: ${Math.abs(offPct).toFixed(1)} % ${offPct > 0 ? 'too high' : 'too low'}.`,
      'Look at the height of the wheels that is set, and at the axle.',
    ),
  'level-disagrees': ({ kit, shown }: { kit: string; shown: readonly { at: string; level: string }[] }) =>
    said(
      `The ${kit} shows ${shown.map(({ at, level }) => `${level} at ${at}`).join(', ')}.`,
      'Key off and on, and look again; what still differs is not joined.',
    ),
  'selector-differs': ({ kit, wrong }: { kit: string; wrong: readonly { position: number; shown: number }[] }) =>
    said(
      `The ${kit}: ${wrong.map(({ position, shown }) => `click ${position} shows ${shown}`).join(', ')}.`,
      'Look at its number of positions, then at the bus leads.',
    ),
  'knob-rubs': ({ kit, clearanceMm, leastMm }: { kit: string; clearanceMm: number; leastMm: number }) =>
    said(
      `The knob of the ${kit} has ${clearanceMm} mm of room; it wants ${leastMm} to be turned with a glove.`,
      'Move it before the hole is made.',
    ),
  'wrong-unit': ({
    kit,
    part,
    serial,
    wanted,
  }: {
    kit: string
    part: string
    serial: string
    wanted: readonly string[]
  }) =>
    said(
      `The unit of the ${kit} is ${part}, serial ${serial}; for this machine it is ${wanted.join(' or ')}.`,
      'Do not power it; look at the variant of the machine again.',
    ),
  'no-pairing': ({ kit }: { kit: string }) =>
    said(
      `A phone does not pair with the ${kit} where it sits.`,
      'Within two steps, other phones off; if it still does not, the module goes where it does.',
    ),
  'tyre-wrong': ({ errorPct }: { errorPct: number }) =>
    said(
      `With the wheels that are on, the speed shown is ${Math.abs(errorPct).toFixed(1)} % ${errorPct > 0 ? 'too high' : 'too low'}.`,
      'Set the height that was measured, and check it against a satellite reading.',
    ),
}
export type SetupFacts = FactsOf<typeof setupWords>

/** What is to be done, and what bars. */
export const setupWorkWords = {
  'set-value': ({ name, value, why }: { name: string; value: string; why: string }) =>
    `Set ${inSentence(name)} to ${value}${why === '' ? '' : `: ${inSentence(why)}`}`,
  'choose-value': ({ name, why }: { name: string; why: string }) => `${name}, choose it: ${inSentence(why)}`,
  'capture-throttle': ({ kit }: { kit: string }) =>
    `Capture the throttle of the ${kit}: shut for half a second, slowly to the stop, half a second open; key on, engine not started`,
  'bar-cylinders': ({ kit, says }: { kit: string; says: string }) => `Cylinders of the ${kit}: ${inSentence(says)}`,
  'bar-throttle': ({ kit }: { kit: string }) =>
    `Nobody captured the throttle of the ${kit}, and it drives the engine: capture it before the first start.`,
  'bar-throttle-later': ({ kit }: { kit: string }) =>
    `Nobody captured the throttle of the ${kit}: what is trimmed lands in the wrong cells. Capture it first.`,
  'bar-pedal': ({ kit }: { kit: string }) =>
    `The pedal with the ${kit} is not proved: both tracks at five positions, at every sensitivity, before the engine ever runs.`,
  'bar-level': ({ kit, agreed, now }: { kit: string; agreed: string; now: string }) =>
    `The ${kit} is left on ${now}, and ${agreed} was agreed: set it, or agree anew.`,
}
export const saySetupWork = speaker(setupWorkWords)
