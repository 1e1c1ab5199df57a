import type { JobDossiers, JobState } from './state.ts'
import {
  acrossFlats,
  asHeading,
  inSentence,
  wireAt,
  type Cover,
  type Kit,
  type Stud,
  type TapMethod,
} from '../dossiers/index.ts'
import {
  branchWires,
  bundleDiameterMm,
  freeEndM,
  sleeveSizeMm,
  sleeveWords,
  tieSpacingM,
  wireDiameterMm,
  type RankedPlace,
} from '../routing/index.ts'
import { adviseJoint, connectionPlan, joinPracticeOf } from '../wiring/index.ts'
import { accessOf } from './jobAccess.ts'
import { feedsOf } from './jobFeeds.ts'
import { plannedLoom } from './jobRoute.ts'
import { memberJobs, memberState } from './members.ts'

/** A tool to lay out, with what it is for. */
export interface ToolNeed {
  tool: string
  for: string[]
  state?: 'present' | 'missing'
}

/** Something that is used up, counted for this job. */
export interface Consumable {
  name: string
  amount: number
  unit: string
  /** How the figure came about. */
  basis: string
}

/** Every tool of the job: for its covers, its locks, its joints, its studs and its measuring. */
export function toolsNeeded(dossiers: JobDossiers, state: JobState): ToolNeed[] {
  const { machine } = dossiers
  const needs = new Map<string, Set<string>>()
  const add = (tool: string, why: string) => needs.set(tool, (needs.get(tool) ?? new Set()).add(why))
  for (const { cover, tools } of accessOf(dossiers, state)?.removals ?? [])
    for (const tool of tools) add(tool, cover.name)
  for (const cover of torqued(dossiers, state)) add('torque wrench', cover.name)
  for (const { target } of connectionPlan(dossiers, state)) {
    if (target === null) continue
    if ('connector' in target) {
      const connector = machine.connectors.find((item) => item.id === target.connector)
      if (connector?.lock.kind === 'tang') add('small flat screwdriver', connector.name)
    }
    if ('stud' in target) {
      const stud = machine.studs.find((item) => item.id === target.stud)
      if (stud) add(spannerFor(stud), stud.name)
    }
  }
  for (const [method, ends] of joints(dossiers, state))
    for (const tool of jointTools[method]) add(tool, ends.join(', '))
  add('multimeter with back-probes', 'feeds, grounds and signals')
  for (const battery of machine.batteries ?? []) {
    const stud = machine.studs.find((item) => item.id === battery)
    if (stud) add(spannerFor(stud), stud.name)
  }
  const { kit } = dossiers
  for (const end of kit.ends) {
    if (end.type !== 'plug') continue
    if (end.far === 'sensor') add('sensor socket', end.name)
    if (kit.sockets?.find((socket) => socket.id === end.into)?.style === 'screw terminal')
      add('terminal driver, slot 2.5', end.name)
  }
  add('side cutters', 'tie tails')
  return [...needs].map(([tool, why]) => {
    const checked = state.tools[tool]
    return { tool, for: [...why], ...(checked ? { state: checked.state } : {}) }
  })
}

/** One spanner for a nut: the size across flats of its thread. */
function spannerFor(stud: Stud): string {
  return `hex head ${acrossFlats(stud.threadMm)}`
}

const jointTools: Record<TapMethod, string[]> = {
  'piercing screw tap': [],
  'displacement tap': ['parallel pliers'],
  'solder and sleeve': ['soldering iron', 'hot air', 'wire stripper'],
  'crimp and sealed sleeve': ['ratchet crimper', 'hot air', 'wire stripper'],
  'added pin': ['pin crimper'],
}

function torqued(dossiers: JobDossiers, state: JobState): Cover[] {
  const covers = accessOf(dossiers, state)?.removals.map((removal) => removal.cover) ?? []
  return covers.filter((cover) => cover.fasteners.some((fastener) => (fastener.torqueNm ?? 0) >= 8))
}

