/** One cell of an airflow piggyback: what it changes, and how the control unit runs there. */
export interface AirflowAsked {
  /** What the signal is changed by, %. */
  changePct: number
  /** Throttle, 0 to 1: between the light and the full curve, and whether mixture is held by the sensor there. */
  throttle: number
  /** Up to this throttle the mixture is held by the oxygen sensor, 0 to 1; 0.7 unless said. */
  closedUpTo?: number
  /** How far the closed loop takes a change back, %; 25 unless said. */
  reachPct?: number
  /** Degrees of ignition the control unit takes back for each per cent of load; 0.12 unless said. */
  ignitionPerPct?: number
}

export interface AirflowNet {
  /** What the control unit believes its load is, %. */
  loadPct: number
  /** Fuel that comes of it, before and after the closed loop, %. */
  fuelPct: number
  netFuelPct: number
  takenBackPct: number
  /** Later is negative, degrees of the crank. */
  ignitionDeg: number
  closedLoop: boolean
}

/**
 * The net of a changed airflow signal: fuel follows the load the control unit believes in, and so does ignition, which is later at more load;
 * where the oxygen sensor holds the mixture it takes the fuel back as far as it reaches, and the ignition stays moved.
 * Source: general practice; speed and load tables of control units.
 */
export function airflowNet({
  changePct,
  throttle,
  closedUpTo = 0.7,
  reachPct = 25,
  ignitionPerPct = 0.12,
}: AirflowAsked): AirflowNet {
  const closedLoop = throttle <= closedUpTo
  const takenBackPct = closedLoop ? Math.sign(changePct) * Math.min(Math.abs(changePct), reachPct) : 0
  return {
    ...{ loadPct: changePct, fuelPct: changePct, netFuelPct: changePct - takenBackPct, takenBackPct },
    ignitionDeg: changePct === 0 ? 0 : -changePct * ignitionPerPct,
    closedLoop,
  }
}

/** Between the curve for light and the one for full throttle, %. @param curves by throttle: 0.2 and less is light, 1 is full */
export function airflowChange(curves: { lightPct: number; fullPct: number }, throttle: number): number {
  const part = Math.min(1, Math.max(0, (throttle - 0.2) / 0.8))
  return curves.lightPct + part * (curves.fullPct - curves.lightPct)
}
