import type { Kit } from '../dossiers/index.ts'

/** Something a kit's dossier does not say, and what that costs whoever works by it. */
export interface MissingFromKit {
  what:
    | 'ends'
    | 'ground'
    | 'feed'
    | 'size'
    | 'heat'
    | 'parts'
    | 'settings'
    | 'lamps'
    | 'steps'
    | 'return'
    | 'fits'
    | 'taps'
  costs: string
}

const costs: Record<MissingFromKit['what'], string> = {
  ends: 'Without ends there is nothing to hook up: no match, no route, no steps.',
  ground: 'No end goes to ground: the module’s current has no way back, or it is not written down.',
  feed: 'No end brings the module its supply: nothing says what wakes it, and no drain is worked out.',
  taps: 'Without joints nobody says which hold where it is hot, wet or shaken.',
  fits: 'Without a machine it was made for, every one is a stop until somebody looks.',
  size: 'Without its size no place is judged for room.',
  heat: 'Without the warmest place it bears, heat is not judged.',
  parts: 'Without a parts list nothing is counted at Check kit, and what is missing shows at the machine.',
  settings: 'Without settings nobody is asked what it was left on.',
  lamps: 'Without what its lamps say, a rhythm tells nothing.',
  steps: 'Without steps nothing of this kit is asked or warned of, and its day has no length.',
  return: 'Without the way back the owner’s paper cannot say how to undo it.',
}

/** What a kit's dossier leaves out, in the order it is missed on the job; empty for one that says everything. */
export function missingFromKit(kit: Kit): MissingFromKit[] {
  const { ends, module, parts, settings, lamps = [], steps, returnToStock, fits, taps, figures } = kit
  const wants = ends.flatMap((end) =>
    end.type === 'inline-pair'
      ? end.lines.filter(({ does }) => does !== 'pass').map((line) => line.wants)
      : end.type === 'flying-lead' || end.type === 'ring'
        ? [end.wants]
        : [],
  )
  // One that sits in a plug of its own is fed there.
  const plugged = ends.some((end) => end.type === 'plug' || (end.type === 'inline-pair' && !end.deviceHalf))
  const without: Record<MissingFromKit['what'], boolean> = {
    ends: ends.length === 0 && !figures && steps.length === 0,
    ground: ends.length > 0 && !plugged && !wants.some(({ role }) => role === 'ground'),
    feed: ends.length > 0 && !plugged && !wants.some(({ role, signal }) => role === 'supply' || /^supply/.test(signal)),
    taps: ends.some((end) => end.type === 'flying-lead') && taps.length === 0,
    // A reader goes on every machine.
    fits: fits.length === 0 && ends.length > 0,
    size: module.sizeMm === undefined,
    heat: module.maxC === undefined,
    parts: parts.length === 0,
    settings: settings.length === 0 && ends.length > 0,
    lamps: lamps.length === 0,
    steps: steps.length === 0 && ends.length > 0,
    return: returnToStock.length === 0,
  }
  return whats.filter((what) => without[what]).map((what) => ({ what, costs: costs[what] }))
}

const whats = [
  'ends',
  'ground',
  'feed',
  'taps',
  'fits',
  'size',
  'heat',
  'parts',
  'settings',
  'lamps',
  'steps',
  'return',
] as const satisfies readonly MissingFromKit['what'][]
