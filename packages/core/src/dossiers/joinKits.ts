import type { KitEndId, KitId, PartId, SettingId, SocketId, StepId } from './ids.ts'
import type { Kit, KitEnd, KitPart, KitSetting, NamingRule, Socket } from './kitModel.ts'
import type { Station, Step } from './model.ts'

/** One of the kits of a job: what its ends are named by, and its own document. */
export interface KitMember {
  /** The kit's id; the second of a kind is `id-2`; of one kit alone ''. */
  key: string
  /** Its dossier's id. */
  id: KitId
  /** Its document; the second of a kind has its key for an id, to be told from the first. */
  kit: Kit
  /** It was in the machine before: reckoned with, and not worked at. */
  present?: boolean
}

/** Several kits as one: every end, socket, part, setting and step by `key:id`. Never stored; made of what is. */
export interface JoinedKit extends Kit {
  members: KitMember[]
}

/** What a kit of several is named by: its id, with a number from the second of a kind on. */
export function kitKeys(ids: readonly string[]): string[] {
  return ids.map((id, i) => {
    const nth = ids.slice(0, i + 1).filter((other) => other === id).length
    return nth === 1 ? id : `${id}-${nth}`
  })
}

const made = new WeakMap<Kit, { of: readonly Kit[]; present: number; joined: JoinedKit }[]>()

/**
 * Several kits as one kit, whose things are named `key:id`, so that all that is asked of a kit's ends, parts, settings and steps is asked of all
 * together. Alone a kit stays what it is. What is the module's own (its place, its trunk, its supply) is asked of each member.
 * @param own kits of the job, in its order: where pairs of two stand on one plug, the first is nearest to the factory plug
 * @param present kits that are in the machine already, nearer still; their parts and steps are no work of this job
 * @throws where there is none of its own
 */
export function joinKits(own: readonly Kit[], present: readonly Kit[] = []): Kit {
  const [first] = own
  if (!first) throw new Error('dossiers: a job has at least one kit')
  if (own.length === 1 && present.length === 0) return first
  const kits = [...present, ...own]
  const known = made.get(first) ?? []
  made.set(first, known)
  const same = known.find(
    ({ of, present: before }) =>
      before === present.length && of.length === kits.length && of.every((kit, i) => kit === kits[i]),
  )
  if (same) return same.joined
  const joined = joinedOf(kits, present.length)
  known.push({ of: kits, present: present.length, joined })
  return joined
}

/** The kits of a joined one that its job works at; the others were there before. */
export function ownMembers(kit: Kit): KitMember[] {
  return membersOf(kit).filter(({ present }) => !present)
}

/** Whether a thing is of a kit that was in the machine before. */
export function isPresent(kit: Kit, id: string): boolean {
  return isJoined(kit) && memberOf(kit, id)?.member.present === true
}

/** How an entry names a kit of its job; one alone is not named. */
export function kitNamed({ key }: Pick<KitMember, 'key'>): { kit?: KitId } {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the kit's name in the job, which is read as one
  return key === '' ? {} : { kit: key as KitId }
}

/** The kit that an entry names so; one alone may be named by its own id. */
export function memberNamed(kit: Kit, named: string): KitMember | undefined {
  return membersOf(kit).find(({ key, id }) => key === named || (key === '' && id === named))
}

/** The kits a kit is made of; one alone has no key. */
export function membersOf(kit: Kit): KitMember[] {
  return isJoined(kit) ? kit.members : [aloneIs(kit)]
}

/** A kit that is alone in its job. */
function aloneIs(kit: Kit): KitMember {
  return { key: '', id: kit.id, kit }
}

/** Whether there is more than one kit. */
export function isJoined(kit: Kit): kit is JoinedKit {
  return 'members' in kit
}

/** A thing of a member, named as the whole job names it. */
export function joinedId<Id extends string>(key: string, id: Id): Id {
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the same thing, by the name the job has for it
  return (key === '' ? id : `${key}:${id}`) as Id
}

