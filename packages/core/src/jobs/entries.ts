import { stationNames, stepOf, stepsKnown, type DossierPair, type Station } from '../dossiers/index.ts'
import { defineDecision, defineEntry, doneBy, known, slotOf } from '../journal/index.ts'
import { type WiringState } from '../wiring/index.ts'
import type { takeInQuestions } from './state.ts'
import { type WorkState } from './state.ts'
import { ruleCatalogue } from './ruleCatalogue.ts'
import type { workForms } from './forms.ts'

const entry = defineEntry<DossierPair, WorkState, Station, typeof workForms>()
const decision = defineDecision<DossierPair, WorkState, Station, typeof workForms>()

export const note = entry({
  kind: 'note',
  apply(state, { text, about, ...head }) {
    state.notes.push({ ...doneBy(head), text, about })
    return null
  },
  words: ({ text }) => text,
})

export const stepDone = defineEntry<DossierPair, WorkState & Pick<WiringState, 'power'>, Station, typeof workForms>()({
  kind: 'step-done',
  refs: (dossiers, { step }) => known(stepsKnown(dossiers), step, 'step', 'step of this job'),
  apply(state, written, dossiers) {
    // A tick made twice changes nothing, the battery's state least of all.
    if (written.step in state.stepsDone) return null
    const { wrote, without } = written
    state.stepsDone[written.step] = {
      ...doneBy(written),
      ...(wrote === undefined ? {} : { wrote }),
      ...(without === undefined ? {} : { without }),
    }
    state.power = stepOf(dossiers, written.step)?.power ?? state.power
    return null
  },
  place: ({ step }, dossiers) => stepOf(dossiers, step)?.station ?? null,
  words: ({ step, wrote, without }, dossiers) =>
    [stepOf(dossiers, step)?.text ?? step, wrote, without && `done without: ${without}`].filter(Boolean).join(' · '),
})

export const stationDone = entry({
  kind: 'station-done',
  apply(state, written) {
    state.stationsDone[written.station] ??= doneBy(written)
    return null
  },
  place: ({ station }) => station,
  words: ({ station }) => `${stationNames[station]} done`,
})

export const stopLifted = entry({
  kind: 'stop-lifted',
  refs(_dossiers, { finding, by }) {
    const rule = Object.entries(ruleCatalogue).find(([name]) => name === finding.split('|')[0])
    if (!rule || rule[1].severity !== 'stop')
      return [{ code: 'unknown-reference', path: 'finding', message: `"${finding}" is no stop.` }]
    if (!rule[1].liftable)
      return [
        {
          code: 'never-lifted',
          path: 'finding',
          message: `A stop of the kind "${rule[0]}" cannot be lifted. Mend it.`,
        },
      ]
    return by === undefined
      ? [{ code: 'name-missing', path: 'by', message: 'Lifting a stop needs the name of who does it.' }]
      : []
  },
  apply(state, written) {
    state.lifted[written.finding] = { ...doneBy(written), reason: written.reason }
    return null
  },
  words: ({ reason }) => `Stop lifted: ${reason}`,
})

export const timerStarted = entry({
  kind: 'timer-started',
  apply(state, { what, minutes, ...head }) {
    state.timers.push({ ...doneBy(head), what, minutes })
    return null
  },
  words: ({ what, minutes }) => `Timer, ${minutes} min: ${what}`,
})

export const timerStopped = entry({
  kind: 'timer-stopped',
  apply(state, written) {
    const timer = state.timers.find((item) => item.entry === written.timer)
    if (!timer) return 'There is no such timer.'
    timer.stopped ??= doneBy(written)
    return null
  },
  words: () => 'Timer stopped',
})

/** What the owner was told, and who heard it. */
export const told = entry({
  kind: 'told',
  apply(state, { text, to, ...head }) {
    state.told.push({ ...doneBy(head), text, to })
    return null
  },
  place: () => 'take-in',
  words: ({ text, to }) => `Told to ${to}: ${text}`,
})

/** The job goes on with another version of its machine or kit. */
export const dossierChanged = entry({
  kind: 'dossier-changed',
  replaces: true,
  movesContext: true,
  apply(state, written) {
    const before = state.dossiers[written.dossier]
    if (before && before.id === written.to.id && before.hash !== written.replaces)
      return `The job works with version ${before.version} of its ${written.dossier} meanwhile.`
    state.dossiers[written.dossier] = written.to
    return null
  },
  words: ({ to, dossier }, { machine, kit }) =>
    `Goes on with version ${to.version} of the ${dossier === 'machine' ? machine.model : kit.model}`,
})

/** One kit more is fitted in this job. */
export const kitAdded = entry({
  kind: 'kit-added',
  movesContext: true,
  apply(state, written) {
    state.kitsMoved.push({ ...doneBy(written), kit: written.kit.id, how: 'came' })
    return null
  },
  words: ({ kit }) => `One kit more: ${kit.id}, version ${kit.version}`,
})

/** A kit is not fitted in this job after all. */
export const kitDropped = entry({
  kind: 'kit-dropped',
  movesContext: true,
  apply(state, written) {
    state.kitsMoved.push({ ...doneBy(written), kit: written.kit, how: 'went' })
    return null
  },
  words: ({ kit }) => `Without the ${kit} after all`,
})

/** An answer to one of take-in's questions. */
export const answered = decision({
  kind: 'answered',
  at: ({ decided }, { question }) => slotOf(decided.answers, question),
  about: ({ question }) => questionNames[question],
})

const questionNames: Record<(typeof takeInQuestions)[number], string> = {
  aim: 'What it is to do',
  'fitted-already': 'Fitted already',
  plate: 'Plate or frame number',
  owner: 'Owner or who brought it',
}

export const workEntries = [
  note,
  stepDone,
  stationDone,
  stopLifted,
  timerStarted,
  timerStopped,
  told,
  dossierChanged,
  kitAdded,
  kitDropped,
  answered,
]
