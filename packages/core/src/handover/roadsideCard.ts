import {
  inSentence,
  machineIndex,
  wireAt,
  wireName,
  type InlinePair,
  type KitEnd,
  type Machine,
} from '../dossiers/index.ts'
import { memberJobs, memberState, mountPlacesOf, type JobDossiers, type JobState } from '../jobs/index.ts'
import { targetWords, type Connection } from '../wiring/index.ts'

/** One kit on the card. */
export interface RoadsideKit {
  name: string
  /** Where its module sits; null where nobody wrote it down. */
  place: string | null
  /** Where its fuse is; null where it has none. */
  fuse: string | null
  /** What the machine does while the module has no power. */
  without: string
  /** What to mate and join, in order, so that it runs as the factory made it. */
  home: string[]
}

/** The small paper that stays in the machine: what to do beside the road when a module fails. */
export interface RoadsideCard {
  title: string
  machine: string
  kits: RoadsideKit[]
  /** Who knows the machine. */
  call: string[]
  cautions: string[]
}

/** What a driver without tools of the trade needs: which plugs to mate to get home. From what is joined, not from what was planned. */
export function roadsideCard(dossiers: JobDossiers, { title }: { title: string }, state: JobState): RoadsideCard {
  const { machine } = dossiers
  const places = mountPlacesOf(dossiers, state)
  const fitters = [...new Set(state.connections.flatMap(({ by }) => (by ? [by] : [])))]
  return {
    title,
    machine: `${machine.maker} ${machine.model}`,
    kits: memberJobs(dossiers).flatMap(({ member, dossiers: own }): RoadsideKit[] => {
      const { connections, mounted } = memberState(dossiers, member, state)
      if (!connections.some(({ to }) => 'connector' in to || 'stud' in to)) return []
      const at = places.find((item) => item.member.key === member.key)?.place
      const place = machine.places?.find(({ id }) => id === mounted?.place) ?? at
      return [
        {
          name: `${own.kit.maker} ${own.kit.model}`,
          place: place ? `${place.name}, ${place.place}` : null,
          fuse: fuseOf(own, connections),
          without: withoutPower(own, connections),
          home: wayHome(own, connections),
        },
      ]
    }),
    call: [...(fitters.length > 0 ? [`Fitted by ${fitters.join(', ')}.`] : []), 'Whom to call: ______________________'],
    cautions: [
      'Key off before a plug is parted or mated. Let hot parts cool, keep clear of fan and belts.',
      'Airbag plugs (yellow) and orange cables stay as they are.',
    ],
  }
}

function fuseOf({ machine, kit }: JobDossiers, connections: readonly Connection[]): string | null {
  for (const { kitEnd, to, fuseA } of connections) {
    const end = kit.ends.find(({ id }) => id === kitEnd)
    const amps = fuseA ?? (end?.type === 'ring' ? end.fuseA : undefined)
    if (end && amps !== undefined)
      return `${amps} A in ${inSentence(end.name)}, at ${inSentence(targetWords(machine, to, kit))}`
  }
  return null
}

/** Ends that are joined, each once. */
function joinedEnds({ kit }: JobDossiers, connections: readonly Connection[]): { end: KitEnd; made: Connection }[] {
  return kit.ends.flatMap((end) => {
    const made = connections.find(({ kitEnd, to }) => kitEnd === end.id && ('connector' in to || 'stud' in to))
    return made ? [{ end, made }] : []
  })
}

const interrupts = (end: KitEnd): end is InlinePair =>
  end.type === 'inline-pair' && end.lines.some(({ does }) => does === 'interrupt')

function withoutPower(dossiers: JobDossiers, connections: readonly Connection[]): string {
  const ends = joinedEnds(dossiers, connections).map(({ end }) => end)
  if (ends.some((end) => end.type === 'inline-pair' && !end.deviceHalf))
    return 'It stands in the place of the control unit: without power the engine does not run.'
  const drives = ends.filter(interrupts).flatMap(({ lines }) => lines.filter(({ does }) => does === 'interrupt'))
  if (drives.some(({ wants }) => wants.signal.endsWith('drive')))
    return 'Injectors or coils go through it: without power they get nothing, and the engine misses or stops.'
  if (drives.length > 0 || ends.some((end) => end.type === 'flying-lead' && end.cut))
    return 'Sensors go through it: without power the control unit hears nothing of them and runs in its emergency mode, or not at all.'
  return 'It only listens: without power the machine runs as the factory made it.'
}

function wayHome(dossiers: JobDossiers, connections: readonly Connection[]): string[] {
  const { machine } = dossiers
  const { connectors } = machineIndex(machine)
  return joinedEnds(dossiers, connections).flatMap(({ end, made: { to } }): string[] => {
    if (!('connector' in to)) return []
    const plug = connectors.get(to.connector)
    if (end.type === 'inline-pair' && !end.deviceHalf)
      return [
        `Tag ${end.tag}: ${inSentence(plug?.name ?? to.connector)} off the module and back onto the ${plug?.device ?? 'control unit'}.`,
      ]
    if (interrupts(end))
      return [
        `Tag ${end.tag}: both halves apart, ${inSentence(plug?.name ?? to.connector)} back onto the ${plug?.device ?? 'device'}.`,
      ]
    if (end.type === 'flying-lead' && end.cut?.half === 'device' && 'cavity' in to)
      return [`Leads ${end.tag}: join both halves of ${cutWire(machine, to)} to each other.`]
    return []
  })
}

function cutWire(machine: Machine, { connector, cavity }: Extract<Connection['to'], { cavity: number }>): string {
  const wire = wireAt(machine, connector, cavity)
  const plug = machineIndex(machine).connectors.get(connector)?.name ?? connector
  return `${wire ? `the ${wireName(wire.colour)} wire` : 'the wire'} at ${inSentence(plug)}`
}
