import { coverName } from '@tidy-badger/core/access'
import type { Station } from '@tidy-badger/core/dossiers'
import type { JobDossiers, NewEntry } from '@tidy-badger/core/jobs'
import { targetWords } from '@tidy-badger/core/wiring'

export const stationNames: Record<Station, string> = {
  'take-in': 'Take in',
  'check-kit': 'Check kit',
  'make-safe': 'Make safe',
  'open-up': 'Open up',
  'lay-loom': 'Lay loom',
  'hook-up': 'Hook up',
  'set-up': 'Set up',
  wake: 'Wake',
  'tie-down': 'Tie down',
  'close-up': 'Close up',
  trim: 'Trim',
  prove: 'Prove',
  'hand-back': 'Hand back',
}

/** One line of the journal in words. */
export function entryWords(entry: NewEntry, { machine, kit }: JobDossiers): string {
  const end = (id: string) => kit.ends.find((item) => item.id === id)?.name ?? id
  const passage = (id: string) => machine.passages?.find((item) => item.id === id)?.name ?? id
  switch (entry.kind) {
    case 'note':
      return entry.text
    case 'step-done':
      return [
        [...machine.steps, ...kit.steps].find((step) => step.id === entry.step)?.text ?? entry.step,
        entry.wrote,
        entry.without && `done without: ${entry.without}`,
      ]
        .filter(Boolean)
        .join(' · ')
    case 'part-checked':
      return `${kit.parts.find((part) => part.id === entry.part)?.name ?? entry.part}: ${entry.state}${entry.instead ? `, ${entry.instead}` : ''}`
    case 'reading':
      return `${entry.quantity}: ${entry.value} ${entry.unit}`
    case 'connected': {
      const side =
        'side' in entry.to && entry.to.side ? (entry.to.side === 'factory' ? ', factory half' : ', device half') : ''
      return `${end(entry.kitEnd)} → ${targetWords(machine, entry.to, kit)}${side}${entry.method ? `, ${entry.method}` : ''}`
    }
    case 'disconnected':
      return `${end(entry.kitEnd)} taken off${entry.side ? ` (${entry.side} half)` : ''}`
    case 'tugged':
      return `${end(entry.kitEnd)} tugged`
    case 'station-done':
      return `${stationNames[entry.station]} done`
    case 'stop-lifted':
      return `Stop lifted: ${entry.reason}`
    case 'irreversible':
      return `${entry.text} (${entry.act}), agreed by ${entry.consentBy}`
    case 'found':
      return `Found from earlier work, ${entry.what}: ${entry.text}`
    case 'dealt-with':
      return `Earlier work dealt with: ${entry.how}`
    case 'difference-accepted':
      return `${end(entry.kitEnd)} stays where it is: ${entry.reason}`
    case 'choice':
      return `Chosen, ${entry.choice.replace('place.', 'place of ')}: ${entry.value}`
    case 'setting':
      return `${kit.settings.find((item) => item.id === entry.setting)?.name ?? entry.setting} set to ${entry.value}`
    case 'log-imported':
      return `Ride log ${entry.name}, ${entry.rows.toLocaleString('en')} rows`
    case 'trim-accepted':
      return `${entry.cells.length} trim cells accepted`
    case 'trim-loaded':
      return `Trim table read from ${entry.name}: ${entry.cells.length} cells changed`
    case 'cover-off':
      return `${coverName({ machine, kit }, entry.cover)} off`
    case 'cover-on':
      return `${coverName({ machine, kit }, entry.cover)} on`
    case 'left-off':
      return `${coverName({ machine, kit }, entry.cover)} stays off: ${entry.reason}`
    case 'tool-checked':
      return `Tool ${entry.tool}: ${entry.state}`
    case 'photo':
      return `Photo, ${entry.shows}${entry.caption ? `: ${entry.caption}` : ''}`
    case 'photo-packed':
      return entry.handBack ? 'Photo put into the hand-back' : 'Photo taken out of the hand-back'
    case 'timer-started':
      return `Timer, ${entry.minutes} min: ${entry.what}`
    case 'timer-stopped':
      return 'Timer stopped'
    case 'told':
      return `Told to ${entry.to}: ${entry.text}`
    case 'routed':
      return `${entry.part === 'trunk' ? 'Trunk' : end(entry.part)} laid: ${entry.passages.map(passage).join(', ') || 'straight to its place'}`
    case 'mounted':
      return `Module ${entry.trial ? 'held to' : 'fixed at'} ${machine.places?.find((item) => item.id === entry.place)?.name ?? entry.place}`
    case 'tied':
      return `Tied ${passage(entry.passage)}`
    case 'dossier-changed':
      return `Goes on with version ${entry.to.version} of the ${entry.dossier === 'machine' ? machine.model : kit.model}`
    case 'undo':
      return 'Undone'
  }
}
