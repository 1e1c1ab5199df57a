import { inSentence } from '../dossiers/index.ts'
import { speaker } from '../shared/index.ts'
import { said, type FactsOf, type FindingWords, type WordsOf } from '../findings/index.ts'
import { otherWords } from './otherWords.ts'

const plain = (name: string) => name.replaceAll('-', ' ')

const openJoint = 'Open the joint and mend the wire.'
const takeOff = (end: string) => `Take ${end} off.`
const airbagOff = 'Key off, wait ten minutes, touch nothing more there, and have it looked at by the licensed workshop.'
const useOf = (methods: readonly string[]) => `Use ${methods.join(' or ') || 'another place'}.`

/** What is said of each rule about what is connected. Names of ends, plugs, circuits and places as their documents have them. */
export const wiringWords = {
  ...otherWords,
  // What speaks against an end at a place; the sentence where it belongs follows.
  'airbag-circuit': ({ end, circuit, plug }: { end: string; circuit: string | null; plug: string | null }) =>
    circuit !== null
      ? said(`${circuit} belongs to the airbag: it can fire in your face.`, airbagOff)
      : said(
          `${plug} carries airbag circuits: nothing is joined in it, whatever the wire.`,
          `Key off, wait ten minutes, take ${end} off without touching the yellow sheath.`,
        ),
  'no-wire': ({ plug, cavity, pin }: { plug: string; cavity: number; pin: boolean }) =>
    pin
      ? said(`Nothing reads cavity ${cavity} of ${plug}.`, 'Take the pin out.')
      : said(`Cavity ${cavity} of ${plug} has no wire.`, 'Take it out.'),
  'pin-occupied': ({
    cavity,
    circuit,
    methods,
  }: {
    cavity: number
    circuit: string
    methods: readonly string[] | null
  }) =>
    methods === null
      ? said(`Cavity ${cavity} holds ${inSentence(circuit)} already; a pin cannot be added there.`, 'Take the pin out.')
      : said('A pin cannot be added where a wire is already.', useOf(methods)),
  'barred-circuit': ({ circuit }: { circuit: string }) =>
    said(
      `${circuit} is never pierced: its drive swings far above battery voltage.`,
      'Mend the wire with a sealed sleeve.',
    ),
  'stripe-swapped': ({ colour, circuit, wanted }: { colour: string; circuit: string; wanted: string }) =>
    said(`This is ${colour}, ${inSentence(circuit)}. Wanted is ${wanted}: base and stripe are swapped.`, openJoint),
  'wrong-bank': ({ end, circuit, bank }: { end: string; circuit: string; bank: number }) =>
    said(`This is ${inSentence(circuit)}; ${end} is for bank ${bank}.`, takeOff(end)),
  'wrong-track': ({
    end,
    circuit,
    track,
    cavity,
  }: {
    end: string
    circuit: string
    track: number
    cavity: number | null
  }) =>
    cavity === null
      ? said(`This is ${inSentence(circuit)}; ${end} wants track ${track}.`, openJoint)
      : said(`Cavity ${cavity} carries ${inSentence(circuit)}; ${end} wants track ${track} there.`, takeOff(end)),
  'wrong-wire': ({ end, circuit, wants }: { end: string; circuit: string; wants: string }) =>
    said(`This wire carries ${inSentence(circuit)}; ${end} wants ${plain(wants)}.`, openJoint),
  'feed-always-live': ({
    end,
    circuit,
    module,
    idleMa,
  }: {
    end: string
    circuit: string
    module: string | null
    idleMa: number | null
  }) =>
    module === null
      ? said(
          `${circuit} is live with the key off: the module would never sleep.`,
          'Open the joint and mend the wire; the feed belongs to a circuit that dies with the key.',
        )
      : said(
          `${end} stays live with the key off and the ${module} draws ${idleMa} mA without ever sleeping: a flat battery within days.`,
          'Let a relay switch it: its coil lead on a circuit that dies with the key.',
        ),
  'feed-brake-lamp': ({ circuit }: { circuit: string }) =>
    said(`${circuit} is live only while braking: never a feed.`, openJoint),
  'feed-electronic': ({ circuit }: { circuit: string }) =>
    said(
      `${circuit} is driven by electronics that watch their load: it takes neither a tap nor a relay coil.`,
      openJoint,
    ),
  'feed-part-time': ({ circuit }: { circuit: string }) =>
    said(`${circuit} is live only while that is in use: the module would lose its feed.`, openJoint),
  'feed-spare-unknown': ({ end, circuit, amps }: { end: string; circuit: string; amps: number }) =>
    said(
      `Nobody wrote down what ${inSentence(circuit)} can spare; ${end} takes ${amps} A.`,
      'Read its fuse and what hangs on it before the load goes on.',
    ),
  'feed-over-spare': ({
    ends,
    circuit,
    amps,
    spareA,
  }: {
    ends: readonly string[]
    circuit: string
    amps: number
    spareA: number
  }) =>
    ends.length === 1
      ? said(
          `${circuit} has ${spareA} A to spare; ${ends[0]} takes ${amps} A.`,
          'Let a relay carry the load, or take another circuit.',
        )
      : said(
          `${ends.join(' and ')} take ${amps} A from ${circuit} together; it has ${spareA} A to spare.`,
          'Let a relay carry the load, or take one of them to another circuit.',
        ),
  'ground-live': ({ place }: { place: string }) =>
    said(`${place} is live. A ground on it is a dead short.`, 'Battery negative off now, and take it off.'),
  'reference-on-power': ({ end, place }: { end: string; place: string }) =>
    said(
      `${end} is the reference of a measurement; ${inSentence(place)} moves with every load on it.`,
      'Take it off; a reference belongs to a sensor ground.',
    ),
  'ground-sensor': ({ place, amps }: { place: string; amps: number }) =>
    said(
      `${place} is the reference of the sensors; ${amps} A through it would shift every reading.`,
      'Take it off; it belongs to a power ground.',
    ),
  'ring-size': ({ holeMm, threadMm }: { holeMm: number; threadMm: number }) =>
    said(
      `The eye of ${holeMm} mm does not go over M${threadMm}.`,
      'Crimp on an eye of the right size; do not drill it.',
    ),
  'wrong-stud': ({ end, stud, circuit, wants }: { end: string; stud: string; circuit: string; wants: string }) =>
    said(`${stud} carries ${inSentence(circuit)}; ${end} wants ${plain(wants)}.`, 'Take it off.'),
  'feed-on-ground': ({ end, stud }: { end: string; stud: string }) =>
    said(`${end} is a feed, and ${stud} is ground: the fuse goes, or the lead burns.`, 'Take it off.'),
  'feed-unfused': ({ end }: { end: string }) =>
    said(
      `${end} has no fuse: a rubbed-through lead burns the machine.`,
      'Fit a holder within 200 mm of the post; the fuse goes in last.',
    ),
  'pins-differ': ({ end, pins, plug, plugPins }: { end: string; pins: number; plug: string; plugPins: number }) =>
    said(`${end} has ${pins} pins, ${plug} has ${plugPins}.`, 'Take it off.'),
  'genders-clash': ({ plug, plugGender, gender }: { plug: string; plugGender: string; gender: string }) =>
    said(
      `The ${plugGender} terminals of ${plug} cannot mate with ${gender} ones.`,
      'Turn the pair round, or use the other half.',
    ),
  'wrong-connector': ({
    end,
    plug,
    cavity,
    circuit,
    wants,
  }: {
    end: string
    plug: string
    cavity: number
    circuit: string | null
    wants: string
  }) =>
    said(
      `Cavity ${cavity} of ${plug} carries ${circuit === null ? 'nothing' : inSentence(circuit)}; ${end} works on ${plain(wants)} there.`,
      takeOff(end),
    ),
  'wrong-row': ({ end, circuit, row }: { end: string; circuit: string; row: string }) =>
    said(`This is ${inSentence(circuit)}; ${end} is for the ${row} row.`, takeOff(end)),
  'wrong-cylinder': ({ end, circuit, cylinder }: { end: string; circuit: string; cylinder: number }) =>
    said(`This is ${inSentence(circuit)}; ${end} is for number ${cylinder}.`, takeOff(end)),

  // What is made.
  'wrong-machine': ({ kit, machine }: { kit: string; machine: string }) =>
    said(`${kit} is not made for ${machine}.`, 'Use the kit made for this machine.'),
  'dossier-gap': ({ says, remedy }: { says: string; remedy: string }) => said(says, remedy),
  'feed-over-fuse': ({
    end,
    circuit,
    amps,
    fuseA,
    carriesA,
  }: {
    end: string
    circuit: string
    amps: number
    fuseA: number
    carriesA: number
  }) =>
    said(
      `${end} draws ${amps} A from ${inSentence(circuit)}, whose fuse of ${fuseA} A carries ${Math.floor(carriesA * 10) / 10} A for long, and more hangs on it.`,
      'Take the supply from a circuit with room, or from the battery over a relay.',
    ),
  'guessed-place': ({ end, what, known, wrong }: { end: string; what: string; known: string; wrong: boolean }) =>
    said(
      `${end} goes by ${inSentence(what)}, which is ${known}.`,
      wrong
        ? 'Find it with the meter before you go on, and write down what is there.'
        : 'Measure it once; a reading that agrees makes it known.',
    ),
  'sheet-erratum': ({ says, is, by, at }: { says: string; is: string; by: string; at: string }) =>
    said(
      `The sheet says ${says}; ${is} (${by}, ${at.slice(0, 10)}).`,
      'Go by what was found, count the cavity, and prove it with the meter.',
    ),
  'wrong-kind': ({ end, is, place, belongs }: { end: string; is: EndSort; place: string; belongs: string }) =>
    said(`${end} ${endSorts[is]} ${place}.`, belongs),
  'method-missing': ({ end, methods }: { end: string; methods: readonly string[] }) =>
    said(`Nobody wrote down how ${end} was joined.`, `Write it down. ${useOf(methods)}`),
  'method-not-in-kit': ({ end, method, methods }: { end: string; method: string; methods: readonly string[] }) =>
    said(
      `${end} was joined by ${method}, which this kit has not: nobody says which wires and places it is good for.`,
      `${useOf(methods)} Or prove it with a tug and write down what it was.`,
    ),
  'tap-size': ({
    method,
    lowMm2,
    highMm2,
    areaMm2,
    methods,
  }: {
    method: string
    lowMm2: number
    highMm2: number
    areaMm2: number
    methods: readonly string[]
  }) => said(`A ${method} is for ${lowMm2} to ${highMm2} mm²; this wire has ${areaMm2} mm².`, useOf(methods)),
  'tap-place': ({
    method,
    zone,
    condition,
    why,
    methods,
  }: {
    method: string
    zone: string
    condition: string
    why: string
    methods: readonly string[]
  }) => said(`A ${method} should not be used here (${zone}: ${condition}): ${why}.`, useOf(methods)),
  'confusable-wire': ({
    colour,
    other,
    where,
    telling,
  }: {
    colour: string
    other: string
    where: string
    telling: string
  }) => said(`${colour} can be taken for ${other} (${where}).`, telling),
  'sheet-differs': ({ sheet, colour }: { sheet: string; colour: string }) =>
    said(
      `The kit's sheet says ${sheet}; on this machine it is ${colour}.`,
      'Go by connector and cavity, and prove it with the meter.',
    ),
  'pair-one-side': ({ end, device, half }: { end: string; device: string; half: 'factory' | 'device' }) =>
    half === 'factory'
      ? said(
          `The factory plug is in the loom, but the loom is not on the ${device}: the ${device} is dead.`,
          `Push the other half of ${end} onto the ${device} until it clicks.`,
        )
      : said(
          `The loom is on the ${device}, but the factory plug is not in the loom: nothing reaches it.`,
          `Push the factory plug into the other half of ${end} until it clicks.`,
        ),
  'pair-split': ({ end, factory, device }: { end: string; factory: string; device: string }) =>
    said(`${end} has the plug of the ${factory} on one side and the ${device} on the other.`, 'Part both halves.'),
  'plug-twice': ({ end, other, plug }: { end: string; other: string; plug: string }) =>
    said(
      `${end} and ${inSentence(other)} are both written down at ${inSentence(plug)}: one plug takes one pair.`,
      'Look which of them is there, and correct the other.',
    ),
  'port-open': ({ end, wants }: { end: string; wants: 'terminator' | 'cap' }) =>
    said(`${end} is open.`, wants === 'terminator' ? 'Put the terminator in.' : 'Put the cap on.'),
  'port-wrong-closure': ({ end, has, wants }: { end: string; has: string; wants: 'terminator' | 'cap' }) =>
    said(
      `${end} is closed with a ${has}, it needs a ${wants}.`,
      wants === 'terminator'
        ? 'Take it out and put the terminator in; without it the bus reflects and drops out.'
        : 'Take the terminator out and put the cap on; one terminator too many pulls the bus down.',
    ),
  'vent-closed': ({ end, why }: { end: string; why: string }) =>
    said(`${end} is closed, and has to stay open: ${why}`, 'Take it off and keep it clear.'),
  'vent-open': ({ end, why }: { end: string; why: string }) =>
    said(`Nobody wrote down that ${inSentence(end)} is open and clear.`, why),
  'end-open': ({ end, left, where }: { end: string; left: boolean; where: string }) =>
    left ? said(`${end} was left open.`, where) : said(`${end} is not connected yet.`, `Connect it to ${where}.`),
  'closed-but-wanted': ({ end, where }: { end: string; where: string }) =>
    said(`${end} is capped, but belongs to ${where}.`, 'Take the cap off and connect it.'),
  'spare-open': ({ end, machine }: { end: string; machine: string }) =>
    said(`${end} has no place on ${machine} and is open.`, 'Cap it and tie it back, so that it can touch nothing.'),
  'bus-terminators': ({ fitted, wanted }: { fitted: number; wanted: number }) =>
    said(
      `${fitted} ${fitted === 1 ? 'terminator is' : 'terminators are'} in; the bus of this loom needs ${wanted}.`,
      fitted > wanted
        ? 'Take out the one that is too many and cap that port.'
        : 'Put the missing one in at the end of the bus.',
    ),
  'cut-open': ({ end, partner }: { end: string; partner: string }) =>
    said(
      `The wire is cut for ${end}, but ${partner} does not take its other half: nothing gets through.`,
      `Join ${partner} to the other half, or join the cut ends again.`,
    ),
  'cut-swapped': ({ end, partner, half }: { end: string; partner: string; half: 'ecu' | 'device' }) =>
    said(
      `${end} is on the half ${half === 'ecu' ? 'to the control unit' : 'from the device'}; it takes the other one: the signal runs through the module backwards.`,
      `Change it over with ${partner}.`,
    ),
  'cut-split': ({ end, partner, here, there }: { end: string; partner: string; here: string; there: string }) =>
    said(
      `${end} is at ${here}, ${partner} at ${there}: two different wires.`,
      'Both take the halves of one cut wire. Join what was cut wrongly again.',
    ),
  'cut-method': ({ method }: { method: string }) =>
    said(
      `A ${method} does not hold a cut end.`,
      'Solder and sleeve where it is still, crimp and sealed sleeve where it shakes.',
    ),
  'not-tugged': ({ end, plug }: { end: string; plug: boolean }) =>
    said(
      `${end} has not been tugged.`,
      plug ? 'Pull at it; it must not move.' : 'Pull at it by the plug or beside the joint; it must not move.',
    ),
  'kit-lookalike': ({ end, other, shared, telling }: { end: string; other: string; shared: string; telling: string }) =>
    said(`${end} looks like ${inSentence(other)}: ${shared}.`, telling),
  'differs-from-plan': ({ end, place, planned }: { end: string; place: string; planned: string }) =>
    said(
      `${end} is at ${place}; the plan says ${planned}.`,
      'It may stay there. Note why, so that the next person finds it.',
    ),
  'wrong-socket': ({
    end,
    socket,
    takesIt,
    belongs,
    telling,
  }: {
    end: string
    socket: string
    takesIt: boolean
    belongs: string
    telling: string
  }) =>
    said(
      `${end} is in ${inSentence(socket)}${takesIt ? ', which takes it but is another' : ''}.`,
      `Take it out; it belongs into ${inSentence(belongs)}. ${telling}`,
    ),
  'pair-to-itself': ({ end }: { end: string }) =>
    said(
      `The two halves of the ${inSentence(end)} are mated to each other: the module is bypassed and the factory plug hangs free or back on its device.`,
      'Part the two halves. Factory plug into the loom, loom onto the device, tug both.',
    ),
  'loom-to-loom': ({ end, other }: { end: string; other: string | null }) =>
    said(
      `${end} is mated to ${other ?? 'another end'} of the same kit.`,
      'Part them and connect each to its own place.',
    ),

  // What only the journal knows.
  'two-places': ({ end }: { end: string }) =>
    said(
      `Two different places were written down for ${end}; the later one is shown.`,
      'Look at it. If the later is wrong, undo it; else take the end off in the list and connect it again.',
    ),
  'cut-no-consent': ({ end }: { end: string }) =>
    said(
      `A factory wire was cut for ${end}, and nobody wrote down that the owner agreed.`,
      'Ask the owner and write it down with the name, or join the wire again.',
    ),
  'joined-live': ({ end }: { end: string }) =>
    said(
      `${end} was joined with the battery on.`,
      'Battery off, take the joint apart and look at it: a scorched strand or eye is made anew. Then join it again.',
    ),
}

