import { openStops } from '../findings/index.ts'
import { currentTrim } from '../fuel-trim/index.ts'
import { wireAt, wireName, type KitEnd, type KitSetting, type WireColour } from '../dossiers/index.ts'
import {
  feedsOf,
  jobFindings,
  memberJobs,
  memberState,
  stationProgress,
  trayOf,
  type JobDossiers,
  type JobState,
} from '../jobs/index.ts'
import { approvalsAsked } from '../proving/index.ts'
import { connectionPlan, differences, targetWords } from '../wiring/index.ts'
import { proofPage } from './proofPage.ts'

export interface SheetWire {
  cavity: number
  name: string
  colour: WireColour
  does: string
}

export interface SheetConnection {
  tag: string
  end: string
  /** Where it is, or what became of it. */
  place: string
  how: string
  wires: SheetWire[]
  by: string
}

/** The hand-back paper as data, in the order in which it is read. */
export interface HandbackSheet {
  title: string
  machine: string
  kit: string
  openedAt: string
  fitters: string[]
  /** false: the job is not finished, and `unfinished` says why. */
  finished: boolean
  unfinished: string[]
  connections: SheetConnection[]
  settings: { name: string; value: string; shipped: string }[]
  trim: { rpm: number[]; load: number[]; pct: number[][]; madeFrom: string[] }
  readings: { quantity: string; value: string; by: string }[]
  liftedStops: string[]
  /** Cut, notched or drilled, and who agreed. */
  forGood: string[]
  /** What earlier fitters left, and what became of it. */
  earlierWork: string[]
  /** Where it was built otherwise than planned. */
  differences: string[]
  /** Where the module sits, along which passages each part of the loom lies, and what feeds it. */
  lies: string[]
  /** Taken off and not put back, and why. */
  leftOff: string[]
  /** What steps asked to be written down. */
  written: string[]
  /** Steps done without what they ask for, or before their wait was over, and why. */
  doneWithout: string[]
  /** What the owner was told, and who heard it. */
  told: string[]
  /** Approvals, and what is for a closed course only. */
  lawful: string[]
  /** What was gained, and which level is allowed for what. */
  proof: string[]
  /** Photos that go with the paper. */
  photos: { hash: string; says: string }[]
  notes: string[]
  cautions: string[]
  returnToStock: string[]
  sources: string[]
}

export interface SheetJob {
  title: string
  createdAt: string
}

