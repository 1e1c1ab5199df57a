import { isDiesel, type Kit, type Machine } from '../dossiers/index.ts'
import { airDensity, powerOf, pressureAt, torqueOf } from '../proving/index.ts'
import { exhaustLimitC } from '../setup/index.ts'
import { failure, success, type Outcome } from '../shared/index.ts'
import { reliefReserveMPa } from './findings.ts'
import { noSuchLevel } from './noSuchLevel.ts'

export interface LevelMapAsked {
  /** 0 is stock. */
  level: number
  altitudeM: number
  ambientC: number
  rpm: readonly number[]
  /** Shares of full load at that speed, 0 to 1. */
  load: readonly number[]
}

export interface LevelCell {
  /** What is, not what the control unit believes. */
  railMPa: number
  /** Over the ambient pressure. */
  boostKPa: number
  /** More fuel a shot than on stock, %. */
  fuelPct: number
  torqueNm: number
  powerKw: number
  /** Before the turbine, with its standard error. */
  egtC: number
  egtSeC: number
  /** What is left to each limit; below 0 it is over. */
  limits: { what: string; unit: string; margin: number }[]
}

/** What an engine is, for the map: of its dossier, or as such engines usually are. */
interface EngineModel {
  diesel: boolean
  ratedKw: number
  ratedRpm: number
  litres: number
  railIdleMPa: number
  railFullMPa: number
  reliefMPa: number
  boostFullKPa: number
  boostCodeKPa: number
  mostRatio: number
  gearboxNm: number | null
}

/** Heat of diesel and of petrol, MJ/kg. */
const heat = { diesel: 42.8, petrol: 43.4 }
/** Best share of it that becomes work at the crank. */
const bestEfficiency = 0.41
/** Of what more is injected so much works as well as the rest: it burns later. */
const lateFuel = 0.85
const exhaustShare = 0.3
const cpExhaust = 1.13
/** The sensor reads to 240 MPa at 4.5 V. */
const railWindowMPa = 240
const cylinderMPa = 6
const egtSe = 45
/** Below this air to fuel, as a share of just enough, a diesel smokes; the stock control unit gives no more. */
const smokeLambda = 1.2

/**
 * What a level does over speed and load at a height: it plans and teaches; on a job readings and limits decide. Rail and boost as they are: the
 * control unit closes its loop on what it sees, so a shifted signal raises the pressure by what the level declares. Fuel a shot goes with the
 * root of the rail over the cylinder; a level is shut below its gate and comes in over the next fifth of load.
 * @returns cells by speed, then by load; refused without the engine's power in its dossier
 */
export function levelMap(machine: Machine, kit: Kit, asked: LevelMapAsked): Outcome<LevelCell[][]> {
  const level = asked.level === 0 ? null : kit.levels?.find((one) => one.level === asked.level)
  if (level === undefined) return failure(noSuchLevel(kit, asked.level))
  const model = modelOf(machine)
  if (!model)
    return failure({
      ...{ code: 'missing', path: 'machine' },
      message: `The power of the ${machine.model} is not in its dossier: nothing can be mapped.`,
    })
  const ambientKPa = pressureAt(asked.altitudeM)
  const cell = (rpm: number, load: number): LevelCell => {
    const open =
      level && rpm >= level.gate.rpm && load >= level.gate.load ? Math.min(1, (load - level.gate.load) / 0.2) : 0
    return working(model, {
      ...{ rpm, load, ambientKPa, ambientC: asked.ambientC },
      rail: open * (level?.railMPa ?? 0),
      boost: open * (level?.boostKPa ?? 0),
      fuel: open * (level?.fuelPct ?? 0),
    })
  }
  return success(asked.rpm.map((rpm) => asked.load.map((load) => cell(rpm, load))))
}

function modelOf({ engine }: Machine): EngineModel | null {
  const { output } = engine
  if (!output) return null
  const diesel = isDiesel(engine)
  const ratedRpm = output.atRpm ?? engine.limiterRpm * 0.9
  return {
    ...{ diesel, ratedKw: output.powerKw, ratedRpm },
    litres: output.litres ?? output.powerKw / (diesel ? 42 : 75),
    railIdleMPa: output.railMPa?.idle ?? 32,
    railFullMPa: output.railMPa?.full ?? 165,
    reliefMPa: output.railMPa?.relief ?? 215,
    boostFullKPa: output.boostKPa ?? (diesel ? 170 : 0),
    boostCodeKPa: output.boostCodeKPa ?? (output.boostKPa ?? 170) + 25,
    mostRatio: output.pressureRatio ?? (diesel ? 3.4 : 2.6),
    gearboxNm: output.gearboxNm ?? null,
  }
}

