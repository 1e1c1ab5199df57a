import {
  asHeading,
  machineIndex,
  zoneAirC,
  zoneOfPlace,
  type Zone,
  type Hazard,
  type Machine,
  type Passage,
  type PointId,
} from '../dossiers/index.ts'

/** What sleeve a warm stretch wants, by the temperature the loom itself takes there, °C. Above the last nothing is laid. */
export const sleeveLimitsC = { plain: 95, glass: 180, reflecting: 250 } as const
export type SleeveKind = keyof typeof sleeveLimitsC

export const sleeveWords: Record<SleeveKind, string> = {
  plain: 'braided sleeve',
  glass: 'glass-silk sleeve',
  reflecting: 'heat-reflecting sleeve',
}

/**
 * How warm a loom gets beside a hot surface, °C: what is above the air of the place falls off with the square of the distance, to a
 * quarter at 25 mm. Rule of thumb of the yard, on the safe side of readings taken with a thermocouple in the loom.
 */
export function loomTemperatureC(surfaceC: number, clearMm: number, airC: number): number {
  return airC + Math.max(0, surfaceC - airC) * (25 / (25 + clearMm)) ** 2
}

/** As warm as the air gets along a passage, °C: that of the warmer of its ends. A point has the air of the zones it serves. */
export function passageAirC(machine: Machine, passage: Passage): number {
  const { zones } = machineIndex(machine)
  const zonesAt = (end: PointId): (Zone | undefined)[] => {
    const own = machine.zones.find(({ id }) => id === end)
    if (own) return [own]
    const spot = machine.spots?.find((item) => item.id === end)
    return (spot?.serves ?? []).flatMap((served) => {
      const place = 'place' in served ? machine.places?.find(({ id }) => id === served.place) : undefined
      if (place) return [zones.get(place.zone)]
      const zone = 'place' in served ? undefined : zoneOfPlace(machine, served)
      return zone ? [zone] : []
    })
  }
  const ends = [passage.from, passage.to].flatMap(zonesAt)
  return Math.max(...(ends.length > 0 ? ends : [undefined]).map(zoneAirC))
}

/** The warmest the loom gets in a passage, °C. */
export function passageTemperatureC(passage: Passage, airC: number): number {
  return Math.max(
    airC,
    ...passage.hazards.flatMap((hazard) =>
      hazard.kind === 'hot' ? [loomTemperatureC(hazard.surfaceC, hazard.clearMm, airC)] : [],
    ),
  )
}

/** The sleeve for a temperature; null where no sleeve holds. */
export function sleeveFor(temperatureC: number): SleeveKind | null {
  if (temperatureC <= sleeveLimitsC.plain) return 'plain'
  if (temperatureC <= sleeveLimitsC.glass) return 'glass'
  return temperatureC <= sleeveLimitsC.reflecting ? 'reflecting' : null
}

/**
 * What a passage does to a loom, in points: 1 is a metre of wet or shaking frame rail, 3 a sharp edge, 6 a place where a seat or
 * lid presses down. Heat counts by the metre for every 25 K above 80 °C.
 */
export function passageScore(passage: Passage, lengthM: number, airC: number): number {
  return passage.hazards.reduce((sum, hazard) => sum + scoreOf(hazard, lengthM, airC), 0)
}

/**
 * What a bundle meets in a passage, in the same points: what it lies along counts by the share of the passage it lies in, what stands
 * at one point (an edge, a pinch, something that moves) counts once and whole, since nobody wrote down where in the passage it stands.
 */
export function bundleScore(passage: Passage, lengthM: number, airC: number, share: number): number {
  return passage.hazards.reduce((sum, hazard) => {
    const along = hazard.kind === 'hot' || hazard.kind === 'wet' || hazard.kind === 'vibration'
    return sum + scoreOf(hazard, lengthM, airC) * (along ? share : 1)
  }, 0)
}

function scoreOf(hazard: Hazard, lengthM: number, airC: number): number {
  switch (hazard.kind) {
    case 'hot':
      return (lengthM * Math.max(0, loomTemperatureC(hazard.surfaceC, hazard.clearMm, airC) - 80)) / 25
    case 'moving':
      return 4 + hazard.swingMm / 100
    case 'pinch':
      return 6
    case 'sharp':
      return 3
    case 'wet':
    case 'vibration':
      return lengthM
    case 'barred':
      return 0
  }
}

/** Why nothing is laid in a passage; null when something may be. */
export function barredWhy(passage: Passage, airC: number): string | null {
  const barred = passage.hazards.find((hazard) => hazard.kind === 'barred')
  if (barred) return barred.what
  const warm = passageTemperatureC(passage, airC)
  return sleeveFor(warm) === null ? `a loom would take ${Math.round(warm)} °C there, more than any sleeve bears` : null
}

/** A hazard in the words of the trade. */
export function hazardWords(hazard: Hazard): string {
  switch (hazard.kind) {
    case 'hot':
      return `${hazard.what} at ${hazard.surfaceC} °C, ${hazard.clearMm} mm away`
    case 'moving':
      return `${hazard.what} moves ${hazard.swingMm} mm`
    case 'pinch':
      return `${hazard.what} presses down here`
    case 'sharp':
      return `sharp edge: ${hazard.what}`
    case 'wet':
      return 'wet'
    case 'vibration':
      return 'shakes'
    case 'barred':
      return hazard.what
  }
}

/** What to do about it while laying. */
export function hazardRemedy(hazard: Hazard, airC: number): string {
  switch (hazard.kind) {
    case 'hot': {
      const sleeve = sleeveFor(loomTemperatureC(hazard.surfaceC, hazard.clearMm, airC))
      return sleeve === null
        ? 'Lay it another way.'
        : sleeve === 'plain'
          ? 'Keep the distance with a tie on both sides.'
          : `${asHeading(sleeveWords[sleeve])}, and a tie on both sides that keeps the distance.`
    }
    case 'moving':
      return 'Leave the slack, tie on both sides of what moves, never to it, and move it through its whole swing.'
    case 'pinch':
      return 'Lay it in the hollow, not over the rib; put the cover on by hand once before the last tie.'
    case 'sharp':
      return 'Edge trim or split sleeve over the edge.'
    case 'wet':
      return 'Joints elsewhere; a drip loop below each plug.'
    case 'vibration':
      return 'Ties every 80 mm, crimps instead of solder.'
    case 'barred':
      return 'Lay it another way.'
  }
}
