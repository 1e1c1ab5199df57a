export {
  cloneKit,
  emptyEndRow,
  endRow,
  endRowFields,
  kitListBegins,
  kitListFields,
  kitLists,
  withEnd,
  withEndFields,
  withKitRow,
  withLength,
  withLine,
  withoutEnd,
  withoutLine,
  type KitList,
} from './editKit.ts'
export { endFields, kitHead, lastWords, lineFields, moduleFields, stepFields, stepRow, trimFields } from './kitForms.ts'
export {
  sheetChoices,
  sheetMachines,
  sheetRows,
  withFit,
  withSheetEntry,
  withSheetPlace,
  type SheetRow,
} from './kitSheet.ts'
export { askedOf, kitClasses, plainKit, type KitAsked, type KitClass } from './kitClasses.ts'
export { kitFromClass } from './kitTemplates.ts'
export { loomTree, metresAt, type LoomTree, type TreeRow } from './loomTree.ts'
export { missingFromKit, type MissingFromKit } from './missingFromKit.ts'
export { readSort, sortSuggestions, sortText } from './sortWords.ts'
export { withWires } from './writeWires.ts'
export {
  takenFromKit,
  withParts,
  withSteps,
  takenFromMachine,
  takenLists,
  thingsOf,
  type TakenList,
} from './takeFrom.ts'
export {
  readDraft,
  textsOf,
  typed,
  withTyped,
  withoutOne,
  type Documents,
  type Texts,
  type TypedField,
} from './typedField.ts'
export { editedAs, variantChanges, withEdited, withVariant } from './editVariant.ts'
export {
  bodyFields,
  drawnPartFields,
  engineFields,
  faceFields,
  netFields,
  withSort,
  filterFields,
  machineCautions,
  machineHead,
  machineListBegins,
  machineListFields,
  machineLists,
  mixtureFields,
  powerFields,
  withDrawnPart,
  withMachineRow,
  withoutDrawnPart,
  type MachineList,
} from './machineForms.ts'
export { withKnown, withRestKnown, withoutGone, type Mark } from './markKnown.ts'
export { backOf, findForm, findTexts, stands, withFind, withMet, type Met } from './withFind.ts'
export { pinnedLists, withPhoto, withPhotoWords, withPin, withTapped, withoutPhoto, withoutPin } from './photoPins.ts'
export { movedPart, partBoxes, partUnder, type PartBox, type PartMove } from './movePart.ts'
