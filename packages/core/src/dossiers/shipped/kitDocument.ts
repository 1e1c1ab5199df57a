import { readKitEnds } from './kitSheet.ts'
import type { Kit, KitPart, NamingRule, Socket, Step } from './written.ts'

type Facts = Pick<
  Kit,
  | 'id'
  | 'maker'
  | 'model'
  | 'system'
  | 'source'
  | 'fits'
  | 'module'
  | 'trunkM'
  | 'settings'
  | 'cautions'
  | 'returnToStock'
  | 'places'
> & {
  ends: string
  sockets?: Socket[]
  terminators?: number
  naming?: NamingRule[]
  trim?: Kit['trim']
  /** id, name, count; the module, loom, sheet and ties are added. */
  parts: [string, string, number, ('stop' | 'note')?][]
  /** Where the module sits and how the loom is laid. */
  lay: string
  mount: string
  lamp: string
  authority: string
  more?: Step[]
  /** What is done at the trim station by a unit without a fuel table. */
  tune?: string
}

/** Ways of joining a wire, with their range and where they do not belong; the first that suits is proposed. */
const taps: Kit['taps'] = [
  {
    method: 'piercing screw tap',
    lowMm2: 0.3,
    highMm2: 1.0,
    barred: ['wet', 'hot'],
    why: 'the pierced hole lets water in and creeps when hot',
  },
  {
    method: 'displacement tap',
    lowMm2: 0.5,
    highMm2: 1.5,
    barred: ['wet', 'hot', 'vibration'],
    why: 'its blade cuts strands of thin wire and works loose',
  },
  {
    method: 'solder and sleeve',
    lowMm2: 0.2,
    highMm2: 6,
    barred: ['vibration'],
    why: 'the wire breaks where the solder ends',
  },
  {
    method: 'crimp and sealed sleeve',
    lowMm2: 0.2,
    highMm2: 6,
    barred: [],
    why: 'closed against water and holds in vibration',
  },
]

/** What from any shelf does as well as the kit's own. */
const fromShelf: Record<string, string | undefined> = {
  ties: 'any UV-fast tie of the same width',
  pad: 'double-sided foam tape for vehicles',
  tap: 'a tap of the same wire range',
  sleeve: 'a crimp with sealed sleeve of the same wire range',
  'lead-cap': 'heat-shrink, folded and closed hot',
}

/** A wideband into its boss, while nothing runs. */
export const sensorIn: Step = {
  id: 'sensor-in',
  station: 'set-up',
  needs: { power: 'off', unstarted: true },
  minutes: { best: 3, likely: 6, worst: 15 },
  text: 'Sensor into its boss, 45 N·m, upper arc, at least 10° above horizontal so that water runs out.',
  caution:
    'No paste or silicone on the tip. A dropped sensor is a dead sensor. Welding only by a licensed welder, pipe off, electronics unplugged.',
}

/** A whole kit document from its sheet. */
export function kitDocument(facts: Facts): Kit {
  const {
    ends,
    sockets,
    terminators,
    naming,
    trim,
    parts,
    lay,
    mount,
    lamp,
    authority,
    more = [],
    tune,
    ...plain
  } = facts
  const read = readKitEnds(ends)
  const tags = read.map((end) => end.tag).join(', ')
  return {
    kind: 'kit',
    version: 2,
    ...plain,
    ends: read,
    ...(sockets ? { sockets } : {}),
    ...(terminators === undefined ? {} : { terminators }),
    ...(naming ? { naming } : {}),
    taps: read.some((end) => end.type === 'flying-lead' && end.intoSpare)
      ? [...taps, { method: 'added pin', lowMm2: 0.2, highMm2: 1, barred: [], why: 'a pin of the right size and seal' }]
      : taps,
    parts: [
      { id: 'module', name: facts.module.name, count: 1, missing: 'stop' },
      { id: 'loom', name: `Loom with tags ${tags}`, count: 1, missing: 'stop' },
      ...parts.map(([id, name, count, missing = 'note']): KitPart => ({
        id,
        name,
        count,
        missing,
        ...(id === 'boss' ? { welded: true } : {}),
        ...(missing === 'note' && fromShelf[id] ? { instead: fromShelf[id] } : {}),
      })),
      { id: 'ties', name: 'Cable ties 150 mm', count: 20, missing: 'note', instead: fromShelf.ties },
      { id: 'sheet', name: 'Instruction sheet', count: 1, missing: 'note' },
    ],
    ...(trim ? { trim } : {}),
    steps: kitSteps({ lay, mount, lamp, authority, more, tune }),
  }
}

interface KitStepFacts {
  lay: string
  mount: string
  lamp: string
  authority: string
  more: Step[]
  tune?: string
}

/** Steps of fitting a kit: each says what it needs, the order follows from that and from the machine's own. */
export function kitSteps({ lay, mount, lamp, authority, more, tune }: KitStepFacts): Step[] {
  const monoxide = 'Running engine only in the open or with extraction: carbon monoxide.'
  return [
    {
      id: 'baseline',
      station: 'make-safe',
      text: 'A gain is to be proved later: one warm pull or a steady mixture reading on stock now, before anything is unplugged, and write it down.',
      why: 'A claim can only be tested against the machine as it came in.',
      caution: monoxide,
      engine: 'runs',
      asks: { words: 'The pull or reading on stock; that none was made is an answer too' },
      minutes: { best: 4, likely: 10, worst: 20 },
    },
    {
      id: 'lay',
      station: 'lay-loom',
      marks: 'route',
      text: lay,
      caution: 'Away from hot pipes, turning parts, the steering and every place where a seat or lid presses down.',
      needs: { power: 'off' },
      minutes: { best: 6, likely: 12, worst: 25 },
    },
    {
      id: 'trial-mount',
      station: 'lay-loom',
      marks: 'mount',
      text: mount,
      minutes: { best: 2, likely: 4, worst: 10 },
    },
    {
      id: 'hold',
      station: 'lay-loom',
      text: 'Hold the loom with a loose tie wherever it could touch something hot or moving; everything else is tied only after it has been proved.',
      why: 'A bypassed pair found after thirty ties costs them all.',
      after: ['lay'],
      minutes: { best: 1, likely: 3, worst: 6 },
    },
    {
      id: 'module-lamp',
      station: 'set-up',
      needs: { power: 'on', unstarted: true },
      text: lamp,
      minutes: { best: 1, likely: 1, worst: 3 },
    },
    {
      id: 'authority',
      station: 'wake',
      engine: 'runs',
      caution: monoxide,
      text: authority,
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
      marks: 'mount',
      text: 'Fix the module for good, press or screw it firm.',
      after: ['clean'],
      minutes: { best: 2, likely: 4, worst: 10 },
      wait: { minutes: 20, why: 'until the adhesive carries' },
    },
    {
      id: 'tie-loom',
      station: 'tie-down',
      marks: 'ties',
      text: 'Tie the loom every 120 mm to the factory loom, bundle the spare length, cut the tails flush.',
      caution: 'Engine hot from the start: nothing over a sharp edge, nothing on hot parts, slack where things move.',
      minutes: { best: 8, likely: 15, worst: 25 },
    },
    ...more,
    ...(tune === undefined
      ? []
      : [
          {
            id: 'tune',
            station: 'trim' as const,
            engine: 'runs' as const,
            text: tune,
            caution: 'One step at a time, and look at temperature and codes after each.',
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
  ]
}