/** Everything the owner and the next person need, from dossiers and replayed state. */
export function handbackSheet(dossiers: JobDossiers, job: SheetJob, state: JobState): HandbackSheet {
  const { machine, kit } = dossiers
  const findings = jobFindings(dossiers, state)
  const progress = stationProgress(dossiers, state)
  const unfinished = [
    ...openStops(findings).map((finding) => `Stop: ${finding.reason}`),
    ...findings.filter((finding) => finding.severity === 'fix').map((finding) => finding.reason),
    ...progress
      .filter((item) => !item.done && (item.station !== 'hand-back' || item.reopened !== undefined))
      .map((item) =>
        item.reopened === undefined
          ? `Not done: ${item.station.replace('-', ' ')}.`
          : `Reopened: ${item.station.replace('-', ' ')}. ${item.reopened}`,
      ),
  ]
  const people = [...state.connections, ...Object.values(state.stepsDone), ...state.readings, ...state.trim.revisions]
  return {
    title: job.title,
    machine: `${machine.maker} ${machine.model}, ${machine.class}`,
    kit: `${kit.maker} ${kit.model}, ${kit.system}`,
    openedAt: job.createdAt,
    fitters: [...new Set(people.flatMap((done) => (done.by ? [done.by] : [])))],
    finished: unfinished.length === 0,
    unfinished,
    connections: kit.ends.map((end) => sheetConnection(dossiers, state, end)),
    settings: kit.settings.map((setting) => ({
      name: setting.name,
      value: settingValue(setting, state.settings[setting.id]?.value),
      shipped: `${setting.shipped} ${setting.unit}`.trim(),
    })),
    trim: {
      rpm: state.trim.rpm,
      load: state.trim.load,
      pct: currentTrim(state),
      madeFrom: state.trim.revisions.flatMap((revision) =>
        revision.entry === null
          ? []
          : [`${revision.changed} cells from ${revision.name ?? 'a ride'}${revision.by ? `, ${revision.by}` : ''}`],
      ),
    },
    readings: state.readings.map((reading) => ({
      quantity: reading.quantity,
      value: `${reading.value} ${reading.unit}`,
      by: reading.by ?? '',
    })),
    liftedStops: findings.flatMap((finding) =>
      finding.lifted
        ? [`${finding.reason} Lifted by ${finding.lifted.by ?? 'somebody'}: ${finding.lifted.reason}`]
        : [],
    ),
    forGood: state.irreversible.map((act) => `${act.act}: ${act.text}. Agreed by ${act.consentBy}.`),
    earlierWork: state.found.map(
      (found) =>
        `${found.own ? 'Pierced in this job' : found.what}: ${found.text}. ${found.dealt ? `Dealt with: ${found.dealt.how}.` : 'Still as it was.'}`,
    ),
    differences: differences(dossiers, state, connectionPlan(dossiers, state)).map(
      (item) =>
        `${kit.ends.find((end) => end.id === item.kitEnd)?.name ?? item.kitEnd}: ${item.built}, planned ${item.planned}.${item.accepted ? ` ${item.accepted.reason}` : ''}`,
    ),
    lies: liesOf(dossiers, state),
    leftOff: trayOf(dossiers, state).map(
      ({ cover, leftOff }) =>
        `${cover.name}: ${leftOff ? `${leftOff.reason} (${leftOff.by ?? 'nobody named'})` : 'still in the tray'}`,
    ),
    written: stepsWith(dossiers, state, 'wrote'),
    doneWithout: stepsWith(dossiers, state, 'without'),
    told: state.told.map((note) => `${note.text} Told to ${note.to}${note.by ? ` by ${note.by}` : ''}.`),
    lawful: lawfulOf(dossiers, state),
    proof: proofOf(dossiers, job, state),
    photos: state.photos
      .filter((photo) => photo.handBack)
      .map((photo) => ({
        hash: photo.photo,
        says: [photo.shows, photo.caption, photo.by].filter(Boolean).join(', '),
      })),
    notes: state.notes.map((note) => (note.by ? `${note.text} (${note.by})` : note.text)),
    cautions: [...new Set([...machine.cautions, ...kit.cautions])],
    returnToStock: kit.returnToStock,
    sources: [
      `${machine.model}, dossier version ${machine.version}: ${machine.source}`,
      `${kit.model}, dossier version ${kit.version}: ${kit.source}`,
    ],
  }
}

/** Approval by approval: of what changes the engine, nothing is silently lawful. */
function lawfulOf({ kit }: JobDossiers, { approvals }: JobState): string[] {
  return approvalsAsked(kit).map(({ key, kit: own }) => {
    const asked = approvals[key]
    const name = `${own.maker} ${own.model}`
    if (!asked)
      return `${name}: its approval for this machine and market was not asked for. Until it is: closed course only.`
    return asked.number === null
      ? `${name}: no approval in ${asked.market}. Closed course only; told to ${asked.with}${asked.by ? ` by ${asked.by}` : ''}.`
      : `${name}: approved in ${asked.market}, ${asked.number}.`
  })
}

/** What the owner's page of proof says, in lines; nothing where nobody pulled or ran a ladder. */
function proofOf(dossiers: JobDossiers, job: SheetJob, state: JobState): string[] {
  if (state.pulls.length === 0 && Object.keys(state.levelRuns).length === 0) return []
  const { numbers, levels } = proofPage(dossiers, job, state)
  return [...numbers.map(({ name, value, certainty }) => `${name}: ${value} (${certainty}).`), ...levels]
}