/** The kit a thing is of, and its name there; null for what is of none of them (a step of the machine). */
export function memberOf<Id extends string>(kit: Kit, id: Id): { member: KitMember; id: Id } | null {
  if (!isJoined(kit)) return { member: aloneIs(kit), id }
  const at = id.indexOf(':')
  const member = at < 0 ? undefined : kit.members.find(({ key }) => key === id.slice(0, at))
  // oxlint-disable-next-line typescript/consistent-type-assertions -- the same thing, by the name its own kit has for it
  return member ? { member, id: id.slice(at + 1) as Id } : null
}

/** The kit that a thing is of; the whole where it is of none. */
export function ownKit(kit: Kit, id: string): Kit {
  return memberOf(kit, id)?.member.kit ?? kit
}

function joinedOf(kits: readonly Kit[], before: number): JoinedKit {
  const keys = kitKeys(kits.map(({ id }) => id))
  // The second of a kind is told from the first wherever kits are told apart.
  const members = kits.map((kit, i): KitMember => {
    const key = keys[i] ?? kit.id

    // oxlint-disable-next-line typescript/consistent-type-assertions -- an id by which the two are told apart
    const own = key === kit.id ? kit : { ...kit, id: key as KitId }
    return { key, id: kit.id, kit: own, ...(i < before ? { present: true } : {}) }
  })
  const names = members.map(({ kit }) => kit.model)
  const label = (member: KitMember) => {
    const nth = members.filter(({ kit }, i) => kit.model === member.kit.model && i <= members.indexOf(member)).length
    return names.filter((name) => name === member.kit.model).length > 1
      ? `${member.kit.model} no. ${nth}`
      : member.kit.model
  }
  const twice = (list: (kit: Kit) => readonly { name: string }[]) => {
    const all = members.flatMap(({ kit }) => list(kit).map(({ name }) => name))
    return (name: string, member: KitMember) =>
      all.filter((other) => other === name).length > 1 ? `${name}, ${label(member)}` : name
  }
  const endName = twice((kit) => kit.ends)
  const partName = twice((kit) => kit.parts)
  const settingName = twice((kit) => kit.settings)
  const socketName = twice((kit) => kit.sockets ?? [])
  const all = <T>(of: (member: KitMember) => readonly T[]): T[] => members.flatMap((member) => of(member))
  const each = <T>(of: (kit: Kit) => readonly T[] | undefined): T[] => all(({ kit }) => of(kit) ?? [])
  const levels = kits.find((kit) => kit.levels?.length)?.levels
  const worked = members.filter(({ present }) => !present)
  const trim = [...worked, ...members].find(({ kit }) => kit.trim)?.kit.trim
  const sum = (figures: readonly number[]) => Math.round(figures.reduce((a, b) => a + b, 0) * 1000) / 1000
  // oxlint-disable-next-line typescript/consistent-type-assertions -- a name of its own, made of theirs
  const id = keys.join('+') as KitId
  return {
    kind: 'kit',
    id,
    version: 1,
    maker: worked[0]?.kit.maker ?? '',
    model: worked
      .map(
        (member, i) =>
          (member.kit.maker === worked[i - 1]?.kit.maker || i === 0 ? '' : `${member.kit.maker} `) + label(member),
      )
      .join(' + '),
    system: [...new Set(kits.map(({ system }) => system))].join(', '),
    source: kits.map(({ source }) => source).join(' · '),
    // Each is judged for itself.
    fits: [],
    module: {
      name: worked.map(({ kit }) => kit.module.name).join(' and '),
      supplyA: sum(kits.map(({ module }) => module.supplyA)),
      idleMa: sum(kits.map(({ module }) => module.idleMa)),
      ...(kits.every(({ module }) => module.sleeps) ? { sleeps: true } : {}),
    },
    trunkM: sum(kits.map(({ trunkM }) => trunkM)),
    ends: all((member) => member.kit.ends.map((end) => joinedEnd(member.key, end, endName(end.name, member)))),
    sockets: all((member) =>
      (member.kit.sockets ?? []).map((socket): Socket => ({
        ...socket,
        id: joinedId<SocketId>(member.key, socket.id),
        name: socketName(socket.name, member),
      })),
    ),
    naming: all(({ key, kit }) =>
      (kit.naming ?? []).map((rule): NamingRule => ({
        ...rule,
        id: joinedId(key, rule.id),
        ends: rule.ends.map((end) => joinedId<KitEndId>(key, end)),
      })),
    ),
    taps: each((kit) => kit.taps).filter(
      ({ method }, i, taps) => taps.findIndex((other) => other.method === method) === i,
    ),
    parts: all((member) =>
      (member.present ? [] : member.kit.parts).map((part): KitPart => ({
        ...part,
        id: joinedId<PartId>(member.key, part.id),
        name: partName(part.name, member),
      })),
    ),
    settings: all((member) =>
      member.kit.settings.map((setting): KitSetting => ({
        ...setting,
        id: joinedId<SettingId>(member.key, setting.id),
        name: settingName(setting.name, member),
      })),
    ),
    ...(trim ? { trim } : {}),
    lamps: all(({ key, kit }) => (kit.lamps ?? []).map((lamp) => ({ ...lamp, id: joinedId(key, lamp.id) }))),
    ...(levels ? { levels } : {}),
    figures: each((kit) => kit.figures),
    steps: joinedSteps(worked, label),
    cautions: [...new Set(each((kit) => kit.cautions))],
    returnToStock: [...new Set(worked.flatMap(({ kit }) => kit.returnToStock))],
    members,
  }
}

