import { isDiesel, type Dossier, type Kit, type KitPart, type Machine, type Step } from '../dossiers/index.ts'

/** Something that dossiers of a class share, with how many of them have it. */
export interface Usual<Thing> {
  thing: Thing
  /** Dossiers of the class that have it, of so many. */
  count: number
  of: number
}

/** Whether two machines are of a class: drawn alike, and burning alike. */
function alike(a: Machine, b: Machine): boolean {
  return a.body?.form === b.body?.form && isDiesel(a.engine) === isDiesel(b.engine)
}

const plain = (words: string) =>
  words
    .trim()
    .toLowerCase()
    .replace(/[\s.,:;]+/g, ' ')
const firstWords = ({ system }: Kit) => plain(system).split(' ').slice(0, 2).join(' ')

/**
 * What at least two dossiers of the class share, and a third of them at least; what this one has is left out.
 * @param others dossiers there are, one version each; itself among them or not
 */
function shared<Thing>(
  own: readonly Thing[],
  others: readonly (readonly Thing[])[],
  wordsOf: (thing: Thing) => string,
): Usual<Thing>[] {
  const has = new Set(own.map(wordsOf))
  const found = new Map<string, Usual<Thing>>()
  for (const things of others)
    for (const [words, thing] of new Map(things.map((one) => [wordsOf(one), one]))) {
      const known = found.get(words)
      if (known) known.count++
      else if (!has.has(words)) found.set(words, { thing, count: 1, of: others.length })
    }
  return [...found.values()]
    .filter(({ count }) => count >= 2 && count * 3 >= others.length)
    .sort((a, b) => b.count - a.count)
}

/** Steps that machines of its class share and this one has not, the most usual first. */
export function usualSteps(machine: Machine, all: readonly Dossier[]): Usual<Step>[] {
  const others = all.flatMap((other) =>
    other.kind === 'machine' && other.id !== machine.id && alike(other, machine) ? [other.steps] : [],
  )
  return shared(machine.steps, others, ({ station, text }) => `${station} ${plain(text)}`)
}

/** Parts that kits of its kind share and this one has not, the most usual first. */
export function usualParts(kit: Kit, all: readonly Dossier[]): Usual<KitPart>[] {
  const others = all.flatMap((other) =>
    other.kind === 'kit' && other.id !== kit.id && firstWords(other) === firstWords(kit) ? [other.parts] : [],
  )
  return shared(kit.parts, others, ({ name }) => plain(name))
}
