export { checkWiring, type CheckContext } from './checkWiring.ts'
export { connectionProblems } from './connectionProblems.ts'
export { endLookalikes, type EndLookalike } from './endLookalikes.ts'
export { adviseJoint, joinPractices, methodsFor, type JoinAdvice } from './joinMethods.ts'
export { currentOf, isHighVoltage, isStop, judgeFeed, relayCoilA, type PlaceVerdict } from './judgePlace.ts'
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
export { connectionSchema, connectionTargetSchema, placeFields, traceNodeSchema } from './schema.ts'
export {
  asSearched,
  bareOff,
  beginsWord,
  findWires,
  offOf,
  readWireQuery,
  wantOff,
  wireRows,
  type Hay,
  type Want,
  type WireFound,
} from './findWires.ts'
export { feedLead, feedLinks, outletOf, type FeedLink } from './feedLinks.ts'
export { goTogether } from './goTogether.ts'
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
export { moduleDoes, traceTree, type TraceKind, type TraceNode, type TraceTree } from './traceTree.ts'
export { barredFromMeter, expectedReadings, isByWire } from './readings.ts'
export {
  moduleSources,
  touchedNets,
  traceSignal,
  type Hop,
  type ModuleSource,
  type SignalTrace,
  type SignalWay,
} from './traceSignal.ts'
export { placeChosen, joiningChosen, wiringEntries } from './entries.ts'
export {
  connectionPlan,
  differences,
  earlierWorks,
  freshWiring,
  irreversibleActs,
  joinPracticeOf,
  placeText,
  type EarlierWork,
  type IrreversibleAct,
  type WiringState,
} from './state.ts'
export { wiringRules } from './ruleCatalogue.ts'
export { earlierWork } from './earlierWork.ts'
export { wiringFindings } from './wiringFindings.ts'
export { caseWords, wiringWords, type RuleCase, type WiringFacts } from './words.ts'
export { crossLinks, joinedPlace, memberPlan, memberWiring, type MemberWiring } from './memberWiring.ts'
export { busTerminators, portPlan, terminatorsInside, type PortLink, type PortPlan } from './portLinks.ts'
export { wiringForms } from './forms.ts'
