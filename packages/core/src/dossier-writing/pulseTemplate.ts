import type { Kit, KitEnd, KitSetting } from '../dossiers/index.ts'
import { asWritten } from '../shared/index.ts'
import type { KitAsked } from './kitClasses.ts'
import { end, map, richOrLean, round, throttleEnds, widebandEnds, type Made } from './templatePieces.ts'

/** A module between injectors, coils and their drives, with a reader of engine speed and throttle. */
export function pulsePiggyback({ cylinders, rows, coils, wideband }: KitAsked): Made {
  const each = Array.from({ length: cylinders }, (_, i) => i + 1)
  const side = rows === 2 ? (['lower', 'upper'] as const) : ([''] as const)
  const outOf = (cylinder: number) => round(0.86 + (0.04 * (cylinder - 1) * 3) / Math.max(3, cylinders - 1))
  const injectors = side.flatMap((row) =>
    each.map((n) =>
      end(
        'inline-pair',
        `${row === '' ? 'I' : row === 'lower' ? 'L' : 'U'}${n}`,
        `${row === '' ? 'Injector' : row === 'lower' ? 'Lower injector' : 'Upper injector'} pair ${n}`,
        `injector ${n} ${row}`.trim(),
        [outOf(n), round((row === 'upper' ? 0.34 : 0.2) + 0.05 * (n - 1))],
      ),
    ),
  )
  const coilPairs = coils
    ? each.map((n) =>
        end('inline-pair', `C${n}`, `Coil pair ${n}`, `coil ${n}`, [outOf(n), round(0.36 + 0.04 * (n - 1))]),
      )
    : []
  const probe = wideband ? widebandEnds(0.9) : null
  const order = (id: string, what: string, of: readonly KitEnd[]) =>
    of.length < 2
      ? []
      : [
          {
            ...{ id, kind: 'strict order' as const, ends: of.map((one) => one.id) },
            says: `${what} are in strict order: each branch on its own cylinder${rows === 2 && id === 'injectors' ? ' and row' : ''}.`,
          },
        ]
  return {
    system: `pulse piggyback, ${rows === 2 ? 'two rows of ' : ''}${cylinders} ${cylinders === 1 ? 'injector' : 'injectors'}${coils ? `, ${cylinders} ${cylinders === 1 ? 'coil' : 'coils'}` : ''}${wideband ? ', wideband' : ''}`,
    module: { name: `${cylinders}-channel module`, supplyA: wideband ? 1.4 : 0.35, idleMa: 1, sleeps: true },
    trunkM: 1,
    words: {
      lamp: 'The module lamp: dark with the key on is in order until it sees the engine turn, then steady.',
      authority:
        'At idle let the module drop each injector for half a second: that cylinder must stumble, then recover. One that does not runs past the module.',
    },
    ends: [
      ...injectors,
      ...coilPairs,
      end('inline-pair', 'K', 'Crank pair', 'crank', [0.3, 0.85]),
      end('flying-lead', 'T', 'Throttle lead', 'throttle position', [1, 0.32]),
      end('flying-lead', 'S', 'Speed lead', 'vehicle speed', [0.3, 0.9], false),
      ...(probe?.ends ?? []),
      end('ring', 'G', 'Ground ring', 'power ground', [0.1, 0.55]),
      end('port', 'O', 'Option port', null, [0.05, 0.06]),
    ],
    cautions: [richOrLean, ...(wideband ? ['A wideband without power in a running exhaust fouls.'] : [])],
    more: {
      ...(probe ? { sockets: probe.sockets } : {}),
      naming: asWritten<NonNullable<Kit['naming']>>([
        ...order('injectors', 'Injectors', injectors),
        ...order('coils', 'Coils', coilPairs),
      ]),
      settings: [
        asWritten<KitSetting>({
          ...{ id: 'cylinders', name: 'Cylinders', unit: '', choices: ['1', '2', '3', '4', '6', '8'] },
          shipped: String(cylinders),
          why: 'Sets how many channels answer.',
        }),
        asWritten<KitSetting>({
          ...{ id: 'pulses', name: 'Crank pulses per turn', unit: '1/rev', low: 1, high: 60, shipped: '1' },
          why: 'A wrong value shows exactly half or double the engine speed.',
        }),
        ...throttleEnds,
        map,
      ],
      trim: {
        rpm: [1500, 2500, 3500, 4500, 5500, 6500, 7500, 8500],
        load: [0, 5, 10, 20, 40, 60, 80, 100],
        boundsPct: [-20, 25],
        ...{ actsOn: 'fuel', gain: 0.7, maxStepPct: 5, fullLoadPct: 80 },
      },
    },
  }
}
