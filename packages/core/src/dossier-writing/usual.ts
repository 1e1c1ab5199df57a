import { asWritten } from '../shared/index.ts'
import type { Kit, KitPart, Step } from '../dossiers/index.ts'

/** Joints as every workshop has them, and where each of them does not last. */
export const usualTaps: Kit['taps'] = [
  {
    ...{ method: 'piercing screw tap', lowMm2: 0.3, highMm2: 1, barred: ['wet', 'hot'] },
    why: 'the pierced hole lets water in and creeps when hot',
  },
  {
    ...{ method: 'displacement tap', lowMm2: 0.5, highMm2: 1.5, barred: ['wet', 'hot', 'vibration'] },
    why: 'its blade cuts strands of thin wire and works loose',
  },
  {
    ...{ method: 'solder and sleeve', lowMm2: 0.2, highMm2: 6, barred: ['vibration'] },
    why: 'the wire breaks where the solder ends',
  },
  {
    ...{ method: 'crimp and sealed sleeve', lowMm2: 0.2, highMm2: 6, barred: [] },
    why: 'closed against water and holds in vibration',
  },
]

const running = 'Running engine only in the open or with extraction: carbon monoxide.'

/** What of a kit's steps hangs on what it is. */
export interface StepWords {
  /** What its lamp does with the key on. */
  lamp: string
  /** How it is proved that the engine runs through the module. */
  authority: string
  /** What is done on the first rides or drives; without it there is nothing to trim. */
  trim?: string
}

/** Steps that every kit has, in working order, with times of general practice. */
export function usualSteps({ lamp, authority, trim }: StepWords): Step[] {
  const laidAside = 'Away from hot pipes, turning parts, the steering and every place where a seat or lid presses down.'
  return asWritten<Step[]>([
    {
      id: 'baseline',
      station: 'make-safe',
      text: 'A gain is to be proved later: one warm pull or a steady mixture reading on stock now, before anything is unplugged, and write it down.',
      why: 'A claim can only be tested against the machine as it came in.',
      caution: running,
      engine: 'runs',
      asks: { words: 'The pull or reading on stock; that none was made is an answer too' },
      minutes: { best: 4, likely: 10, worst: 20 },
    },
    {
      id: 'lay',
      station: 'lay-loom',
      text: 'Lay the loom along the factory loom, plugged into nothing. Every branch must reach its place with a hand’s breadth to spare.',
      caution: laidAside,
      needs: { power: 'off' },
      minutes: { best: 6, likely: 12, worst: 25 },
      marks: 'route',
    },
    {
      id: 'trial-mount',
      station: 'lay-loom',
      text: 'Set the module in its place, lamp in sight, do not fix it yet.',
      minutes: { best: 2, likely: 4, worst: 10 },
      marks: 'mount',
    },
    {
      id: 'hold',
      station: 'lay-loom',
      text: 'Hold the loom with a loose tie wherever it could touch something hot or moving; everything else is tied only after it has been proved.',
      why: 'A bypassed pair found after thirty ties costs them all.',
      minutes: { best: 1, likely: 3, worst: 6 },
      after: ['lay'],
    },
    {
      id: 'module-lamp',
      station: 'set-up',
      text: lamp,
      needs: { power: 'on', unstarted: true },
      minutes: { best: 1, likely: 1, worst: 3 },
    },
    {
      id: 'authority',
      station: 'wake',
      text: authority,
      caution: running,
      engine: 'runs',
      asks: { words: 'What answered, and how' },
      minutes: { best: 3, likely: 6, worst: 15 },
    },
    {
      id: 'clean',
      station: 'tie-down',
      text: 'Clean the place of the module with spirit.',
      minutes: { best: 1, likely: 2, worst: 5 },
      wait: { minutes: 5, why: 'until the place is dry' },
    },
    {
      id: 'stick',
      station: 'tie-down',
      text: 'Fix the module for good, press or screw it firm.',
      minutes: { best: 2, likely: 4, worst: 10 },
      wait: { minutes: 20, why: 'until the adhesive carries' },
      after: ['clean'],
      marks: 'mount',
    },
    {
      id: 'tie-loom',
      station: 'tie-down',
      text: 'Tie the loom every 120 mm to the factory loom, bundle the spare length, cut the tails flush.',
      caution: 'Engine hot from the start: nothing over a sharp edge, nothing on hot parts, slack where things move.',
      minutes: { best: 8, likely: 15, worst: 25 },
      marks: 'ties',
    },
    ...(trim === undefined
      ? []
      : [
          {
            id: 'tune',
            station: 'trim' as const,
            text: trim,
            caution: 'One step at a time, and look at temperature and codes after each.',
            engine: 'runs' as const,
            minutes: { best: 15, likely: 30, worst: 60 },
          },
        ]),
    {
      id: 'explain',
      station: 'hand-back',
      text: 'Show the owner the module, its lamp, what not to do (no pressure washer into the plugs), and how to return to stock.',
      minutes: { best: 4, likely: 8, worst: 15 },
    },
    {
      id: 'recheck',
      station: 'hand-back',
      text: 'Agree when to come again: tighten and look after the first ten hours.',
      asks: { words: 'When, and who looks' },
      minutes: { best: 1, likely: 2, worst: 5 },
    },
  ])
}

