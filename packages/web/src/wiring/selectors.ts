import type { KitEnd, WireColour, KitEndId, ConnectorId } from '@tidy-badger/core/dossiers'
import { endProgress, type JobFinding } from '@tidy-badger/core/jobs'
import { targetWords, type Match } from '@tidy-badger/core/wiring'
import type { JobView } from '../jobs/index.ts'

/** One end of the loom as the hook-up shows it. */
export interface EndView {
  end: KitEnd
  match: Match | undefined
  status: 'done' | 'open' | 'stop'
  ticked: number
  ticks: number
  place: string
  /** Shell and pins of the plug it goes to, for the eye; '' where there is none. */
  looks: string
  findings: JobFinding[]
  colours: WireColour[]
}

export function endViews(view: JobView): EndView[] {
  const { machine, kit } = view.dossiers
  return endProgress(view.dossiers, view.state, view.findings).map(({ end, match, ticks, findings, status }) => ({
    end,
    match,
    status,
    ticked: ticks.filter((tick) => tick.done).length,
    ticks: ticks.length,
    place: match?.target ? targetWords(machine, match.target, kit) : 'not used here: cap it',
    looks: looksOf(view, match),
    findings,
    colours: coloursOf(end),
  }))
}

/** The end of the kit that belongs to a cavity, if one does. */
export function endAt(view: JobView, connector: ConnectorId, cavity: number): KitEndId | undefined {
  const { kit } = view.dossiers
  return view.plan.find(({ kitEnd, target }) => {
    if (!target || !('connector' in target) || target.connector !== connector) return false
    if ('cavity' in target) return target.cavity === cavity
    const end = kit.ends.find((item) => item.id === kitEnd)
    return end?.type === 'inline-pair' && end.lines.some((line) => line.cavity === cavity)
  })?.kitEnd
}

function looksOf(view: JobView, match: Match | undefined): string {
  const target = match?.target
  if (!target || !('connector' in target) || 'cavity' in target) return ''
  const connector = view.dossiers.machine.connectors.find((plug) => plug.id === target.connector)
  return connector ? `${connector.shell.colour} ${connector.cavities.length}-way` : ''
}

function coloursOf(end: KitEnd): WireColour[] {
  switch (end.type) {
    case 'inline-pair':
      return end.lines.map((line) => line.colour)
    case 'port':
    case 'vent':
      return [{ base: 'grey' }]
    case 'plug':
      return [end.colour ?? { base: 'grey' }]
    default:
      return [end.colour]
  }
}