function joinedEnd(key: string, end: KitEnd, name: string): KitEnd {
  const id = joinedId<KitEndId>(key, end.id)
  switch (end.type) {
    case 'inline-pair':
      return {
        ...end,
        id,
        name,
        ...(end.interchangeable === undefined ? {} : { interchangeable: joinedId(key, end.interchangeable) }),
      }
    case 'flying-lead':
      return {
        ...end,
        id,
        name,
        ...(end.cut ? { cut: { ...end.cut, partner: joinedId(key, end.cut.partner) } } : {}),
      }
    case 'plug':
      return { ...end, id, name, into: joinedId(key, end.into), enters: end.enters.map((into) => joinedId(key, into)) }
    case 'ring':
    case 'port':
    case 'vent':
      return { ...end, id, name }
  }
}

/** Where one step serves every kit that asks for it: what is done to the machine, not to a module. */
const sharedAt: readonly Station[] = ['take-in', 'make-safe', 'open-up', 'close-up', 'hand-back']

/** Steps of all members; what several ask for in the same words is one step where it is the machine's, else says whose it is. */
function joinedSteps(members: readonly KitMember[], label: (member: KitMember) => string): Step[] {
  const all = members.flatMap(({ kit }) => kit.steps)
  const wordsOf = ({ station, text }: Step) => `${station} ${text}`
  const often = new Set(all.map(wordsOf).filter((words, i, list) => list.indexOf(words) !== i))
  const keptAs = new Map<StepId, StepId>()
  const kept: Step[] = []
  for (const member of members)
    for (const step of member.kit.steps) {
      const id = joinedId<StepId>(member.key, step.id)
      const twin =
        sharedAt.includes(step.station) && step.marks === undefined
          ? kept.find((other) => other.station === step.station && other.text === step.text)
          : undefined
      keptAs.set(id, twin?.id ?? id)
      if (twin) continue
      const shared = sharedAt.includes(step.station)
      kept.push({
        ...step,
        id,
        text: often.has(wordsOf(step)) && !shared ? `${label(member)}: ${step.text}` : step.text,
        ...(step.after ? { after: step.after.map((before) => afterOf(member, before)) } : {}),
      })
    }
  return kept.map((step) =>
    step.after ? { ...step, after: step.after.map((before) => keptAs.get(before) ?? before) } : step,
  )
}

/** A step of the member itself, or one of the machine, which stays as it is named. */
function afterOf({ key, kit }: KitMember, before: StepId): StepId {
  return kit.steps.some(({ id }) => id === before) ? joinedId(key, before) : before
}