/** Leads of the kit by the way they are joined here. */
function joints(dossiers: JobDossiers, state: JobState): Map<TapMethod, string[]> {
  const { machine, kit } = dossiers
  const school = joinPracticeOf(state)
  const found = new Map<TapMethod, string[]>()
  for (const { kitEnd, target } of connectionPlan(dossiers, state)) {
    const end = kit.ends.find((item) => item.id === kitEnd)
    if (end?.type !== 'flying-lead' || target === null) continue
    const method = adviseJoint(machine, kit, end, target, school)?.method
    if (method) found.set(method, [...(found.get(method) ?? []), end.name])
  }
  return found
}

/**
 * What this job uses up: joints by their way and wire, sleeve by length, the bundle's diameter and the heat on its way, ties along
 * the planned route (by the loom's own lengths where no route is known), wire for extensions, what the feed takes beyond the kit.
 */
export function consumables(dossiers: JobDossiers, state: JobState): Consumable[] {
  const each = memberJobs(dossiers).map(({ member, dossiers: own }) =>
    usedUp(own, memberState(dossiers, member, state)),
  )
  const [only] = each
  if (each.length === 1 && only) return only
  const all = new Map<string, Consumable>()
  for (const [i, list] of each.entries())
    for (const item of list) {
      const key = `${item.name} ${item.unit}`
      const basis = `${memberJobs(dossiers)[i]?.member.kit.model ?? ''}: ${item.basis}`
      const known = all.get(key)
      all.set(key, {
        ...item,
        amount: Math.round(((known?.amount ?? 0) + item.amount) * 100) / 100,
        basis: known ? `${known.basis} · ${basis}` : basis,
      })
    }
  return [...all.values()]
}

/** What one kit of a job uses up. */
function usedUp(dossiers: JobDossiers, state: JobState): Consumable[] {
  const { machine, kit } = dossiers
  const length = loomLengthM(kit)
  const loom = plannedLoom(dossiers, state)
  const ties = loom?.ties.count ?? tiesOf(kit)
  const inKit = kit.parts.find((part) => part.id === 'ties')?.count ?? 0
  const across = bundleDiameterMm(trunkWires(kit).map(wireDiameterMm))
  const byJoint = [...joints(dossiers, state)].flatMap(([method, ends]): Consumable[] => {
    const areas = connectionPlan(dossiers, state).flatMap(({ kitEnd, target }) => {
      const end = kit.ends.find((item) => item.id === kitEnd)
      if (!end || !ends.includes(end.name) || target === null || !('cavity' in target)) return []
      return wireAt(machine, target.connector, target.cavity)?.areaMm2 ?? []
    })
    const [thin, thick] = [Math.min(...areas), Math.max(...areas)]
    const range = areas.length === 0 ? '' : ` for ${thin === thick ? thin : `${thin}–${thick}`} mm²`
    return [{ name: `${jointPart[method]}${range}`, amount: ends.length, unit: '×', basis: ends.join(', ') }]
  })
  const sleeved = joints(dossiers, state).get('solder and sleeve')?.length ?? 0
  return [
    ...byJoint,
    ...(sleeved > 0
      ? [{ name: 'Heat-shrink with glue, 4.8 mm', amount: sleeved * 0.05, unit: 'm', basis: '50 mm over each joint' }]
      : []),
    {
      name: `${loom ? asHeading(sleeveWords[loom.trunk.sleeve]) : 'Sleeve'}, ${sleeveSizeMm(across) ?? Math.ceil(across)} mm inside`,
      amount: Math.round(kit.trunkM * 1.1 * 100) / 100,
      unit: 'm',
      basis: `trunk ${kit.trunkM} m and a tenth; ${trunkWires(kit).length} wires make ${across.toFixed(1)} mm`,
    },
    ...hotSleeves(loom),
    ...extensions(loom),
    ...feedMaterials(dossiers, state),
    // What sits at its own plug is tied to nothing.
    ...(ties > 0
      ? [
          {
            name: 'Cable ties 150 mm',
            amount: ties,
            unit: '×',
            basis: `${loom ? `along ${loom.ties.passages.length} ${loom.ties.passages.length === 1 ? 'passage' : 'passages'} of the route, every ${tieSpacingM * 1000} mm, closer where it shakes` : `${length.toFixed(1)} m of loom, one every ${tieSpacingM * 1000} mm; the route is not known yet`}, none in the last ${freeEndM * 1000} mm before a plug; the kit has ${inKit}${ties > inKit ? `: ${ties - inKit} more from the shelf` : ''}`,
          },
        ]
      : []),
    ...(kit.ends.some((end) => end.type === 'ring')
      ? [{ name: 'Contact grease', amount: 1, unit: 'g', basis: 'under each ring' }]
      : []),
  ]
}

