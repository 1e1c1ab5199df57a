import { sameTarget, targetWords, type ConnectionTarget, type PairSide } from '../wiring/index.ts'
import { differenceKey } from './choices.ts'
import { currentTrim, type CellChange, type Done, type JobDossiers, type JobState, type NewEntry } from './model.ts'

/**
 * Takes one live entry into the state, in place.
 * @returns null, or why the entry does not fit what is there; the state is then unchanged
 */
export function applyEntry(state: JobState, entry: NewEntry, dossiers: JobDossiers): string | null {
  const done: Done = { entry: entry.id, by: entry.by, at: entry.at }
  switch (entry.kind) {
    case 'note':
      state.notes.push({ entry: entry.id, by: entry.by, at: entry.at, text: entry.text, about: entry.about })
      return null
    case 'step-done': {
      // A tick made twice changes nothing, the battery's state least of all.
      if (entry.step in state.stepsDone) return null
      state.stepsDone[entry.step] = {
        ...done,
        ...(entry.wrote === undefined ? {} : { wrote: entry.wrote }),
        ...(entry.without === undefined ? {} : { without: entry.without }),
      }
      const step = [...dossiers.machine.steps, ...dossiers.kit.steps].find((item) => item.id === entry.step)
      if (step?.power) state.power = step.power
      return null
    }
    case 'part-checked':
      state.parts[entry.part] = {
        ...done,
        state: entry.state,
        ...(entry.instead === undefined ? {} : { instead: entry.instead }),
      }
      return null
    case 'tool-checked':
      state.tools[entry.tool] = { ...done, state: entry.state }
      return null
    case 'reading':
      state.readings.push({
        entry: entry.id,
        by: entry.by,
        at: entry.at,
        quantity: entry.quantity,
        value: entry.value,
        unit: entry.unit,
        step: entry.step,
        card: entry.card,
        about: entry.about,
      })
      return null
    case 'connected':
      connect(state, entry, dossiers)
      return null
    case 'disconnected':
      return disconnect(state, entry, dossiers)
    case 'tugged': {
      const made = state.connections.filter((connection) => connection.kitEnd === entry.kitEnd)
      if (made.length === 0) return 'Nothing is connected there to tug.'
      for (const connection of made) connection.tugged = true
      return null
    }
    case 'dossier-changed': {
      const before = state.dossiers[entry.dossier]
      if (before && before.hash !== entry.replaces)
        return `The job works with version ${before.version} of its ${entry.dossier} meanwhile.`
      state.dossiers[entry.dossier] = entry.to
      return null
    }
    case 'station-done':
      state.stationsDone[entry.station] ??= done
      return null
    case 'stop-lifted':
      state.lifted[entry.finding] = { ...done, reason: entry.reason }
      return null
    case 'irreversible':
      state.irreversible.push({
        ...done,
        act: entry.act,
        text: entry.text,
        consentBy: entry.consentBy,
        about: entry.about,
      })
      return null
    case 'found':
      state.found.push({ ...done, what: entry.what, text: entry.text, about: entry.about })
      return null
    case 'dealt-with': {
      const found = state.found.find((item) => item.entry === entry.found)
      if (!found) return 'What it deals with is not on the list.'
      found.dealt = { ...done, how: entry.how }
      return null
    }
    case 'difference-accepted': {
      const made = state.connections.find((connection) => connection.kitEnd === entry.kitEnd)
      if (!made) return 'Nothing is connected there.'
      state.accepted[differenceKey(entry.kitEnd, made.to)] = { ...done, reason: entry.reason }
      return null
    }
    case 'choice': {
      const now = state.choices[entry.choice]?.value ?? null
      if (now !== entry.replaces)
        return `It was ${entry.replaces ?? 'as proposed'} when this was chosen, and is ${now ?? 'as proposed'} now.`
      state.choices[entry.choice] = { ...done, value: entry.value }
      return null
    }
    case 'setting': {
      const now = state.settings[entry.setting]?.value ?? null
      if (now !== entry.replaces)
        return `It was ${entry.replaces ?? 'not set'} when this was chosen, and is ${now ?? 'not set'} now.`
      state.settings[entry.setting] = { ...done, value: entry.value }
      return null
    }
    case 'log-imported':
      if (state.logs.some((log) => log.log === entry.log)) return 'This log is in the job already.'
      state.logs.push({
        ...done,
        log: entry.log,
        name: entry.name,
        rows: entry.rows,
        bytes: entry.bytes,
        mapping: entry.mapping,
        tableInForce: entry.tableInForce,
        usedBy: null,
      })
      return null
    case 'trim-accepted': {
      const log = state.logs.find((candidate) => candidate.log === entry.log)
      if (!log) return 'The log it was made from is not in the job.'
      const why = changeCells(state, entry.cells, { ...done, source: 'ride', log: entry.log, name: log.name })
      if (why === null) log.usedBy ??= entry.id
      return why
    }
    case 'trim-loaded':
      return changeCells(state, entry.cells, { ...done, source: 'file', name: entry.name })
    case 'cover-off': {
      const now = state.covers[entry.cover]
      if (!now || now.on) state.covers[entry.cover] = { off: done }
      return null
    }
    case 'cover-on': {
      const now = state.covers[entry.cover]
      if (!now) return 'It was never written down as taken off.'
      now.on ??= done
      delete now.leftOff
      return null
    }
    case 'left-off': {
      const now = state.covers[entry.cover]
      if (!now || now.on) return 'It is not in the tray.'
      now.leftOff = { ...done, reason: entry.reason }
      return null
    }
    case 'photo': {
      const { kind: _kind, id: _id, at: _at, by: _by, device: _device, ...photo } = entry
      state.photos.push({ ...done, ...photo })
      return null
    }
    case 'photo-packed': {
      const photo = state.photos.find((item) => item.entry === entry.photo)
      if (!photo) return 'There is no such photo.'
      photo.handBack = entry.handBack
      return null
    }
    case 'timer-started':
      state.timers.push({ ...done, what: entry.what, minutes: entry.minutes })
      return null
    case 'timer-stopped': {
      const timer = state.timers.find((item) => item.entry === entry.timer)
      if (!timer) return 'There is no such timer.'
      timer.stopped ??= done
      return null
    }
    case 'told':
      state.told.push({ ...done, text: entry.text, to: entry.to })
      return null
    case 'routed': {
      const now = state.routes[entry.part]?.passages ?? null
      if ((now ?? []).join() !== (entry.replaces ?? []).join())
        return 'Somebody else wrote down another way for it meanwhile.'
      state.routes[entry.part] = { ...done, passages: entry.passages }
      return null
    }
    case 'mounted':
      state.mounted = { ...done, place: entry.place, trial: entry.trial }
      return null
    case 'tied':
      state.ties[entry.passage] ??= done
      return null
    case 'undo':
      return null
  }
}

