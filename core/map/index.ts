export { type Bow, bowsOf } from './bows'
export { align, type Alignment, spaceOut } from './arrange'
export { cardSize, type CardRow, type MapCard, mapCards, type MapReading } from './cards'
export {
  dependencies,
  type Dependency,
  type DependencyKind,
  dependencyKinds,
  sayDependency,
  tableOfField,
  tablesNear,
  traceOf,
} from './depends'
export { type DrawnMap, drawMap, type MapWish } from './draw'
export { freeSpot } from './free-spot'
export { around, type Box, inflated, overlap, type Point, step } from './geometry'
export { mapTypefaces, textWidth } from './letters'
export { labelSize, type MapLabel } from './labels'
export { type MapLine, mapLines } from './lines'
export { type PaperName, type PaperPlan, papers, type PaperWish, planPaper, readable } from './paper'
export { mapQuality } from './quality'
export { type Route } from './laid'
export { type Spots } from './places'
