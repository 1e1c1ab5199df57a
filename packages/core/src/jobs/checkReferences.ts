import type { Problem } from '../shared/index.ts'
import { placesFor } from '../routing/index.ts'
import { joinSchools, ruleCatalogue } from '../wiring/index.ts'
import { accessChoiceProblem } from './accessChoices.ts'
import { asProposed, placeChoice, readPlace } from './choices.ts'
import { routeChoiceProblem } from './routeChoices.ts'
import type { JobDossiers, NewEntry } from './model.ts'

/**
 * What an entry names that the job's dossiers do not have.
 * @param path of the entry within the request
 */
export function checkReferences({ machine, kit }: JobDossiers, entry: NewEntry, path: string): Problem[] {
  const problems: Problem[] = []
  const known = (list: readonly { id: string }[], id: string, field: string, what: string) => {
    if (!list.some((item) => item.id === id))
      problems.push({ code: 'unknown-reference', path: `${path}.${field}`, message: `"${id}" is no ${what}.` })
  }
  const end = `end of the ${kit.model} loom`
  switch (entry.kind) {
    case 'step-done':
      known([...machine.steps, ...kit.steps], entry.step, 'step', 'step of this job')
      break
    case 'part-checked':
      known(kit.parts, entry.part, 'part', `part of the ${kit.model} kit`)
      if (entry.state === 'from stock' && kit.parts.some((part) => part.id === entry.part && !part.instead))
        problems.push({
          code: 'no-substitute',
          path: `${path}.state`,
          message: `Nothing from the shelf takes the place of "${entry.part}": the job waits for the kit's own.`,
        })
      break
    case 'cover-off':
    case 'cover-on':
    case 'left-off':
      known(machine.covers ?? [], entry.cover, 'cover', `cover of the ${machine.model}`)
      break
    case 'routed':
      if (entry.part !== 'trunk') known(kit.ends, entry.part, 'part', end)
      entry.passages.forEach((id, i) =>
        known(machine.passages ?? [], id, `passages.${i}`, `passage of the ${machine.model}`),
      )
      break
    case 'tied':
      known(machine.passages ?? [], entry.passage, 'passage', `passage of the ${machine.model}`)
      break
    case 'mounted':
      known(placesFor(machine, 'module'), entry.place, 'place', `place for a module on the ${machine.model}`)
      break
    case 'connected': {
      known(kit.ends, entry.kitEnd, 'kitEnd', end)
      const { to } = entry
      if ('kitEnd' in to) known([...kit.ends, ...(kit.sockets ?? [])], to.kitEnd, 'to.kitEnd', end)
      if ('stud' in to) known(machine.studs, to.stud, 'to.stud', `stud of the ${machine.model}`)
      if ('connector' in to) known(machine.connectors, to.connector, 'to.connector', `plug of the ${machine.model}`)
      break
    }
    case 'disconnected':
    case 'difference-accepted':
    case 'tugged':
      known(kit.ends, entry.kitEnd, 'kitEnd', end)
      break
    case 'photo': {
      const { kitEnd, cover, passage, step } = entry.about ?? {}
      if (kitEnd !== undefined) known(kit.ends, kitEnd, 'about.kitEnd', end)
      if (cover !== undefined) known(machine.covers ?? [], cover, 'about.cover', `cover of the ${machine.model}`)
      if (passage !== undefined)
        known(machine.passages ?? [], passage, 'about.passage', `passage of the ${machine.model}`)
      if (step !== undefined) known([...machine.steps, ...kit.steps], step, 'about.step', 'step of this job')
      break
    }
    case 'choice':
      problems.push(...choiceProblems({ machine, kit }, entry, path))
      break
    case 'setting':
      problems.push(...settingProblems(kit, entry, path))
      break
    case 'stop-lifted': {
      const rule = Object.entries(ruleCatalogue).find(([name]) => name === entry.finding.split('|')[0])
      if (!rule || rule[1].severity !== 'stop')
        problems.push({ code: 'unknown-reference', path: `${path}.finding`, message: `"${entry.finding}" is no stop.` })
      else if (!rule[1].liftable)
        problems.push({
          code: 'never-lifted',
          path: `${path}.finding`,
          message: `A stop of the kind "${rule[0]}" cannot be lifted. Mend it.`,
        })
      else if (entry.by === undefined)
        problems.push({
          code: 'name-missing',
          path: `${path}.by`,
          message: 'Lifting a stop needs the name of who does it.',
        })
      break
    }
    default:
  }
  return problems
}

function choiceProblems(
  { machine, kit }: JobDossiers,
  entry: Extract<NewEntry, { kind: 'choice' }>,
  path: string,
): Problem[] {
  const say = (field: string, message: string): Problem[] => [
    { code: 'unknown-reference', path: `${path}.${field}`, message },
  ]
  const known = accessChoiceProblem({ machine, kit }, entry) ?? routeChoiceProblem({ machine, kit }, entry)
  if (known !== null) return known === '' ? [] : say('value', known)
  if (entry.choice === 'joining')
    return joinSchools.some((school) => school === entry.value)
      ? []
      : say('value', `Joining may be: ${joinSchools.join(', ')}.`)
  const end = kit.ends.find((item) => placeChoice(item.id) === entry.choice)
  if (!end) return say('choice', `"${entry.choice}" is no question of this job.`)
  if (entry.value === asProposed) return []
  const place = readPlace(entry.value)
  if (place === undefined) return say('value', `"${entry.value}" is no place.`)
  if (place === null) return []
  if ('stud' in place && !machine.studs.some((stud) => stud.id === place.stud))
    return say('value', `"${place.stud}" is no stud of the ${machine.model}.`)
  if ('connector' in place && !machine.connectors.some((connector) => connector.id === place.connector))
    return say('value', `"${place.connector}" is no plug of the ${machine.model}.`)
  return []
}

function settingProblems(
  kit: JobDossiers['kit'],
  entry: Extract<NewEntry, { kind: 'setting' }>,
  path: string,
): Problem[] {
  const setting = kit.settings.find((item) => item.id === entry.setting)
  if (!setting)
    return [
      {
        code: 'unknown-reference',
        path: `${path}.setting`,
        message: `"${entry.setting}" is no setting of the ${kit.model}.`,
      },
    ]
  const say = (message: string): Problem[] => [{ code: 'out-of-range', path: `${path}.value`, message }]
  if (setting.choices)
    return setting.choices.includes(entry.value) ? [] : say(`${setting.name} may be: ${setting.choices.join(', ')}.`)
  const value = Number(entry.value)
  if (!Number.isFinite(value)) return say(`${setting.name} must be a number in ${setting.unit}.`)
  if (setting.low !== undefined && value < setting.low)
    return say(`${setting.name} is at least ${setting.low} ${setting.unit}.`)
  if (setting.high !== undefined && value > setting.high)
    return say(`${setting.name} is at most ${setting.high} ${setting.unit}.`)
  return []
}
