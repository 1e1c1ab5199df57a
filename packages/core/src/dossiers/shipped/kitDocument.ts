import type { Kit, KitPart, NamingRule, Socket } from '../kitModel.ts'
import type { Step } from '../model.ts'
import { readKitEnds } from './kitSheet.ts'

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
    version: 1,
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
      ...parts.map(([id, name, count, missing = 'note']): KitPart => ({ id, name, count, missing })),
      { id: 'ties', name: 'Cable ties 150 mm', count: 20, missing: 'note' },
      { id: 'sheet', name: 'Instruction sheet', count: 1, missing: 'note' },
    ],
    ...(trim ? { trim } : {}),
    steps: [
      {
        id: 'lay',
        station: 'lay-loom',
        text: lay,
        caution: 'Away from hot pipes, turning parts, the steering and every place where a seat or lid presses down.',
      },
      { id: 'trial-mount', station: 'lay-loom', text: mount },
      { id: 'stick', station: 'tie-down', text: 'Clean the place, fix the module for good, press or screw it firm.' },
      {
        id: 'tie-loom',
        station: 'tie-down',
        text: 'Tie the loom every 120 mm to the factory loom, bundle the spare length, cut the tails flush.',
        caution: 'Nothing over a sharp edge, nothing on hot parts, slack where things move.',
      },
      { id: 'module-lamp', station: 'wake', text: lamp },
      { id: 'authority', station: 'wake', text: authority },
      ...more,
      ...(tune === undefined
        ? []
        : [
            {
              id: 'tune',
              station: 'trim' as const,
              text: tune,
              caution: 'One step at a time, and look at temperature and codes after each.',
            },
          ]),
      {
        id: 'explain',
        station: 'hand-back',
        text: 'Show the owner the module, its lamp, what not to do (no pressure washer into the plugs), and how to return to stock.',
      },
      {
        id: 'recheck',
        station: 'hand-back',
        text: 'Agree when to come again: tighten and look after the first ten hours.',
      },
    ],
  }
}
