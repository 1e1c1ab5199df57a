import { gridCavities, type Kit, type KitEnd, type KitSetting, type SignalSort } from '../dossiers/index.ts'
import { asId, asWritten } from '../shared/index.ts'
import { plainKit, type KitAsked, type KitClass } from './kitClasses.ts'
import { pulsePiggyback } from './pulseTemplate.ts'
import { readSort, sortText } from './sortWords.ts'
import {
  end,
  heat,
  lampWords,
  level,
  map,
  richOrLean,
  round,
  throttleEnds,
  widebandEnds,
  type Made,
} from './templatePieces.ts'
import { lawful, usualParts, usualReturn, usualSteps, usualTaps } from './usual.ts'

/** A kit as those of its class usually are: ends, joints, parts, settings, steps and cautions, to be gone through with the sheet. */
export function kitFromClass(
  kitClass: KitClass,
  { id, maker, model }: Pick<Kit, 'id' | 'maker' | 'model'>,
  asked: KitAsked = plainKit,
): Kit {
  const { ends, system, words, module, trunkM, cautions, more = {} } = makers[kitClass](asked)
  const terminators = more.terminators
  return {
    ...{ kind: 'kit', id, version: 1, draft: true, maker, model, system, fits: [], module, trunkM, ends },
    source: `Begun as a usual ${kitClass}; nothing of it is measured yet.`,
    ...more,
    taps: usualTaps,
    parts: usualParts({ ends, module, ...(terminators === undefined ? {} : { terminators }) }),
    settings: more.settings ?? [],
    steps: usualSteps(words),
    cautions: [...cautions, lawful],
    returnToStock: usualReturn({ ends }),
  }
}

function airflowPiggyback(): Made {
  const lead = (tag: string, name: string, wants: string, branchM: number, needed = true): KitEnd => {
    const made = end('flying-lead', tag, name, wants, [0.3, branchM], needed)
    return made.type === 'flying-lead' ? { ...made, nearEcu: true } : made
  }
  const half = (one: KitEnd, at: 'ecu' | 'device', partner: string): KitEnd =>
    one.type === 'flying-lead' ? { ...one, cut: { half: at, partner: asId(partner) } } : one
  const reference = lead('M', 'Measuring reference lead', 'sensor ground', 0.3)
  return {
    system: 'airflow piggyback',
    module: { name: 'Airflow module', supplyA: 0.22, idleMa: 1, sleeps: true },
    trunkM: 0.3,
    words: {
      lamp: lampWords,
      authority:
        'At warm idle shift the signal by 5 % and back: the short-term trim of the control unit must answer by about as much, the other way.',
    },
    ends: [
      half(lead('W', 'Airflow lead from the meter', 'airflow', 0.25), 'device', 'x'),
      half(lead('X', 'Airflow lead to the control unit', 'airflow', 0.25), 'ecu', 'w'),
      lead('K', 'Engine speed lead', 'crank', 0.3),
      lead('T', 'Throttle lead', 'throttle position track 1', 0.3),
      lead('F', 'Feed lead', 'switched supply', 0.35),
      reference.type === 'flying-lead' ? { ...reference, reference: true } : reference,
      end('ring', 'G', 'Ground ring', 'power ground', [0.3, 0.4]),
      end('port', 'P', 'Link port', null, [0.05, 0.05]),
    ],
    cautions: [richOrLean],
    more: {
      settings: [
        asWritten<KitSetting>({
          ...{ id: 'signal', name: 'Meter signal', unit: '', choices: ['voltage', 'frequency'], shipped: 'voltage' },
          why: 'A hot wire gives volts, some later meters hertz.',
        }),
        ...throttleEnds,
      ],
    },
  }
}

