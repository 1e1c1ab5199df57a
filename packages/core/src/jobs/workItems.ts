import type { JobDossiers, JobState } from './state.ts'
import type { Done } from '../journal/index.ts'
import { purposeOf } from '../vehicles/index.ts'
import type { Closing, Removal } from '../access/index.ts'
import { joinedId, memberOf, stationsOf, type Minutes, type Station, type Step } from '../dossiers/index.ts'
import { accessOf } from './jobAccess.ts'
import { coversBefore, stepsOf } from './jobSteps.ts'
import { capabilities } from './capabilities.ts'
import type { Capability, OwnWork, WorkAsk } from './capability.ts'
import { whileItStands, type Spoken } from '../shared/index.ts'
import { sayTask } from './words.ts'
import { passagesOf, plannedLooms, plannedPassages, type MemberLoom } from './jobRoute.ts'
import type { EntryBody } from './model.ts'

/** One thing to do at a station: a step, a cover off or on, or earlier work to be taken off. */
export type WorkItem = { id: string; done?: Done; minutes: Minutes } & (
  | { kind: 'step'; step: Step }
  | { kind: 'cover-off'; removal: Removal }
  | { kind: 'cover-on'; closing: Closing }
  /** Put there by a capability. */
  | { kind: 'own'; spoken: Spoken; asks?: WorkAsk; makes: EntryBody[] }
)

/** Minutes of a step of which none are written down. */
const plainStep: Minutes = { best: 1, likely: 2, worst: 5 }

/**
 * What is to be done at a station, in order. Covers in front of what is needed while there is power come off at make-safe, each
 * before the first step that needs it, the others at open-up, where earlier work is taken off too; what the engine needs goes back on
 * at set-up, before the key is turned, the rest at close-up.
 * Covers that are off without being in the plan are on the list of what goes back.
 */
export function stationWork(
  dossiers: JobDossiers,
  state: JobState,
  station: Station,
  list: readonly Capability[] = capabilities,
): WorkItem[] {
  if (!stationsOf(purposeOf(state)).includes(station)) return []
  return whileItStands(state, () => {
    const own = list.flatMap(({ work }) => work?.(dossiers, state, station) ?? [])
    const items = (first: boolean) => own.filter((item) => (item.first ?? false) === first).map(ownItem)
    return [...items(true), ...plannedWork(dossiers, state, station), ...items(false)]
  })
}

function ownItem({ id, code, facts, words, minutes, done, asks, makes }: OwnWork): WorkItem {
  const asked = asks === undefined ? {} : { asks }
  // oxlint-disable-next-line typescript/consistent-type-assertions -- a capability makes entries of its own kinds
  return { kind: 'own', id, spoken: { code, facts, words }, minutes, done, ...asked, makes: makes as EntryBody[] }
}

/** Steps, and covers off and on, by the plan. */
function plannedWork(dossiers: JobDossiers, state: JobState, station: Station): WorkItem[] {
  const steps = stepsOf(dossiers, station, state).map((step): WorkItem => ({
    kind: 'step',
    id: `step.${step.id}`,
    step,
    minutes: step.minutes ?? plainStep,
    done: state.stepsDone[step.id],
  }))
  const plan = accessOf(dossiers, state)
  if (!plan) return steps
  const off = plan.removals.map((removal): WorkItem & { kind: 'cover-off' } => ({
    kind: 'cover-off',
    id: `off.${removal.cover.id}`,
    removal,
    minutes: removal.minutes,
    done: state.covers[removal.cover.id]?.off,
  }))
  switch (station) {
    case 'make-safe':
      return coversBefore(
        dossiers,
        state,
        off.filter((item) => item.removal.beforeBattery),
      ).flatMap(({ covers, step }) => [...covers, ...steps.filter((item) => item.id === `step.${step}`)])
    case 'open-up':
      return [...off.filter((item) => !item.removal.beforeBattery), ...steps]
    case 'set-up':
      return [...backOn(dossiers, state).filter((item) => item.closing.beforeStart), ...steps]
    case 'close-up':
      return [...backOn(dossiers, state).filter((item) => !item.closing.beforeStart), ...steps]
    default:
      return steps
  }
}

