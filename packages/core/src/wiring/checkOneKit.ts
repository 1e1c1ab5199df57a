import { machineGaps, machineIndex, type Kit, type KitEnd, type Machine } from '../dossiers/index.ts'
import { endLookalikes } from './endLookalikes.ts'
import { byGravity, collectFindings } from '../findings/index.ts'
import type { Connection, Erratum, Finding } from './model.ts'
import { wiringRules, type WiringRule } from './ruleCatalogue.ts'
import { sameTarget, targetWords } from './places.ts'
import { proposeMatches, type Match } from './proposeMatches.ts'
import { closureFindings, terminatorFindings } from './rules/closureRules.ts'
import { cutFindings } from './rules/cutRules.ts'
import { sharedFeedFindings } from './rules/feedRules.ts'
import { guessedFindings } from './rules/guessedRules.ts'
import { leadFindings } from './rules/leadRules.ts'
import { pairFindings } from './rules/pairRules.ts'
import { ringFindings } from './rules/ringRules.ts'
import { plannedWords, type CheckScene } from './scene.ts'
import { wiringWords, type WiringFacts } from './words.ts'

/** What the check may be told beside the dossiers and the connections. */
export interface CheckContext {
  /** The proposed matches, when the caller has them already. */
  plan?: readonly Match[]
  /** What is known to be wrong on the kit's sheet. */
  errata?: readonly Erratum[]
}

/**
 * All findings about what is connected of one kit, stops first.
 * @param connections as built; an inline pair has up to two, one per side, or one without side for both
 */
export function checkOneKit(
  machine: Machine,
  kit: Kit,
  connections: readonly Connection[],
  { plan = proposeMatches(machine, kit), errata = [] }: CheckContext = {},
): Finding<WiringRule>[] {
  const { findings, say } = collectFindings<WiringFacts, Finding['at']>(wiringRules, wiringWords)
  const stopped = new Set<string>()
  const scene: CheckScene = {
    machine,
    index: machineIndex(machine),
    kit,
    connections,
    plan: new Map(plan.map((match) => [match.kitEnd, match])),
    stopped: (kitEnd) => stopped.has(kitEnd),
    say: (rule, at, facts, after) => {
      if (wiringRules[rule].severity === 'stop' && at.kitEnd !== undefined) stopped.add(at.kitEnd)
      say(rule, at, facts, after)
    },
  }
  if (kit.fits.length > 0 && !kit.fits.includes(machine.id))
    scene.say('wrong-machine', {}, { kit: `${kit.maker} ${kit.model}`, machine: machine.model })
  for (const gap of machineGaps(machine)) scene.say('dossier-gap', gap.at, { says: gap.says, remedy: gap.remedy })
  const madeOf = new Map<string, Connection[]>()
  for (const connection of connections)
    madeOf.set(connection.kitEnd, [...(madeOf.get(connection.kitEnd) ?? []), connection])
  for (const end of kit.ends) checkEnd(scene, end, madeOf.get(end.id) ?? [])
  terminatorFindings(scene)
  sharedFeedFindings(scene)
  for (const erratum of errata)
    if (erratum.kit === kit.id && erratum.machine === machine.id)
      scene.say(
        'sheet-erratum',
        { kitEnd: erratum.kitEnd },
        { says: erratum.says, is: erratum.is, by: erratum.by, at: erratum.at },
      )
  return findings.sort(byGravity)
}

function checkEnd(scene: CheckScene, end: KitEnd, made: readonly Connection[]): void {
  const { say, machine, kit } = scene
  if (matedWithinLoom(scene, end, made)) return
  if (closureFindings(scene, end, made)) return
  if (end.type === 'inline-pair') pairFindings(scene, end, made)
  if (end.type === 'flying-lead') {
    leadFindings(scene, end, made)
    cutFindings(scene, end, made)
  }
  if (end.type === 'ring') ringFindings(scene, end, made)
  if (made.length > 0 && !made.every((connection) => connection.tugged))
    say('not-tugged', { kitEnd: end.id }, { end: end.name, plug: false })
  const [look] = endLookalikes(kit, end.id)
  if (look)
    say(
      'kit-lookalike',
      { kitEnd: end.id },
      { end: end.name, other: look.name, shared: look.shared, telling: look.telling },
    )
  guessedFindings(scene, end, made)
  const place = made[0]?.to
  const match = scene.plan.get(end.id)
  if (
    place &&
    match?.target &&
    end.type !== 'inline-pair' &&
    !sameTarget(place, match.target) &&
    !scene.stopped(end.id)
  )
    say(
      'differs-from-plan',
      { kitEnd: end.id },
      {
        end: end.name,
        place: targetWords(machine, place, kit),
        planned: targetWords(machine, match.target, kit),
      },
    )
}

/** Ends of one loom mated with each other, and plugs in sockets. @returns true when there is nothing more to check */
function matedWithinLoom(scene: CheckScene, end: KitEnd, made: readonly Connection[]): boolean {
  const { say, kit } = scene
  const found = made.flatMap(({ to }) => ('kitEnd' in to ? [to.kitEnd] : []))
  if (found.length === 0) return false
  const [into] = found
  if (end.type === 'plug') {
    if (into === end.into) {
      if (!made.every((connection) => connection.tugged))
        say('not-tugged', { kitEnd: end.id }, { end: end.name, plug: true })
      return true
    }
    const socket = kit.sockets?.find((item) => item.id === into)
    say(
      'wrong-socket',
      { kitEnd: end.id },
      {
        end: end.name,
        socket: socket?.name ?? kit.ends.find((item) => item.id === into)?.name ?? into,
        takesIt: end.enters.includes(into),
        belongs: plannedWords(scene, end, end.into),
        telling: end.telling,
      },
    )
    return true
  }
  const other = kit.ends.find((candidate) => candidate.id === into)
  if (other?.id === end.id) say('pair-to-itself', { kitEnd: end.id }, { end: end.name })
  else
    say(
      'loom-to-loom',
      { kitEnd: end.id },
      { end: end.name, other: other?.name ?? kit.sockets?.find((item) => item.id === into)?.name ?? null },
    )
  return true
}
