import {
  inSentence,
  joinedId,
  membersOf,
  netAt,
  type DossierPair,
  type Kit,
  type KitMember,
  type KitSetting,
  type Machine,
  type SettingId,
} from '../dossiers/index.ts'
import { memberWiring, type WiringState } from '../wiring/index.ts'
import { isThrottle } from './kitNeeds.ts'
import { pulseSetting } from './pulseSetting.ts'
import type { SetupState } from './state.ts'

/** What a setting has to be: one of some values, or a figure from and to; null: whoever sets it up decides. */
export type Wanted = { oneOf: string[] } | { low?: number; high?: number }

/** One setting of one kit, worked out. */
export interface SheetRow {
  /** As the job names it. */
  setting: SettingId
  of: KitSetting
  /** Key of its kit, and what that is called. */
  key: string
  kit: string
  /** It was in the machine before this job. */
  present: boolean
  wanted: Wanted | null
  /** Why, with the figures it follows from; empty where nothing is known. */
  why: string
  /** What it hangs on: change that, and this is worked out anew. */
  hangsOn: string[]
  /** What it was set to by a person; null: nobody did. */
  set: string | null
  /** What it works with: set, or as shipped; null for what was never captured. */
  inForce: string | null
  readBack: string | null
  verdict: 'right' | 'wrong' | 'open' | 'free'
  /** The verdict in a sentence. */
  says: string
}

export type SheetState = SetupState & Pick<WiringState, 'connections'>

/** Engine speed alarm of the limiter, from and to; the end of a scale, at most, of it. */
const alarmShare = [0.95, 0.98] as const
const scaleShare = [1.05, 1.5] as const
/** Exhaust before the turbine that is borne for good, and coolant above which nothing goes on, °C. */
export const exhaustLimitC = 700
export const coolantLimitC = 102
/** A measured tyre height is meant so exactly, part of it. */
const heightWithin = 0.01

interface Context {
  machine: Machine
  kit: Kit
  members: readonly KitMember[]
  member: KitMember
  state: SheetState
  id: SettingId
  setting: KitSetting
}

interface Rule {
  wanted: Wanted | null
  why: string
  hangsOn: string[]
  /** Nobody can say yet; what settles it. */
  open?: string
}

const free: Rule = { wanted: null, why: '', hangsOn: [] }

/**
 * The settings of all kits of a job, each worked out from the machine, the kits and what is joined: what it has to be and why, what it is set to,
 * what the unit shows, and a verdict. Settings without a rule are *free*: they are whoever sets the unit up's to choose.
 */
export function settingsSheet({ machine, kit }: DossierPair, state: SheetState): SheetRow[] {
  const members = membersOf(kit)
  return members.flatMap((member) =>
    member.kit.settings.map((setting): SheetRow => {
      const id = joinedId<SettingId>(member.key, setting.id)
      const rule = ruleOf({ machine, kit, members, member, state, id, setting })
      const set = state.settings[id]?.value ?? capturedText(state, member, setting)
      const inForce = set ?? (setting.captured ? null : setting.shipped)
      const readBack = state.readBack[id]?.value ?? null
      const { verdict, says } = judge(setting, rule, { set, inForce, readBack })
      return {
        ...{ setting: id, of: setting, key: member.key, kit: member.kit.model, present: member.present === true },
        ...{ wanted: rule.wanted, why: rule.why, hangsOn: rule.hangsOn, set, inForce, readBack, verdict, says },
      }
    }),
  )
}

/** What a setting works with in a job: as set, captured, or shipped. */
function inForceOf(state: SheetState, member: KitMember, setting: KitSetting): string | null {
  const id = joinedId<SettingId>(member.key, setting.id)
  return (
    state.settings[id]?.value ?? capturedText(state, member, setting) ?? (setting.captured ? null : setting.shipped)
  )
}

/** A throttle end from the latest capture that passed, V. */
function capturedText(state: SheetState, { key }: KitMember, setting: KitSetting): string | null {
  if (!isThrottle(setting)) return null
  const last = (state.captured[key] ?? []).find(({ track }) => track === 1)
  if (last?.verdict !== 'pass') return null
  return (setting.role === 'throttle shut' ? last.shutV : last.openV).toFixed(2)
}

