export { busEnds } from './busEnds.ts'
export { checkWiring, type CheckContext } from './checkWiring.ts'
export { connectionProblems } from './connectionProblems.ts'
export { endLookalikes, type EndLookalike } from './endLookalikes.ts'
export { adviseJoint, joinPractices, methodsFor, type JoinAdvice, type JoinPractice } from './joinMethods.ts'
export { currentOf, isHighVoltage, judgeFeed, relayCoilA, type PlaceVerdict } from './judgePlace.ts'
export { pinCount } from './pins.ts'
export { connectorLookalikes, wireLookalikes, type ConnectorLookalike, type WireLookalike } from './lookalikes.ts'
export {
  findingKey,
  pairSides,
  type Connection,
  type Erratum,
  type ConnectionTarget,
  type Finding,
  type FindingPlace,
  type PairSide,
  type PlannedPlace,
} from './model.ts'
export { sameTarget, targetWords } from './places.ts'
export { plannedConnections } from './plannedConnections.ts'
export { proposeMatches, type Match, type MatchLock } from './proposeMatches.ts'
export { connectionSchema, connectionTargetSchema, traceNodeSchema } from './schema.ts'
export { findWires, type WireFound } from './findWires.ts'
export { identifyWire, type WireIdentity } from './identifyWire.ts'
export { judgeReading, type ReadingVerdict } from './judgeReading.ts'
export {
  cardsAllowed,
  meterCards,
  meterPhases,
  type MeterCard,
  type MeterPhase,
  type MeterPlace,
} from './meterCards.ts'
export { handsOn, sourceOf } from './sourceOf.ts'
export { moduleDoes, traceTree, type TraceKind, type TraceNode, type TraceTree } from './traceTree.ts'
export { barredFromMeter, expectedReadings } from './readings.ts'
export {
  moduleSources,
  touchedNets,
  traceSignal,
  type Hop,
  type ModuleSource,
  type SignalTrace,
  type SignalWay,
} from './traceSignal.ts'
export { connected, placeChosen, joiningChosen, wiringEntries } from './entries.ts'
export {
  connectionPlan,
  differenceKey,
  differences,
  earlierWorks,
  freshWiring,
  irreversibleActs,
  joinPracticeOf,
  placeText,
  type Difference,
  type EarlierWork,
  type FoundWork,
  type IrreversibleAct,
  type MadeConnection,
  type TakenReading,
  type WiringDecisions,
  type WiringState,
} from './state.ts'
export { wiringRules, type WiringRule } from './ruleCatalogue.ts'
export { earlierWork } from './earlierWork.ts'
export { wiringFindings } from './wiringFindings.ts'
