export { handbackSheet, type HandbackSheet, type SheetConnection } from './handbackSheet.ts'
export { roadsideCard, type RoadsideCard, type RoadsideKit } from './roadsideCard.ts'
export { readTrimCsv, trimCsv } from './trimCsv.ts'
export { wireLabels, type WireLabel } from './wireLabels.ts'