function ruleOf(context: Context): Rule {
  const { setting } = context
  const other = followed(context)
  if (other) return other
  switch (setting.role) {
    case 'cylinders':
      return cylinders(context)
    case 'pulses per turn':
      return pulses(context)
    case 'sensor kind':
      return sensorKind(context)
    case 'throttle shut':
    case 'throttle open':
      return throttle(context)
    case 'map':
      return {
        ...free,
        why: 'With no switch fitted the map chosen here is the one that runs.',
        open: 'Choose the map; the unit ships on its own.',
      }
    case 'level':
      return level(context)
    case 'learn limit':
      return learnLimit(context)
    case 'speed alarm':
      return share(context, alarmShare, 'Just under the limiter it warns; lower nobody looks, higher it is too late.')
    case 'speed scale':
      return share(context, scaleShare, 'The scale ends above the limiter, and the needle still uses its way.')
    case 'exhaust alarm':
      return {
        wanted: { high: exhaustLimitC },
        why: `Before the turbine ${exhaustLimitC} °C is borne for good; a probe behind it reads 100 to 200 K lower.`,
        hangsOn: ['where the probe sits'],
      }
    case 'coolant alarm':
      return {
        wanted: { high: coolantLimitC },
        why: `Above ${coolantLimitC} °C of coolant no level and no pull goes on.`,
        hangsOn: [],
      }
    case 'tyre height':
      return tyre(context)
    case 'axle ratio':
      return axle(context)
    case 'bus address':
      return address(context)
    case 'fuel':
      return fuel(context)
    case 'positions':
      return positions(context)
    case 'pedal curve':
    case 'altitude':
    case undefined:
      return free
  }
}

/** What has to agree with a setting of another kit on this machine. */
function followed({ members, member, state, setting }: Context): Rule | null {
  for (const { kit, setting: id } of setting.follows ?? []) {
    const other = members.find((item) => item !== member && item.id === kit)
    const theirs = other?.kit.settings.find((item) => item.id === id)
    if (!other || !theirs) continue
    const value = inForceOf(state, other, theirs)
    const name = `${inSentence(theirs.name)} of the ${other.kit.model}`
    return {
      wanted: value === null ? null : { oneOf: [value] },
      why: value === null ? `It follows ${name}, which is not set.` : `It follows ${name}, which is ${value}.`,
      hangsOn: [name],
      ...(value === null ? { open: `Set ${name} first.` } : {}),
    }
  }
  return null
}

function cylinders({ machine, setting }: Context): Rule {
  const count = machine.engine.cylinders
  const can = setting.choices === undefined || setting.choices.includes(String(count))
  return {
    wanted: { oneOf: [String(count)] },
    why: can
      ? `The ${machine.model} has ${count} ${count === 1 ? 'cylinder' : 'cylinders'}.`
      : `The ${machine.model} has ${count} cylinders, and this unit knows only ${(setting.choices ?? []).join(', ')}.`,
    hangsOn: [`the engine: ${count} ${count === 1 ? 'cylinder' : 'cylinders'}`],
  }
}

function pulses({ state, id }: Context): Rule {
  const seen = state.compared[id]
  if (!seen)
    return {
      ...free,
      why: 'A wrong value shows exactly half, double or a third of the engine speed.',
      open: 'Compare the speed the unit shows with the dash, once the engine runs.',
    }
  const answer = pulseSetting(seen)
  const hangsOn = [`the unit showed ${seen.displayedRpm} at ${seen.trueRpm} 1/min, set to ${seen.currentSetting}`]
  if (!answer.ok) return { ...free, hangsOn, open: answer.problems[0].message }
  const { suggestion, cause } = answer.value
  if (cause === null) return { wanted: { oneOf: [String(seen.currentSetting)] }, why: 'Shown and true agree.', hangsOn }
  return suggestion === null
    ? { ...free, why: cause, hangsOn, open: `No setting mends it: ${cause}.` }
    : { wanted: { oneOf: [String(suggestion)] }, why: `${cause.charAt(0).toUpperCase()}${cause.slice(1)}.`, hangsOn }
}