/** What is in the box with a loom like this. */
export function usualParts({ ends, module, terminators = 0 }: Pick<Kit, 'ends' | 'module' | 'terminators'>): KitPart[] {
  const ports = ends.filter((end) => end.type === 'port' && end.closedBy === 'cap').length
  const leads = ends.filter((end) => end.type === 'flying-lead').length
  const fused = ends.flatMap((end) => (end.type === 'ring' && end.fuseA !== undefined ? [end.fuseA] : []))
  return asWritten<KitPart[]>([
    { id: 'module', name: module.name, count: 1, missing: 'stop' },
    { id: 'loom', name: `Loom with tags ${ends.map((end) => end.tag).join(', ')}`, count: 1, missing: 'stop' },
    ...fused.map((amperes, i) => ({
      id: i === 0 ? 'fuse' : `fuse-${i + 1}`,
      name: `Fuse holder with ${amperes} A blade`,
      ...{ count: 1, missing: 'stop' as const },
    })),
    ...(terminators > 0
      ? [{ id: 'terminator', name: 'Bus terminator', count: terminators, missing: 'stop' as const }]
      : []),
    ...(ports > 0 ? [{ id: 'port-cap', name: 'Port cap', count: ports, missing: 'stop' as const }] : []),
    ...(leads > 0
      ? [
          {
            id: 'sleeve',
            name: 'Crimp with sealed sleeve',
            ...{ count: leads, missing: 'note' as const },
            instead: 'a crimp with sealed sleeve of the same wire range',
          },
        ]
      : []),
    {
      id: 'lead-cap',
      name: 'Cap for an end that is not used',
      ...{ count: Math.max(1, ends.filter((end) => !end.needed).length), missing: 'note' },
      instead: 'heat-shrink, folded and closed hot',
    },
    {
      id: 'ties',
      name: 'Cable ties 150 mm',
      ...{ count: 20, missing: 'note' },
      instead: 'any UV-fast tie of the same width',
    },
    { id: 'sheet', name: 'Instruction sheet', count: 1, missing: 'note' },
  ])
}

/** The way back for a loom like this. */
export function usualReturn({ ends }: Pick<Kit, 'ends'>): string[] {
  const has = (type: Kit['ends'][number]['type']) => ends.some((end) => end.type === type)
  return [
    'Key off, wait out the after-run, battery negative off.',
    ...(has('flying-lead') ? ['Take off all joints, insulate each factory wire with a sealed sleeve.'] : []),
    ...(has('inline-pair')
      ? ['Part each pair and put the factory plug back on its device until it clicks; close the lock, tug.']
      : []),
    ...(has('ring') ? ['Rings off their studs, studs back to torque.'] : []),
    'Loom and module out, ties cut, covers on, battery negative on.',
    'Start: no lamp. Nothing was written to the control unit; nothing else remains.',
  ]
}

/** Cautions that stand with every kit. */
export const lawful =
  'A changed engine may be unlawful on public roads and may void cover; the maker’s data and local law come first.'