/** How an end is joined, for one that is where it cannot be. */
const endSorts = {
  lead: 'joins a wire and cannot go to',
  pair: 'is a plug pair and cannot go to',
  ring: 'goes under a nut, not to',
} as const
type EndSort = keyof typeof endSorts

export type WiringFacts = FactsOf<typeof wiringWords>

/** One rule with the facts of its case. */
export type RuleCase<RuleId extends keyof WiringFacts = keyof WiringFacts> = {
  [Id in RuleId]: { rule: Id; facts: WiringFacts[Id] }
}[RuleId]

/** What is said of one case. */
export function caseWords<RuleId extends keyof WiringFacts>({ rule, facts }: RuleCase<RuleId>): FindingWords {
  const words: WordsOf<WiringFacts> = wiringWords
  return words[rule](facts)
}

/** Where an end belongs, as the thing to do. @param place null: the machine has none for it */
export function belongsSentence(end: string, place: string | null, closes: boolean): string {
  if (place === null) return `Cap ${end}: no place for it is known here.`
  return closes ? `${end} is to be ${place}.` : `${end} belongs to ${place}.`
}

/** What is said of work at the wires that no plan of the dossiers has. */
export const wiringWorkWords = {
  'unplug-unknown': ({ text, plug, device }: { text: string; plug: string; device: string }) =>
    `Unknown module, ${inSentence(text)}: both halves out at ${inSentence(plug)}, which goes back onto the ${device} until it clicks`,
  earlier: ({ what, text }: { what: string; text: string }) => `Earlier work, ${what}: ${inSentence(text)}`,
}
export const sayWiringWork = speaker(wiringWorkWords)