type Side = PairSide | 'both'

function sideOf(to: ConnectionTarget): Side {
  return ('side' in to && to.side) || 'both'
}

function overlap(a: Side, b: Side): boolean {
  return a === b || a === 'both' || b === 'both'
}

/** A tick made twice is one connection; another place for the same half is a dispute until it is taken off. */
function connect(state: JobState, entry: Extract<NewEntry, { kind: 'connected' }>, { kit }: JobDossiers): void {
  const { kitEnd, to, method } = entry
  const side = sideOf(to)
  const known = state.connections.find(
    (made) => made.kitEnd === kitEnd && [side, 'both'].includes(sideOf(made.to)) && sameTarget(made.to, to),
  )
  if (known) {
    known.method = method ?? known.method
    if ('cavity' in to && 'cavity' in known.to && to.half !== undefined && to.half !== known.to.half) {
      known.to = to
      known.tugged = false
    }
    return
  }
  const pair = kit.ends.find((end) => end.id === kitEnd)?.type === 'inline-pair'
  state.connections = state.connections.filter((made) => {
    if (made.kitEnd !== kitEnd || (pair && !overlap(sideOf(made.to), side))) return true
    if (!sameTarget(made.to, to)) state.disputes.push({ kitEnd, entries: [made.entry, entry.id] })
    return false
  })
  const joins = ['flying-lead', 'ring'].includes(kit.ends.find((end) => end.id === kitEnd)?.type ?? '')
  state.connections.push({
    entry: entry.id,
    kitEnd,
    to,
    method,
    tugged: false,
    ...(entry.fuseA === undefined ? {} : { fuseA: entry.fuseA }),
    ...(joins && !('closed' in to) && state.power === 'on' ? { live: true } : {}),
    by: entry.by,
    at: entry.at,
  })
}

/** Takes an end off. A wire that was pierced, bared or cut stays so: it is on the list until it is sealed. */
function disconnect(
  state: JobState,
  entry: Extract<NewEntry, { kind: 'disconnected' }>,
  { kit, machine }: JobDossiers,
): string | null {
  const { kitEnd, side } = entry
  const off = state.connections.filter(
    (made) => made.kitEnd === kitEnd && (side === undefined || overlap(sideOf(made.to), side)),
  )
  if (off.length === 0) return 'Nothing was connected there.'
  const end = kit.ends.find((item) => item.id === kitEnd)
  const wounds = end?.type === 'flying-lead' && !end.intoSpare
  for (const { to, method } of off)
    if (wounds && 'cavity' in to)
      state.found.push({
        entry: entry.id,
        by: entry.by,
        at: entry.at,
        what: 'puncture',
        own: true,
        text: `${end.name} was joined to ${targetWords(machine, to)}${method ? ` by ${method}` : ''} and taken off again`,
        about: { connector: to.connector, cavity: to.cavity },
      })
  state.connections = state.connections.filter((made) => !off.includes(made))
  state.disputes = state.disputes.filter((dispute) => dispute.kitEnd !== kitEnd)
  return null
}

type RevisionSource = Pick<JobState['trim']['revisions'][number], 'source' | 'log' | 'name' | 'by' | 'at'> & {
  entry: string
}

function changeCells(state: JobState, cells: readonly CellChange[], source: RevisionSource): string | null {
  const { rpm, load } = state.trim
  const pct = currentTrim(state).map((row) => row.slice())
  for (const cell of cells) {
    const r = rpm.indexOf(cell.rpm)
    const l = load.indexOf(cell.load)
    if (r < 0 || l < 0) return `The table has no cell at ${cell.rpm} rpm, ${cell.load} %.`
    if (Math.abs(pct[r][l] - cell.old) > 1e-6)
      return `The cell at ${cell.rpm} rpm, ${cell.load} % was ${cell.old} when this was decided and is ${pct[r][l]} now.`
    pct[r][l] = cell.new
  }
  state.trim.revisions.push({ ...source, changed: cells.length, pct })
  return null
}
