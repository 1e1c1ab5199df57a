export * from './ids.ts'
export * from './model.ts'
export * from './accessModel.ts'
export * from './routeModel.ts'
export type { Dossier, DossierRef } from './document.ts'
export * from './kitModel.ts'
export {
  isUnsure,
  knownCount,
  knownOf,
  knownSummary,
  knownText,
  photosOf,
  knownWords,
  thingKey,
  thingName,
  thingsKnown,
} from './howKnown.ts'
export {
  isJoined,
  isPresent,
  joinedId,
  joinKits,
  kitKeys,
  kitNamed,
  memberNamed,
  memberOf,
  membersOf,
  ownKit,
  ownMembers,
  type JoinedKit,
  type KitMember,
} from './joinKits.ts'
export { inRow, rowClash } from './inRow.ts'
export { purposeNames, purposes, stationsOf, type Purpose } from './purposes.ts'
export { kitStepsFor, purposeSteps } from './purposeSteps.ts'
export { endName, stationNames, stepOf, stepsKnown, type DossierPair } from './pair.ts'
export * from './signals.ts'
export { orderSteps, walkSteps } from './orderSteps.ts'
export { zoneAirC } from './zoneAir.ts'
export { idFamilies, refOf, wireColour as wireColourSchema } from './partSchemas.ts'
export { asHeading, colourHex, colourNames, inSentence, wireName, wireShort, type ColourName } from './colours.ts'
export { composeVariant } from './composeVariant.ts'
export { parseDossier, parseKit, parseMachine, type Accepted } from './parseDossier.ts'
export { kitSchema } from './kitSchema.ts'
export { machineSchema } from './schema.ts'
export { accessContradictions, coverCycle } from './accessContradictions.ts'
export { acrossFlats, fastenerWords, minutesText, toolOf } from './fastenerWords.ts'
export { readFasteners, readMinutes } from './readFasteners.ts'
export { isDiesel, stoichOf } from './fuels.ts'
export { machinesOnSheet, sheetContradictions } from './sheetContradictions.ts'
export { busEnds } from './busEnds.ts'
export { deviceRole, handsOn, looksOn, studRole } from './roles.ts'
export { sourceOf, surfacesOf } from './sourceOf.ts'
export { netAt, netOfStud, wireAt, wiresOfConnector } from './lookUp.ts'
export {
  cavityKey,
  machineIndex,
  placeKey,
  zoneOfPlace,
  type CavityPlace,
  type LoomParts,
  type MachineIndex,
} from './machineIndex.ts'
export {
  emptyPassageRow,
  emptyPlaceRow,
  passageRow,
  placeRow,
  routePoints,
  servesText,
  withPassage,
  withPlace,
  withPointAt,
  withServes,
  withSpot,
  withSteering,
  withoutPassage,
  withoutSpot,
  type PassageRow,
  type PlaceRow,
} from './editRoute.ts'
export { hazardsText, readHazards } from './readHazards.ts'
export { routeContradictions } from './routeContradictions.ts'
export { missingFrom, type Missing } from './missingFrom.ts'
export { machineGaps, type DossierGap } from './findGaps.ts'
export { tappedCavities, type Tap } from './tappedCavities.ts'
export { gridCavities, type FaceLayout } from './gridCavities.ts'
export { colourLanguages, type ColourLanguage } from './colourWords.ts'
export { coloursWritten } from './coloursWritten.ts'
export { readWireColour, type ColourOrder, type ColourReading } from './readWireColour.ts'
export { faceGeometry, type FaceGeometry, type FaceSide } from './faceGeometry.ts'
export {
  pinoutColumns,
  pinoutCsv,
  readArea,
  readPinoutRows,
  splitPinoutTable,
  type PinoutColumn,
  type PinoutMapping,
  type PinoutRow,
  type PinoutTable,
} from './pinoutTable.ts'
export { coverRow, emptyCoverRow, withCover, withoutCover, type CoverRow } from './editAccess.ts'
export { compareDossiers, type DossierChange } from './compareDossiers.ts'
export {
  blankMachine,
  cloneMachine,
  idFrom,
  newConnector,
  withPinout,
  withoutStud,
  type CavityEntry,
  type FaceSpec,
} from './editMachine.ts'