interface Working {
  rpm: number
  load: number
  ambientKPa: number
  ambientC: number
  /** What the level adds, MPa, kPa, %. */
  rail: number
  boost: number
  fuel: number
}

/** Torque over speed as such engines have it, a share of the highest. @param x of rated speed */
function torqueShape(x: number, diesel: boolean): number {
  const rise = Math.min(1, 0.45 + 1.1 * Math.max(0, x - 0.15))
  const from = diesel ? 0.65 : 0.7
  return x <= from ? rise : Math.max(0, rise - (diesel ? 0.5 : 0.35) * (x - from) ** 1.3)
}

function working(model: EngineModel, { rpm, load, ambientKPa, ambientC, rail, boost, fuel }: Working): LevelCell {
  const x = rpm / model.ratedRpm
  const most = torqueOf(model.ratedKw, model.ratedRpm) / torqueShape(1, model.diesel)
  const stockBoost = model.boostFullKPa * load * Math.min(1, Math.max(0, (x - 0.15) / 0.35))
  const wantedBoost = stockBoost + boost
  const reached = (wanted: number) => Math.min(model.mostRatio, 1 + wanted / ambientKPa)
  const boostKPa = (reached(wantedBoost) - 1) * ambientKPa
  const manifoldC = ambientC + 12 + 0.22 * boostKPa
  const density = airDensity({ pressureKPa: ambientKPa + boostKPa, tempC: manifoldC, humidityPct: 0 })
  /** kg/s of air: every other turn one filling. */
  const air = (0.9 * density * (model.litres / 1000) * rpm) / 120
  const mjPerKg = model.diesel ? heat.diesel : heat.petrol
  const efficiency = bestEfficiency * (0.55 + 0.45 * Math.min(1, load / 0.35))
  const wantedKw = powerOf(load * most * torqueShape(x, model.diesel), rpm)
  const enough = model.diesel ? 14.5 * smokeLambda : 14.7 * 0.85
  // The stock control unit gives no more than the air burns.
  const stockFuel = Math.min(wantedKw / (efficiency * mjPerKg * 1000), air / enough)
  const railMPa =
    model.railIdleMPa + (model.railFullMPa - model.railIdleMPa) * load ** 0.7 * Math.min(1, 0.55 + 0.45 * x) + rail
  const shot = Math.sqrt((railMPa - cylinderMPa) / (railMPa - rail - cylinderMPa)) - 1
  // A petrol engine gives fuel to the air that comes.
  const moreAir = reached(wantedBoost) / reached(stockBoost) - 1
  const fuelPct = model.diesel ? 100 * ((1 + shot) * (1 + fuel / 100) - 1) : fuel + 100 * moreAir
  const burnt = stockFuel * (1 + fuelPct / 100)
  const powerKw = stockFuel * efficiency * mjPerKg * 1000 * (1 + (lateFuel * fuelPct) / 100)
  const heatKw = burnt * mjPerKg * 1000 - powerKw
  const flow = air + burnt
  const egtC =
    flow > 0
      ? manifoldC + (exhaustShare * (burnt * mjPerKg * 1000) + 0.12 * Math.max(0, heatKw)) / (cpExhaust * flow)
      : ambientC
  const torqueNm = rpm > 0 ? torqueOf(powerKw, rpm) : 0
  const limit = (what: string, unit: string, margin: number) => ({ what, unit, margin: Math.round(margin * 100) / 100 })
  return {
    ...{ railMPa, boostKPa, fuelPct, torqueNm, powerKw, egtC, egtSeC: egtSe },
    limits: [
      ...(model.diesel
        ? [
            limit('relief', 'MPa', model.reliefMPa - reliefReserveMPa - railMPa),
            limit('rail sensor', 'MPa', railWindowMPa - railMPa),
            limit('smoke', 'lambda', air / Math.max(1e-9, burnt) / 14.5 - smokeLambda),
          ]
        : []),
      // Its code is judged by what the control unit sees: without what the level adds.
      limit('boost code', 'kPa', model.boostCodeKPa - (boostKPa - boost)),
      limit('exhaust', '°C', exhaustLimitC - egtC),
      limit('turbo speed', 'pressure ratio', model.mostRatio - (1 + wantedBoost / ambientKPa)),
      ...(model.gearboxNm === null ? [] : [limit('gearbox', 'N·m', model.gearboxNm - torqueNm)]),
    ],
  }
}
