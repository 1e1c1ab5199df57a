import {
  cavityKey,
  isUnsure,
  knownOf,
  knownText,
  thingKey,
  thingName,
  wireName,
  type InlinePair,
  type KitEnd,
  type KnownList,
} from '../../dossiers/index.ts'
import type { Connection, FindingPlace } from '../model.ts'
import type { CheckScene } from '../scene.ts'

/** What an end is joined to that nobody has measured, or that a reading spoke against: once for each place. */
export function guessedFindings(scene: CheckScene, end: KitEnd, made: readonly Connection[]): void {
  if (!scene.machine.known) return
  const said = new Set<string>()
  for (const { to } of made) {
    const places: FindingPlace[] =
      'stud' in to
        ? [{ stud: to.stud }]
        : 'connector' in to
          ? 'cavity' in to
            ? [{ connector: to.connector, cavity: to.cavity }]
            : cavitiesOf(end).map((cavity) => ({ connector: to.connector, cavity }))
          : []
    for (const place of places) sayGuess(scene, end, place, said)
  }
}

/** Cavities a pair does something with. */
function cavitiesOf(end: KitEnd): number[] {
  const lines: InlinePair['lines'] = end.type === 'inline-pair' ? end.lines : []
  return lines.flatMap(({ does, cavity }) => (does === 'pass' ? [] : [cavity]))
}

/** The first thing at a place that is unsure: its plug or stud, its wire, its circuit. */
function sayGuess({ machine, index, say }: CheckScene, end: KitEnd, place: FindingPlace, said: Set<string>): void {
  const { stud, connector, cavity } = place
  const wire =
    connector === undefined || cavity === undefined ? undefined : index.wireInCavity.get(cavityKey(connector, cavity))
  const things: [KnownList, string | undefined, string?][] = [
    ['studs', stud],
    ['connectors', connector],
    ['wires', wire?.id, wire && `the ${wireName(wire.colour)} wire`],
    ['nets', wire?.net],
  ]
  for (const [of, id, words] of things) {
    const known = knownOf(machine, of, id)
    if (id === undefined || !isUnsure(known) || said.has(thingKey({ of, id }))) continue
    said.add(thingKey({ of, id }))
    say(
      'guessed-place',
      { kitEnd: end.id, ...place },
      {
        end: end.name,
        what: words ?? thingName(machine, of, id),
        known: knownText(known),
        wrong: known.how === 'wrong',
      },
    )
    return
  }
}
