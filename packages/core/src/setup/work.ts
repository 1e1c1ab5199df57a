import {
  kitNamed,
  joinedId,
  ownMembers,
  type DossierPair,
  type KitId,
  type KitMember,
  type Minutes,
  type SettingId,
  type Station,
} from '../dossiers/index.ts'
import type { Done } from '../journal/index.ts'
import type { Spoken } from '../shared/index.ts'
import { isThrottle } from './kitNeeds.ts'
import { settingsSheet, wantedWords, type SheetRow, type SheetState } from './settingsSheet.ts'
import { saySetupWork } from './words.ts'

/** One thing to do while setting up. */
export interface SetupTask extends Spoken {
  id: string
  minutes: Minutes
  done?: Done
  asks?: 'setting' | 'throttle'
  makes: (
    | { kind: 'setting'; setting: SettingId; value: string; replaces: string | null }
    | { kind: 'throttle-captured'; track: number; shutV: number; openV: number; verdict: 'pass' | 'fail'; kit?: KitId }
  )[]
}

/** Minutes of setting one value, and of a capture (general practice). */
const valueMinutes: Minutes = { best: 0.5, likely: 1, worst: 3 }
const captureMinutes: Minutes = { best: 2, likely: 4, worst: 10 }
/** Volts of a throttle as it usually is: what a smooth job writes down. */
const usual = { shutV: 0.6, openV: 4.1 }

/** Values that have to be set, or chosen, and throttles to be captured, of the kits that are fitted. */
export function setupWork(dossiers: DossierPair, state: SheetState, station: Station): SetupTask[] {
  if (station !== 'set-up') return []
  const sheet = settingsSheet(dossiers, state)
  return ownMembers(dossiers.kit).flatMap((member) => {
    const rows = sheet.filter((row) => row.key === member.key)
    return [...captureTask(member, rows, state), ...rows.flatMap((row) => valueTask(row, state))]
  })
}

function captureTask(member: KitMember, rows: readonly SheetRow[], state: SheetState): SetupTask[] {
  const throttle = rows.filter((row) => isThrottle(row.of))
  if (throttle.length === 0) return []
  const done = (state.captured[member.key] ?? []).find(({ track, verdict }) => track === 1 && verdict === 'pass')
  const typed = throttle.map((row) => state.settings[row.setting]).find((set) => set !== undefined)
  const made = done ?? (throttle.every((row) => row.inForce !== null) ? typed : undefined)
  const kit = kitNamed(member)
  return [
    {
      id: joinedId(member.key, 'capture'),
      ...saySetupWork('capture-throttle', { kit: member.kit.model }),
      minutes: captureMinutes,
      ...(made ? { done: made } : {}),
      asks: 'throttle',
      makes: [{ kind: 'throttle-captured', track: 1, ...usual, verdict: 'pass', ...kit }],
    },
  ]
}

function valueTask(row: SheetRow, state: SheetState): SetupTask[] {
  const { of, setting, wanted, why } = row
  if (isThrottle(of) || of.role === 'level') return []
  const set = state.settings[setting]
  const replaces = set?.value ?? null
  const id = `set.${setting}`
  const done = set === undefined || row.verdict === 'wrong' ? {} : { done: set }
  const value = wanted && valueOf(row)
  if (
    value !== null &&
    wanted &&
    (row.verdict === 'wrong' || (row.verdict === 'open' && of.captured) || set !== undefined)
  )
    return [
      {
        ...{ id, minutes: valueMinutes, ...done },
        ...saySetupWork('set-value', { name: of.name, value: wantedWords(wanted, of.unit), why }),
        makes: [{ kind: 'setting', setting, value, replaces }],
      },
    ]
  const choice = of.choices?.find((one) => one !== 'stock') ?? of.shipped
  // What hangs on the engine running is compared then.
  if (
    of.role === 'pulses per turn' ||
    !(row.verdict === 'open' || (set !== undefined && (of.captured || of.role === 'map')))
  )
    return []
  return [
    {
      ...{ id, minutes: valueMinutes, ...done },
      ...saySetupWork('choose-value', { name: of.name, why: why === '' ? of.why : why }),
      asks: 'setting',
      makes: [{ kind: 'setting', setting, value: choice, replaces }],
    },
  ]
}

/** One value that is right: what a tick sets. Null where none of its choices is. */
export function valueOf({ wanted, of }: Pick<SheetRow, 'wanted' | 'of'>): string | null {
  if (!wanted) return null
  if ('oneOf' in wanted) return wanted.oneOf[0] ?? null
  const { low = of.low, high = of.high } = wanted
  const figure = low !== undefined && high !== undefined ? (low + high) / 2 : (high ?? low)
  return figure === undefined ? null : String(Math.round(figure * 1000) / 1000)
}
