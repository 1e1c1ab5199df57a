import { inSentence, type Kit, type KitEnd, type Machine } from '../dossiers/index.ts'
import { ruleCatalogue, severities, type Connection, type Finding } from './model.ts'
import type { CheckScene } from './scene.ts'
import { closureFindings } from './rules/closureRules.ts'
import { leadFindings } from './rules/leadRules.ts'
import { pairFindings } from './rules/pairRules.ts'
import { ringFindings } from './rules/ringRules.ts'
import { sameTarget, targetWords } from './places.ts'
import { proposeMatches, type Match } from './proposeMatches.ts'

/**
 * All findings about what is connected so far, stops first.
 * @param connections as built; an inline pair has up to two, one per side, or one without side for both
 * @param plan the proposed matches, when the caller has them already
 */
export function checkWiring(
  machine: Machine,
  kit: Kit,
  connections: readonly Connection[],
  plan: readonly Match[] = proposeMatches(machine, kit),
): Finding[] {
  const findings: Finding[] = []
  const scene: CheckScene = {
    machine,
    kit,
    plan,
    stopped: (kitEnd) => findings.some((finding) => finding.severity === 'stop' && finding.at.kitEnd === kitEnd),
    say: (rule, at, reason, remedy) =>
      findings.push({ rule, severity: ruleCatalogue[rule].severity, at, reason, remedy }),
  }
  if (kit.fits.length > 0 && !kit.fits.includes(machine.id))
    scene.say(
      'wrong-machine',
      {},
      `${kit.maker} ${kit.model} is not made for ${machine.model}.`,
      'Use the kit made for this machine.',
    )
  for (const end of kit.ends) {
    const made = connections.filter((connection) => connection.kitEnd === end.id)
    checkEnd(scene, end, made)
  }
  return findings.sort((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity))
}

function checkEnd(scene: CheckScene, end: KitEnd, made: readonly Connection[]): void {
  const { say, machine, kit } = scene
  const match = scene.plan.find((candidate) => candidate.kitEnd === end.id)
  const toLoom = made.find((connection) => 'kitEnd' in connection.to)
  if (toLoom && 'kitEnd' in toLoom.to) {
    const other = kit.ends.find((candidate) => candidate.id === Object(toLoom.to).kitEnd)
    if (other?.id === end.id)
      say(
        'pair-to-itself',
        { kitEnd: end.id },
        `The two halves of the ${inSentence(end.name)} are mated to each other: the module is bypassed and the factory plug hangs free or back on its device.`,
        'Part the two halves. Factory plug into the loom, loom onto the device, tug both.',
      )
    else
      say(
        'loom-to-loom',
        { kitEnd: end.id },
        `${end.name} is mated to ${other?.name ?? 'another end'} of the same loom.`,
        'Part them and connect each to its own place on the machine.',
      )
    return
  }
  if (closureFindings(scene, end, made, match)) return
  if (end.type === 'inline-pair') pairFindings(scene, end, made)
  if (end.type === 'flying-lead') leadFindings(scene, end, made)
  if (end.type === 'ring') ringFindings(scene, end, made)
  if (made.length > 0 && !made.some((connection) => connection.tugged))
    say(
      'not-tugged',
      { kitEnd: end.id },
      `${end.name} has not been tugged.`,
      'Pull at it by the plug or beside the joint; it must not move.',
    )
  const place = made[0]?.to
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
      `${end.name} is at ${targetWords(machine, place)}; the plan says ${targetWords(machine, match.target)}.`,
      'It may stay there. Note why, so that the next person finds it.',
    )
}