/** Branches that pass something hot want a sleeve of their own over that stretch. */
function hotSleeves(loom: RankedPlace | null): Consumable[] {
  return (loom?.branches ?? []).flatMap((branch): Consumable[] =>
    branch.sleeve === 'plain'
      ? []
      : [
          {
            name: `${asHeading(sleeveWords[branch.sleeve])}, ${sleeveSizeMm(bundleDiameterMm(branch.end.areasMm2.map(wireDiameterMm))) ?? 40} mm inside`,
            amount: Math.round(branch.lengthM * 100) / 100,
            unit: 'm',
            basis: `${branch.end.name} passes ${branch.hazards.flatMap(({ hazard }) => (hazard.kind === 'hot' ? [hazard.what] : []))[0] ?? 'something hot'}`,
          },
        ],
  )
}

function extensions(loom: RankedPlace | null): Consumable[] {
  return (loom?.branches ?? []).flatMap((branch): Consumable[] =>
    branch.extensionM === 0
      ? []
      : [
          {
            name: `Wire for ${inSentence(branch.end.name)}, ${[...new Set(branch.end.areasMm2)].join(' and ')} mm²`,
            amount: Math.round(branch.extensionM * branch.end.areasMm2.length * 100) / 100,
            unit: 'm',
            basis: `${Math.round(-branch.spareM * 1000)} mm short: ${branch.end.areasMm2.length} × ${branch.extensionM.toFixed(2)} m with its joint`,
          },
        ],
  )
}

/** What the advised feed takes beyond the kit. */
function feedMaterials(dossiers: JobDossiers, state: JobState): Consumable[] {
  const [advised] = feedsOf(dossiers, state)
  return (advised?.materials ?? []).map((name) => ({
    name: asHeading(name),
    amount: 1,
    unit: '×',
    basis: advised.name,
  }))
}

const jointPart: Record<TapMethod, string> = {
  'piercing screw tap': 'Piercing screw tap',
  'displacement tap': 'Displacement tap',
  'solder and sleeve': 'Solder joint',
  'crimp and sealed sleeve': 'Crimp with sealed sleeve',
  'added pin': 'Pin with seal',
}

/** Ties for the loom by its own lengths: trunk and branches, the last bit before a plug left free. */
export function tiesOf(kit: Kit): number {
  const along = (lengthM: number) => Math.ceil(Math.max(0, lengthM) / tieSpacingM)
  return along(kit.trunkM) + kit.ends.reduce((sum, end) => sum + along(end.branchM - freeEndM), 0)
}

/** Trunk and branches together, m. */
export function loomLengthM(kit: Kit): number {
  return kit.trunkM + kit.ends.reduce((sum, end) => sum + end.branchM, 0)
}

/** Copper areas of the wires where the trunk is thickest, mm². */
function trunkWires(kit: Kit): number[] {
  return kit.ends.flatMap(branchWires)
}

/** What stands in the way of beginning: tools that are not there, with what they are for. */
export function missingTools(dossiers: JobDossiers, state: JobState): ToolNeed[] {
  return toolsNeeded(dossiers, state).filter((need) => need.state === 'missing')
}