/** Steps with what was written about them, in the order of the work. */
function stepsWith({ machine, kit }: JobDossiers, state: JobState, what: 'wrote' | 'without'): string[] {
  return [...machine.steps, ...kit.steps].flatMap((step) => {
    const done = state.stepsDone[step.id]
    const text = done?.[what]
    return text === undefined ? [] : [`${step.text.replace(/[.:]$/, '')}: ${text}${done.by ? ` (${done.by})` : ''}`]
  })
}

/** What a setting is; one that the unit reads off the machine has no value until somebody had it read. */
function settingValue(setting: KitSetting, set: string | undefined): string {
  if (set === undefined && setting.captured) return 'not captured'
  return `${set ?? setting.shipped} ${setting.unit}`.trim()
}

/** What the next person looks for first: the module, then the loom, part by part, then the feed; of several kits each for itself. */
function liesOf(dossiers: JobDossiers, state: JobState): string[] {
  return memberJobs(dossiers).flatMap(({ member, dossiers: own }) =>
    member.present ? [] : kitLies(own, memberState(dossiers, member, state)),
  )
}

function kitLies(dossiers: JobDossiers, state: JobState): string[] {
  const { machine, kit } = dossiers
  const passage = (id: string) => machine.passages?.find((item) => item.id === id)?.name ?? id
  const place = machine.places?.find((item) => item.id === state.mounted?.place)
  const routes = Object.entries(state.routes).flatMap(([part, { passages }]) => {
    const name = part === 'trunk' ? 'Trunk' : (kit.ends.find((end) => end.id === part)?.name ?? part)
    return passages.length > 0 ? [`${name}: ${passages.map(passage).join(', ')}.`] : []
  })
  const [feed] = feedsOf(dossiers, state)
  return [
    ...(place
      ? [`${kit.module.name}: ${place.name}, ${place.place}${state.mounted?.trial ? ', not fixed yet' : ''}.`]
      : []),
    ...routes,
    ...(place && feed ? [`Fed from: ${feed.name}, ${feed.where}.`] : []),
  ]
}

function sheetConnection({ machine, kit }: JobDossiers, state: JobState, end: KitEnd): SheetConnection {
  const made = state.connections.filter((connection) => connection.kitEnd === end.id)
  const places = [...new Set(made.map((connection) => targetWords(machine, connection.to, kit)))]
  const first = made[0]
  const wires: SheetWire[] = made.flatMap(({ to }, i) => {
    if (!('connector' in to) || (i > 0 && !('cavity' in to))) return []
    const cavities =
      'cavity' in to
        ? [{ cavity: to.cavity, does: 'tapped' }]
        : end.type === 'inline-pair'
          ? end.lines.map((line) => ({ cavity: line.cavity, does: doing[line.does] }))
          : []
    return cavities.flatMap(({ cavity, does }) => {
      const wire = wireAt(machine, to.connector, cavity)
      return wire ? [{ cavity, name: wireName(wire.colour), colour: wire.colour, does }] : []
    })
  })
  const halves =
    end.type === 'inline-pair' && made.length > 0
      ? `${made.length === 1 && !('side' in made[0].to && made[0].to.side === undefined) ? 'one half only' : 'both halves'}`
      : ''
  const tug =
    made.length === 0 || 'closed' in made[0].to
      ? ''
      : made.every((connection) => connection.tugged)
        ? 'tugged'
        : 'not tugged'
  return {
    tag: end.tag,
    end: end.name,
    place: places.join(' and ') || 'not connected',
    how: [halves, first?.method ?? '', tug].filter(Boolean).join(', '),
    wires,
    by: [...new Set(made.flatMap((connection) => (connection.by ? [connection.by] : [])))].join(', '),
  }
}

const doing = { pass: 'passes through', tap: 'tapped', interrupt: 'through the module' }
