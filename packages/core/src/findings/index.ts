export {
  byGravity,
  collectFindings,
  defineRules,
  openStops,
  severities,
  standingOf,
  type FindingOf,
  type Rule,
  type SayOf,
  type Severity,
  type Standing,
} from './model.ts'
