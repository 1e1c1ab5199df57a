export { checkWiring } from './checkWiring.ts'
export {
  connectorLookalikes,
  pinCount,
  wireLookalikes,
  type ConnectorLookalike,
  type WireLookalike,
} from './lookalikes.ts'
export {
  findingKey,
  pairSides,
  ruleCatalogue,
  severities,
  type Connection,
  type ConnectionTarget,
  type Finding,
  type FindingPlace,
  type PairSide,
  type RuleId,
  type Severity,
} from './model.ts'
export { sameTarget, targetWords } from './places.ts'
export { proposeMatches, type Match } from './proposeMatches.ts'
export { connectionSchema, connectionTargetSchema } from './schema.ts'
