export { align, type Alignment, spaceOut } from './arrange'
export { cardSize, type CardRow, type MapCard, mapCards, type MapReading } from './cards'
export {
  type Dependency,
  fieldsOfTrace,
  type Focus,
  type MadeFromKind,
  madeFromKinds,
  sayDependency,
  tableOfField,
  tablesNear,
  type Trace,
  traceOf,
} from './depends'
export { type DrawnMap, drawMap, type MapWish } from './draw'
export { freeSpot } from './free-spot'
export { around, type Box, inflated, overlap, type Point, step } from './geometry'
export { labelSize, type MapLabel } from './labels'
export { type LinkLine, type MapLine } from './lines'
export { type AnyLine, countsOf, isStream, mapLines, sayStream, type Stream } from './streams'
export { type PaperName, type PaperPlan, papers, type PaperWish, planPaper, readable } from './paper'
export { mapQuality } from './quality'
export { type Route } from './laid'
export { type Spots } from './places'
