export { farPlaceChosen, mountPlaceChosen, mountingChosen, routeEntries, tyingChosen } from './entries.ts'
export {
  farPlacesOf,
  freshRoute,
  mountPracticeOf,
  tiePracticeOf,
  tiePractices,
  tieReasons,
  type RouteState,
} from './state.ts'
export { branchWires, bundleAreaMm2, bundleDiameterMm, sleeveSizeMm, wireDiameterMm } from './bundles.ts'
export {
  branchColour,
  endPoint,
  thingPoint,
  loomFrame,
  loomLines,
  passagePoints,
  placePoint,
  stretchPoints,
  type Frame,
  type LoomLine,
  hazardMarks,
} from './drawLoom.ts'
export {
  barredWhy,
  passageScore,
  hazardRemedy,
  hazardWords,
  loomTemperatureC,
  passageAirC,
  passageTemperatureC,
  sleeveFor,
  sleeveWords,
  type SleeveKind,
} from './hazards.ts'
export { extensionFor, neededM, nodeOfTarget } from './loomLengths.ts'
export { judgeRoute, type JudgedRoute, type RouteAsked } from './judgeRoute.ts'
export { loomEnds, placesFor, type FarPlaces } from './loomEnds.ts'
export type {
  LaidLoom,
  LoomEnd,
  MetHazard,
  PassageBundle,
  RoutedBranch,
  RoutedTrunk,
  SteeringSlack,
  Stretch,
} from './model.ts'
export { distanceM, partOfPath, passageLength, pathLengthM, spreadAlong } from './passagePath.ts'
export { hasRoomFor, placeAgainst } from './placeAgainst.ts'
export { planRoutes, type RouteOptions, type RoutePlan } from './planRoutes.ts'
export { mountReasons, mountPractices, type MountPractice } from './mountPractices.ts'
export { dangerWords, type PlaceFacts, type RankedPlace } from './rankPlaces.ts'
export { routeGaps, routeGraph, steeringSlackM } from './routeGraph.ts'
export { freeEndM, tieSpacingM, trunkPart } from './runBundles.ts'
export { routeRules, type RouteRule } from './rules.ts'
export { routeWords, type RouteFacts } from './words.ts'
export { routeForms } from './forms.ts'