function inlineModule({ sensors }: KitAsked): Made {
  const read = sensors.flatMap((words) => {
    const sort = readSort(words)
    return sort.ok ? [sort.value] : []
  })
  const tags = new Set<string>(['G', 'F', 'S'])
  const tagFor = (sort: SignalSort) => {
    const letters = sort.role.toUpperCase().replaceAll(/[^A-Z]/g, '')
    const free =
      [...letters].find((letter) => !tags.has(letter)) ?? [...'ABCDEHJKLMNPQRTUVWXYZ'].find((l) => !tags.has(l)) ?? 'Z'
    tags.add(free)
    return free
  }
  const pairs = (
    read.length > 0 ? read : [{ signal: 'analogue-0-5', role: 'boost-pressure' } satisfies SignalSort]
  ).map((sort, i) =>
    end('inline-pair', tagFor(sort), `${asName(sortText(sort))} pair`, sortText(sort), [0.9, round(0.5 + 0.2 * i)]),
  )
  return {
    system: `inline module, ${pairs.length === 1 ? 'one sensor' : `${pairs.length} sensors`}`,
    module: { name: 'Inline module', supplyA: 0.15, idleMa: 0.6, sleeps: true },
    trunkM: 0.9,
    words: {
      lamp: 'The lamp shows the level with the key on: as its sheet says.',
      authority:
        'On stock, at idle: what the module reads and what the diagnostic socket reads agree and move together when the engine is revved; a dead or fixed figure in the module is a bypass.',
      trim: 'Leave it on stock for the first drive. Then one level up at a time, each with a loaded drive, as far as exhaust temperature and smoke allow.',
    },
    ends: [
      ...pairs,
      end('ring', 'G', 'Ground ring', 'power ground', [0.1, 1.2]),
      end('ring', 'F', 'Battery ring, fuse at the post', 'battery supply', [0.1, 1.3]),
      end('port', 'S', 'Selector port', null, [0.05, 0.1]),
    ],
    cautions: [heat, 'Injector drives are left alone: only sensor plugs are mated.'],
    more: { settings: [level] },
  }
}

const asName = (words: string) => words.slice(0, 1).toUpperCase() + words.slice(1)

function pedalBox(): Made {
  return {
    system: 'pedal box',
    module: { name: 'Pedal box', supplyA: 0.05, idleMa: 0.5, sleeps: true, seen: true },
    trunkM: 0.1,
    words: {
      lamp: 'The lamp shows the curve with the key on: as its sheet says.',
      authority:
        'Key on, engine off: both tracks at rest, a quarter, half, three quarters and full, at every curve; the plain pedal’s relation holds.',
      trim: 'It gives no power: show the owner how each curve answers, and that the car does not creep.',
    },
    ends: [fedByPair(end('inline-pair', 'P', 'Pedal pair', 'pedal position track 1', [0.1, 0.2]))],
    cautions: ['Two tracks that do not agree are two pedals to the control unit: a miss is never lifted.'],
    more: {
      settings: [
        asWritten<KitSetting>({
          ...{ id: 'curve', name: 'Pedal curve', unit: '', choices: ['stock', 'soft', 'quick'], shipped: 'stock' },
          why: 'Both tracks are shifted together; their ratio must hold over the sweep.',
        }),
      ],
    },
  }
}

/** The module lives on the first reference and ground of its pair: there is no other wire to it. */
function fedByPair(pair: KitEnd): KitEnd {
  if (pair.type !== 'inline-pair') return pair
  const lines = pair.lines.map((line) =>
    line.cavity === 1 || line.cavity === 3 ? { ...line, does: 'tap' as const } : line,
  )
  return { ...pair, lines }
}