/** The circuit that a cut lead of the kit takes says what its sensor gives. */
function sensorKind({ machine, kit, member, state, setting }: Context): Rule {
  const cut = new Set(member.kit.ends.flatMap((end) => (end.type === 'flying-lead' && end.cut ? [end.id] : [])))
  const own = memberWiring(kit, state.connections).find((item) => item.member.key === member.key)
  const at = own?.connections.find(({ kitEnd, to }) => cut.has(kitEnd) && 'cavity' in to)?.to
  const joined = at && 'cavity' in at ? netAt(machine, at.connector, at.cavity) : undefined
  const net = joined ?? machine.nets.find(({ role }) => role === 'airflow')
  if (!net) return { ...free, open: 'Join its signal first: the circuit says what kind it is.' }
  const isFrequency = net.signal === 'frequency'
  const wanted = (setting.choices ?? []).find((choice) => (isFrequency ? /freq|hertz/i : /volt/i).test(choice))
  return wanted === undefined
    ? free
    : {
        wanted: { oneOf: [wanted] },
        why: `${net.name} is ${isFrequency ? 'a frequency' : 'a voltage'} on this machine.`,
        hangsOn: [joined ? 'the wire it is joined to' : 'the machine’s airflow circuit'],
      }
}

function throttle({ member, state }: Context): Rule {
  const failed = (state.captured[member.key] ?? []).find(({ verdict }) => verdict === 'fail')
  return {
    ...free,
    why: 'Read off this machine: as long as nobody captured it, it has no value.',
    open: failed
      ? 'The last capture failed: look at the sensor and its wires, and capture it again.'
      : 'Not captured: shut and open, key on, engine not started.',
  }
}

function level({ member, state }: Context): Rule {
  const agreed = state.agreed[member.key]
  return agreed
    ? {
        wanted: { oneOf: [agreed.level] },
        why: `Agreed with ${agreed.with} for ${agreed.use}.`,
        hangsOn: ['what was agreed with the owner'],
      }
    : {
        ...free,
        why: 'It ships on stock, and levels are tried from stock up; what the owner is to get is agreed first.',
      }
}

function learnLimit({ members, member }: Context): Rule {
  const bounds = members.flatMap(({ kit }) =>
    kit.trim ? [Math.min(-kit.trim.boundsPct[0], kit.trim.boundsPct[1])] : [],
  )
  if (bounds.length === 0) return free
  const high = Math.min(...bounds)
  const whose = members.find(({ kit }) => kit.trim && Math.min(-kit.trim.boundsPct[0], kit.trim.boundsPct[1]) === high)
  return {
    wanted: { high },
    why: `The table of the ${whose?.kit.model ?? member.kit.model} goes no further than ${high} %.`,
    hangsOn: ['the bounds of the fuel table'],
  }
}

function share({ machine }: Context, [low, high]: readonly [number, number], why: string): Rule {
  const { limiterRpm } = machine.engine
  return {
    wanted: { low: Math.ceil((limiterRpm * low) / 10) * 10, high: Math.floor((limiterRpm * high) / 10) * 10 },
    why: `${why} Limiter ${limiterRpm} 1/min.`,
    hangsOn: [`the limiter: ${limiterRpm} 1/min`],
  }
}

function tyre({ state }: Context): Rule {
  if (!state.tyre)
    return {
      ...free,
      why: 'Ground to top on the wheels, at road pressure.',
      open: 'Not measured: ground to top, machine on its wheels.',
    }
  const { fittedHeightM } = state.tyre
  const within = fittedHeightM * heightWithin
  return {
    wanted: { low: round3(fittedHeightM - within), high: round3(fittedHeightM + within) },
    why: `Measured ${fittedHeightM} m from ground to top; it holds the squat already.`,
    hangsOn: ['the height that was measured'],
  }
}

const round3 = (value: number) => Math.round(value * 1000) / 1000

function axle({ state }: Context): Rule {
  const ratio = state.tyre?.fittedAxle
  return ratio === undefined
    ? { ...free, why: 'It counts only where speed is picked up before the axle, and only if the gears were changed.' }
    : {
        wanted: { low: ratio - 0.005, high: ratio + 0.005 },
        why: `The axle that is in: ${ratio}.`,
        hangsOn: ['the axle that is in'],
      }
}

