import { accessEntries, freshAccess } from '../access/index.ts'
import { aftertreatmentEntries, freshAftertreatment } from '../aftertreatment/index.ts'
import { checkKitEntries, freshCheckKit } from '../check-kit/index.ts'
import { freshSupply, fuseFindings, supplyEntries, supplyRules } from '../electrical/index.ts'
import { findEntries, freshFinds } from '../finds/index.ts'
import { freshTrim, trimEntries } from '../fuel-trim/index.ts'
import { freshLevels, levelEntries, levelFindings, levelRules } from '../levels/index.ts'
import { freshPhotos, photoEntries } from '../photos/index.ts'
import { freshProving, provingEntries, provingFindings, provingRules } from '../proving/index.ts'
import { freshRoute, routeEntries, routeRules } from '../routing/index.ts'
import { freshSensors, pipeBars, pipeWork, sensorEntries, sensorRules } from '../sensors/index.ts'
import { freshSetup, setupBars, setupEntries, setupFindings, setupRules, setupWork } from '../setup/index.ts'
import { freshWake, wakeEntries, wakeFindings, wakeRules, wakeWork } from '../wake/index.ts'
import { earlierWork, freshWiring, wiringEntries, wiringFindings, wiringRules } from '../wiring/index.ts'
import { freshVehicle, purposeOf, stockFindings, stockRules, vehicleEntries } from '../vehicles/index.ts'
import { bossFindings } from './bossFindings.ts'
import { leakWork } from './intakeLeaks.ts'
import type { Capability } from './capability.ts'
import { workEntries } from './entries.ts'
import { cardReadingFindings, stepReadingFindings } from './readingFindings.ts'
import { routeFindings } from './routeFindings.ts'
import { workRules } from './rules.ts'
import { freshWork } from './state.ts'
import { supplyFindings } from './supplyFindings.ts'

/** What a job is put together from. A new capability is one line here. */
export const capabilities = [
  {
    name: 'jobs',
    entries: workEntries,
    fresh: freshWork,
    rules: workRules,
    findings: (dossiers, state, { plan }) => [
      ...stepReadingFindings(dossiers, state),
      ...cardReadingFindings(dossiers, state, plan),
    ],
  },
  {
    name: 'wiring',
    entries: wiringEntries,
    fresh: freshWiring,
    rules: wiringRules,
    findings: wiringFindings,
    work: earlierWork,
  },
  { name: 'access', entries: accessEntries, fresh: freshAccess },
  { name: 'routing', entries: routeEntries, fresh: freshRoute, rules: routeRules, findings: routeFindings },
  {
    name: 'electrical',
    entries: supplyEntries,
    fresh: freshSupply,
    rules: supplyRules,
    findings: (dossiers, state) => [...fuseFindings(dossiers, state), ...supplyFindings(dossiers, state)],
  },
  {
    name: 'sensors',
    entries: sensorEntries,
    fresh: freshSensors,
    rules: sensorRules,
    findings: bossFindings,
    work: (dossiers, state, station) => (purposeOf(state) === 'fit' ? pipeWork(dossiers, state, station) : []),
    bars: (_dossiers, state, station) => pipeBars(state, station),
  },
  {
    name: 'setup',
    entries: setupEntries,
    fresh: freshSetup,
    rules: setupRules,
    findings: setupFindings,
    work: (dossiers, state, station) => (purposeOf(state) === 'fit' ? setupWork(dossiers, state, station) : []),
    bars: (dossiers, state, station) => (purposeOf(state) === 'stock' ? [] : setupBars(dossiers, state, station)),
  },
  {
    name: 'wake',
    entries: wakeEntries,
    fresh: freshWake,
    rules: wakeRules,
    findings: (dossiers, state) =>
      wakeFindings(dossiers, state).filter(({ rule }) => rule !== 'not-proved' || purposeOf(state) === 'fit'),
    work: (dossiers, state, station) =>
      purposeOf(state) === 'fit' ? [...wakeWork(dossiers, state, station), ...leakWork(dossiers, state, station)] : [],
  },
  {
    name: 'levels',
    entries: levelEntries,
    fresh: freshLevels,
    rules: levelRules,
    findings: levelFindings,
  },
  {
    name: 'proving',
    entries: provingEntries,
    fresh: freshProving,
    rules: provingRules,
    findings: (dossiers, state) =>
      provingFindings(dossiers, state, { begun: 'wake' in state.stationsDone, fitting: purposeOf(state) === 'fit' }),
  },
  { name: 'aftertreatment', entries: aftertreatmentEntries, fresh: freshAftertreatment },
  { name: 'check-kit', entries: checkKitEntries, fresh: freshCheckKit },
  { name: 'finds', entries: findEntries, fresh: freshFinds },
  {
    name: 'vehicles',
    entries: vehicleEntries,
    fresh: freshVehicle,
    rules: stockRules,
    findings: stockFindings,
  },
  { name: 'photos', entries: photoEntries, fresh: freshPhotos },
  { name: 'fuel-trim', entries: trimEntries, fresh: freshTrim },
] as const satisfies readonly Capability[]