function plugInController({ cavities }: KitAsked): Made {
  const header = end('inline-pair', 'E', 'Controller header', 'switched supply', [0, 0.05])
  const feed: SignalSort = { signal: 'supply-switched', role: 'supply' }
  const ground: SignalSort = { signal: 'power-ground', role: 'ground' }
  const ends: KitEnd[] = []
  if (header.type === 'inline-pair') {
    const { deviceHalf: _none, ...own } = header
    const shell = { ...header.factoryHalf.shell, family: `sealed ${cavities}-way`, outline: 'rectangle' } as const
    ends.push({
      ...own,
      cavities: gridCavities(cavities, cavities > 40 ? 3 : 2),
      factoryHalf: { ...header.factoryHalf, shell },
      lines: [
        { cavity: 1, does: 'interrupt', wants: feed, colour: { base: 'red', stripe: 'white' }, areaMm2: 0.75 },
        { cavity: 2, does: 'interrupt', wants: ground, colour: { base: 'black' }, areaMm2: 0.85 },
      ],
    })
  }
  return {
    system: `plug-in controller, ${cavities}-way`,
    module: { name: 'Controller', supplyA: 0.5, idleMa: 1, sleeps: true },
    trunkM: 0.1,
    words: {
      lamp: lampWords,
      authority:
        'Idle, warm: the controller shows engine speed, throttle and temperatures that agree with what is seen.',
    },
    ends: [...ends, end('vent', 'V', 'Pressure port', null, [0, 0])],
    cautions: [richOrLean, 'On a stand, guarded, for the first start; helper clear of track and wheels.'],
    more: { settings: [...throttleEnds, map] },
  }
}

function widebandGauge(): Made {
  const feed = end('flying-lead', 'F', 'Feed lead', 'lamp (supply-switched)', [0.9, 1.2])
  const probe = widebandEnds(0.9)
  return {
    system: 'air-fuel gauge with wideband sensor',
    module: { name: 'Gauge', supplyA: 1.2, idleMa: 0, seen: true, shakeproof: true },
    trunkM: 0.9,
    words: {
      lamp: 'It counts down while the sensor heats, up to a minute, then shows air. With the engine off its reading means nothing.',
      authority: 'At idle shift the mixture by 5 % and back: the gauge must follow within two seconds.',
    },
    ends: [
      feed.type === 'flying-lead' ? { ...feed, currentA: 1.2, coldA: 3 } : feed,
      end('ring', 'G', 'Ground ring', 'power ground', [0.9, 0.9]),
      ...probe.ends,
    ],
    cautions: ['A wideband without power in a running exhaust fouls; heated for long in a wet cold pipe it cracks.'],
    more: { sockets: probe.sockets },
  }
}

function levelSwitch(): Made {
  return {
    system: 'rotary level switch',
    module: { name: 'Switch', supplyA: 0.06, idleMa: 0.4, sleeps: true, seen: true },
    trunkM: 0.3,
    words: {
      lamp: 'One light shows the position with the key on.',
      authority: 'Turn it through all positions with the engine off: the module’s lamp must follow.',
    },
    ends: [
      end('flying-lead', 'F', 'Feed lead', 'switched supply', [0.3, 0.6]),
      end('ring', 'G', 'Ground ring', 'power ground', [0.3, 0.6]),
      end('flying-lead', 'H', 'Bus lead high', 'bus high', [0.3, 0.5]),
      end('flying-lead', 'L', 'Bus lead low', 'bus low', [0.3, 0.5]),
    ],
    cautions: ['Airbag wiring (yellow sheath) is left alone.', 'The level is chosen standing, not on a bend.'],
    more: { settings: [level] },
  }
}

function somethingElse(): Made {
  return {
    system: 'kit',
    module: { name: 'Module', supplyA: 0.2, idleMa: 1 },
    trunkM: 0.8,
    words: { lamp: lampWords, authority: 'It is proved that the engine runs through the module: as its sheet says.' },
    ends: [end('ring', 'G', 'Ground ring', 'power ground', [0.1, 0.5])],
    cautions: [],
  }
}

const makers: Record<KitClass, (asked: KitAsked) => Made> = {
  'pulse piggyback': pulsePiggyback,
  'airflow piggyback': airflowPiggyback,
  'inline sensor module': inlineModule,
  'pedal box': pedalBox,
  'plug-in controller': plugInController,
  'wideband gauge': widebandGauge,
  'level switch': levelSwitch,
  'something else': somethingElse,
}
