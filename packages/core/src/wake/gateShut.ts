import type { KitLevel } from '../dossiers/index.ts'

/** How the engine ran when a level was read. */
export interface RunState {
  coolantC: number
  rpm: number
  /** Share of full load, 0 to 1. */
  load: number
}

/** What of a module's gate was not open; empty where all was. */
export function gateShut({ gate }: KitLevel, run: RunState): string[] {
  return [
    ...(run.coolantC < gate.coolantC ? [`coolant ${run.coolantC} °C, it wants ${gate.coolantC}`] : []),
    ...(run.rpm < gate.rpm ? [`${run.rpm} 1/min, it wants ${gate.rpm}`] : []),
    ...(run.load < gate.load ? [`load ${Math.round(100 * run.load)} %, it wants ${Math.round(100 * gate.load)}`] : []),
  ]
}