/** Covers in the order they go back: those of the plan and whatever else was taken off. */
function backOn(dossiers: JobDossiers, state: JobState): (WorkItem & { kind: 'cover-on' })[] {
  const closing = accessOf(dossiers, state)?.closing ?? []
  const planned = new Set(closing.map((item) => item.cover.id))
  const others = (dossiers.machine.covers ?? [])
    .filter((cover) => cover.id in state.covers && !planned.has(cover.id))
    .map((cover): Closing => ({ cover, minutes: cover.on, tools: [], beforeStart: cover.run ?? false }))
  return [...others, ...closing].map((item) => ({
    kind: 'cover-on',
    id: `on.${item.cover.id}`,
    closing: item,
    minutes: item.minutes,
    done: state.covers[item.cover.id]?.on ?? state.covers[item.cover.id]?.leftOff,
  }))
}

/** What is given with a tick: the words a step asks for, or why it is done without what it asks. */
export interface TickWords {
  wrote?: string
  without?: string
}

/** Whether a step is a start and nothing else: it is written down as one that passed, or as one that failed. */
export function isStart({ station, engine, reading, asks, proof }: Step): boolean {
  return station === 'wake' && engine === 'runs' && !reading && !asks && proof === undefined
}

/** Everything that ticking an item off writes down: the tick itself, and what its step settles about the loom. */
export function entriesOfWork(
  item: WorkItem,
  dossiers: JobDossiers,
  state: JobState,
  { wrote, without }: TickWords = {},
): EntryBody[] {
  const reason = without === undefined ? {} : { without }
  switch (item.kind) {
    case 'step':
      return [
        ...(item.step.marks ? marksOf(item.step, dossiers, state) : []),
        { kind: 'step-done', step: item.step.id, ...(wrote === undefined ? {} : { wrote }), ...reason },
      ]
    case 'cover-off':
      return [{ kind: 'cover-off', cover: item.removal.cover.id, ...reason }]
    case 'cover-on':
      return [{ kind: 'cover-on', cover: item.closing.cover.id }]
    case 'own':
      return item.makes
  }
}

function marksOf(step: Step, dossiers: JobDossiers, state: JobState): EntryBody[] {
  switch (step.marks) {
    case 'route':
      return loomsOfStep(dossiers, state, step).flatMap(({ loom, member }) =>
        (loom ? plannedPassages(loom) : []).flatMap(({ part: own, passages }): EntryBody[] => {
          const part = joinedId(member.key, own)
          return part in state.routes ? [] : [{ kind: 'routed', part, passages, replaces: null }]
        }),
      )
    case 'mount': {
      const trial = step.station === 'lay-loom'
      return loomsOfStep(dossiers, state, step).flatMap(({ place, member }): EntryBody[] =>
        place
          ? [{ kind: 'mounted', place: place.id, trial, ...(member.key === '' ? {} : { kit: member.kit.id }) }]
          : [],
      )
    }
    case 'ties':
      return passagesOf(loomsOfStep(dossiers, state, step), state).flatMap((passage): EntryBody[] =>
        passage in state.ties ? [] : [{ kind: 'tied', passage }],
      )
    case undefined:
      return []
  }
}

/** The looms a step is about: that of its own kit, or of all where it is the machine's. */
function loomsOfStep(dossiers: JobDossiers, state: JobState, step: Step): MemberLoom[] {
  const own = memberOf(dossiers.kit, step.id)
  return plannedLooms(dossiers, state).filter(({ member }) => own === null || own.member.key === member.key)
}

/** An item of work in a few words. */
export function wordsOf(item: WorkItem): string {
  return sayWork(item).words
}

/** The same with its code and facts. */
export function sayWork(item: WorkItem): Spoken {
  switch (item.kind) {
    case 'step':
      return sayTask('step', { text: item.step.text })
    case 'cover-off':
      return sayTask('cover-off', { cover: item.removal.cover.name })
    case 'cover-on':
      return sayTask('cover-on', { cover: item.closing.cover.name })
    case 'own':
      return item.spoken
  }
}
