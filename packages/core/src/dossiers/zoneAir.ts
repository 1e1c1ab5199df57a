import type { Zone } from './model.ts'

/** As warm as the air gets under load where nothing else is written down, °C: beside an engine, and anywhere else. */
const usualAirC = { hot: 90, other: 45 }

/** As warm as the air gets in a zone under load, °C: the dossier's own figure, else the usual one for such a place. */
export function zoneAirC(zone: Zone | undefined): number {
  return zone?.airC ?? (zone?.conditions.includes('hot') ? usualAirC.hot : usualAirC.other)
}
