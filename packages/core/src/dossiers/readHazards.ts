import { failure, success, type Outcome } from '../shared/index.ts'
import type { Hazard } from './routeModel.ts'

/**
 * Hazards as they are typed, separated by semicolons: `hot 380 40 exhaust` (°C, mm away), `moving 30 fork` (mm),
 * `pinch seat`, `sharp edge of the tray`, `wet`, `shakes`, `barred belts run here`.
 * @returns a sentence for what cannot be read; empty text is no hazard
 */
export function readHazards(text: string, path = 'hazards'): Outcome<Hazard[]> {
  const hazards: Hazard[] = []
  for (const part of text.split(';').map((item) => item.trim())) {
    if (part === '') continue
    const hazard = readOne(part)
    if (!hazard)
      return failure({
        code: 'unreadable',
        path,
        message: `"${part}" is not understood. Write hot 380 40 exhaust, moving 30 fork, pinch seat, sharp edge, wet, shakes or barred and why.`,
      })
    hazards.push(hazard)
  }
  return success(hazards)
}

function readOne(part: string): Hazard | null {
  const [kind, ...rest] = part.split(/\s+/)
  const what = rest.join(' ')
  switch (kind) {
    case 'hot': {
      const [surfaceC, clearMm] = rest.slice(0, 2).map(Number)
      const named = rest.slice(2).join(' ')
      return surfaceC >= 40 && surfaceC <= 1100 && clearMm >= 0 && named !== ''
        ? { kind, surfaceC, clearMm, what: named }
        : null
    }
    case 'moving': {
      const swingMm = Number(rest[0])
      const named = rest.slice(1).join(' ')
      return swingMm > 0 && named !== '' ? { kind, swingMm, what: named } : null
    }
    case 'pinch':
    case 'sharp':
    case 'barred':
      return what === '' ? null : { kind, what }
    case 'wet':
      return what === '' ? { kind } : null
    case 'shakes':
      return what === '' ? { kind: 'vibration' } : null
    default:
      return null
  }
}

/** Hazards as they are typed. */
export function hazardsText(hazards: readonly Hazard[]): string {
  return hazards
    .map((hazard) => {
      switch (hazard.kind) {
        case 'hot':
          return `hot ${hazard.surfaceC} ${hazard.clearMm} ${hazard.what}`
        case 'moving':
          return `moving ${hazard.swingMm} ${hazard.what}`
        case 'pinch':
        case 'sharp':
        case 'barred':
          return `${hazard.kind} ${hazard.what}`
        case 'wet':
          return 'wet'
        case 'vibration':
          return 'shakes'
      }
    })
    .join('; ')
}
