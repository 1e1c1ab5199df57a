import { quadEngine, simulateRide, type Ride, type SimEngine } from '../engine-sim/index.ts'
import { alignRows } from './alignRows.ts'
import { addRoughness, normalEquations, toBand } from './normalEquations.ts'
import { factorBand, solveBand } from './bandedSolve.ts'
import { filterRows } from './filterRows.ts'
import { smearPoints } from './sensorTiming.ts'
import { tableAt, targetAt } from './bilinear.ts'
import { defaultLimits, defaultOptions, type Matrix, type RideLog, type TrimAxes, type TrimProblem } from './model.ts'

export const rideAxes: TrimAxes = {
  rpm: [1500, 2000, 2500, 3000, 3500, 4000, 4500, 5000, 5500, 6000, 6500, 7000],
  load: [0, 5, 10, 15, 20, 30, 40, 60, 80, 100],
}

export interface RideCase {
  engine: SimEngine
  log: RideLog
  problem: TrimProblem
}

/** A simulated ride with its problem, for proving the fit against known truth. */
export function rideCase(
  seed: number,
  engine: Partial<SimEngine> = {},
  ride: Partial<Ride> = {},
  inForce?: (rpm: number, load: number) => number,
): RideCase {
  const machine = { ...quadEngine, ...engine }
  const trimPct = rideAxes.rpm.map((rpm) => rideAxes.load.map((load) => (inForce ? inForce(rpm, load) : 0)))
  const result = simulateRide(machine, { seed, minutes: 20, rateHz: 20, trim: { axes: rideAxes, trimPct }, ...ride })
  return {
    engine: machine,
    log: { ...result, rows: result.timeS.length, unreadableRows: 0 },
    problem: {
      axes: rideAxes,
      trimPct,
      currentPct: trimPct,
      target: machine.target,
      limits: defaultLimits,
      options: defaultOptions,
    },
  }
}

/** The bilinear table that best fits the true required trim over the rows used. */
export function truthTable({ engine, log, problem }: RideCase): Matrix {
  const timing = { transportS: engine.transportS, lagS: engine.sensorLagS }
  const rows = alignRows(log, filterRows(log, problem.limits), problem, timing, smearPoints(log, timing.lagS))
  const { axes } = problem
  const loads = axes.load.length
  const wantedPct = rows.wantedPct.map((_, k) => {
    const r = Math.floor(rows.node[k] / loads)
    const l = rows.node[k] % loads
    const rpm = axes.rpm[r] + (axes.rpm[r + 1] - axes.rpm[r]) * rows.rpmShare[k]
    const load = axes.load[l] + (axes.load[l + 1] - axes.load[l]) * rows.loadShare[k]
    return engine.requiredTrimPct(rpm, load)
  })
  const equations = normalEquations(axes, { ...rows, wantedPct })
  const matrix = toBand(equations, 1)
  addRoughness(matrix, axes, 1e-6, 1e-6, 1e-6)
  const table = solveBand(factorBand(matrix), equations.right)
  return axes.rpm.map((_, r) => axes.load.map((__, l) => table[r * loads + l]))
}

/** The plain method: mean of y over the filtered rows in the nearest cell, no delay correction. */
export function nearestCellMeans({ engine, log, problem }: RideCase): { meanPct: number; rows: number }[][] {
  const { axes, trimPct, target } = problem
  const timing = { transportS: engine.transportS, lagS: engine.sensorLagS }
  const used = alignRows(log, filterRows(log, problem.limits), problem, timing, smearPoints(log, timing.lagS))
  const cells = axes.rpm.map(() => axes.load.map(() => ({ meanPct: 0, rows: 0 })))
  for (const k of used.source) {
    const cell = cells[nearest(axes.rpm, log.rpm[k])][nearest(axes.load, log.throttlePct[k])]
    const inForce = tableAt(axes.rpm, axes.load, trimPct, log.rpm[k], log.throttlePct[k])
    const y = 100 * ((log.afr[k] / targetAt(target, log.rpm[k], log.throttlePct[k])) * (1 + inForce / 100) - 1)
    cell.rows++
    cell.meanPct += (y - cell.meanPct) / cell.rows
  }
  return cells
}

function nearest(axis: readonly number[], value: number): number {
  return axis.reduce((best, point, i) => (Math.abs(point - value) < Math.abs(axis[best] - value) ? i : best), 0)
}

export interface ProofFigures {
  rmsPct: number
  plainRmsPct: number
  earned: number
  covered: number
  busyCells: number
  busyEarned: number
}

/** Error of a suggestion on its earned cells, beside that of the plain method on the same cells. */
export function proofFigures(
  ride: RideCase,
  cells: { estimatePct: number | null; stdErrPct: number | null; earned: boolean }[][],
): ProofFigures {
  const truth = truthTable(ride)
  const plain = nearestCellMeans(ride)
  const sums = { squares: 0, plainSquares: 0, plainCells: 0, earned: 0, covered: 0, busyCells: 0, busyEarned: 0 }
  cells.forEach((row, r) =>
    row.forEach((cell, l) => {
      const busy = plain[r][l].rows >= 60
      if (busy) sums.busyCells++
      if (!cell.earned || cell.estimatePct === null || cell.stdErrPct === null) return
      if (busy) sums.busyEarned++
      const error = cell.estimatePct - truth[r][l]
      sums.earned++
      sums.squares += error * error
      if (Math.abs(error) <= 1.96 * cell.stdErrPct) sums.covered++
      if (plain[r][l].rows > 0) {
        sums.plainCells++
        sums.plainSquares += (plain[r][l].meanPct - truth[r][l]) ** 2
      }
    }),
  )
  return {
    rmsPct: Math.sqrt(sums.squares / sums.earned),
    plainRmsPct: Math.sqrt(sums.plainSquares / sums.plainCells),
    earned: sums.earned,
    covered: sums.covered,
    busyCells: sums.busyCells,
    busyEarned: sums.busyEarned,
  }
}