function address({ members, member, state, setting }: Context): Rule {
  const taken = members.flatMap((other) =>
    other === member
      ? []
      : other.kit.settings.flatMap((item) => {
          const value = item.role === 'bus address' ? inForceOf(state, other, item) : null
          return value === null ? [] : [{ value, model: other.kit.model }]
        }),
  )
  if (taken.length === 0) return free
  return {
    wanted: { oneOf: (setting.choices ?? []).filter((choice) => !taken.some(({ value }) => value === choice)) },
    why: `On one bus each has its own: ${taken.map(({ value, model }) => `${value} is the ${model}’s`).join(', ')}.`,
    hangsOn: taken.map(({ model }) => `the address of the ${model}`),
  }
}

function fuel({ machine, setting }: Context): Rule {
  const own = machine.engine.fuel.toLowerCase()
  const oneOf = (setting.choices ?? []).filter((choice) => choice.toLowerCase().startsWith(own))
  return oneOf.length === 0
    ? free
    : {
        wanted: { oneOf },
        why: `The ${machine.model} runs on ${machine.engine.fuel}.`,
        hangsOn: ['the fuel of the machine'],
      }
}

function positions({ members, member, setting }: Context): Rule {
  const module = members.find((other) => other !== member && other.kit.levels)
  if (!module) return { ...free, why: 'As many as the module has levels; the module is not in this job.' }
  const count = String((module.kit.levels?.length ?? 0) + 1)
  return {
    wanted: { oneOf: (setting.choices ?? []).filter((choice) => choice === count) },
    why: `The ${module.kit.model} has stock and ${module.kit.levels?.length ?? 0} levels.`,
    hangsOn: [`the levels of the ${module.kit.model}`],
  }
}

/** A range or a choice in words: "2", "stock or A", "9000 to 9300 1/min", "at most 700 °C". */
export function wantedWords(wanted: Wanted, unit: string): string {
  const withUnit = (text: string) => (unit === '' ? text : `${text} ${unit}`)
  if ('oneOf' in wanted) return wanted.oneOf.length === 0 ? 'none of its choices' : withUnit(wanted.oneOf.join(' or '))
  const { low, high } = wanted
  if (low !== undefined && high !== undefined) return withUnit(`${low} to ${high}`)
  return withUnit(high === undefined ? `at least ${low ?? 0}` : `at most ${high}`)
}

function fits(wanted: Wanted, value: string): boolean {
  if ('oneOf' in wanted)
    return wanted.oneOf.some(
      (one) => one === value || (Number.isFinite(Number(one)) && one.trim() !== '' && Number(one) === Number(value)),
    )
  const figure = Number(value)
  return (
    Number.isFinite(figure) && figure >= (wanted.low ?? -Infinity) - 1e-9 && figure <= (wanted.high ?? Infinity) + 1e-9
  )
}

function judge(
  { unit, captured }: KitSetting,
  { wanted, open }: Rule,
  { set, inForce, readBack }: Pick<SheetRow, 'set' | 'inForce' | 'readBack'>,
): Pick<SheetRow, 'verdict' | 'says'> {
  const value = readBack ?? inForce
  if (readBack !== null && inForce !== null && readBack !== inForce && Number(readBack) !== Number(inForce))
    return { verdict: 'wrong', says: `Set to ${inForce}, and the unit shows ${readBack}: set it again.` }
  if (wanted) {
    if (value === null) return { verdict: 'open', says: open ?? `Not set: ${wantedWords(wanted, unit)}.` }
    return fits(wanted, value)
      ? { verdict: 'right', says: set === null ? 'As it ships, and right.' : 'Right.' }
      : { verdict: 'wrong', says: `It is ${value}; it has to be ${wantedWords(wanted, unit)}.` }
  }
  if (open !== undefined && set === null) return { verdict: 'open', says: open }
  if (captured && set === null) return { verdict: 'open', says: 'Not captured.' }
  return set === null
    ? { verdict: 'free', says: 'As it ships.' }
    : { verdict: captured || open !== undefined ? 'right' : 'free', says: 'As set.' }
}
