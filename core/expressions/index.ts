export { factsBeyond } from './beyond'
export { storeTree } from './stored-tree'
export { compile, evaluate } from './evaluate'
export type { Facts } from './facts'
export {
  allNodesOf,
  type Derived,
  derivedInTheWay,
  derivedOf,
  displayOf,
  isStored,
  readExpression,
  recheckStored,
} from './derived'
export { ownFacts, ownNeeds } from './own-facts'
export { changesWith, speaksOf } from './made-from'
export { type OfferedWord, wordsOffered } from './offered-words'
export { type Paint, paintsOf } from './paint'
export { showComputed, tryOnSpecimen } from './specimen'
export { factsOffered, type RowsOffer, rowsOffered } from './offers'
export { sayDerived, sayMadeFrom, sayTaken } from './say-derived'
export { showExpression, writtenName } from './show'
export { type Gathering, gatheringOf, readFreezing, readSource, writeGathering, writtenSource } from './sources'
export type { FunctionName } from './functions'
export { dayNumber } from './dates'
export { type Exact, fromExact, quotientScale, toExact } from './numbers'
export type { Type } from './types'
export { dependenciesOf, nodesOf, partsOf, type Tree } from './tree'
export { plainFacts } from './plain-facts'
