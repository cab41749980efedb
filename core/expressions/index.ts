export { factsBeyond } from './derived/beyond'
export { storeTree } from './check/stored-tree'
export { compile, evaluate } from './run/evaluate'
export type { Facts } from './run/facts'
export {
  allNodesOf,
  type Derived,
  derivedInTheWay,
  derivedOf,
  displayOf,
  displayOfTree,
  isStored,
  readExpression,
  recheckStored,
} from './derived/derived'
export { ownFacts, ownNeeds } from './run/own-facts'
export { changesWith, speaksOf } from './derived/made-from'
export { type OfferedWord, wordsOffered } from './offer/offered-words'
export { type Paint, paintsOf } from './text/paint'
export { showComputed, tryOnSpecimen } from './run/specimen'
export { factsOffered, type RowsOffer, rowsOffered } from './offer/offers'
export { sayDerived, sayMadeFrom, sayTaken } from './derived/say-derived'
export { showExpression, writtenName } from './text/show'
export type { Failure } from './text/syntax'
export { type Gathering, gatheringOf, readFreezing, readSource, writeGathering, writtenStored } from './derived/sources'
export type { Args, FunctionName } from './run/functions'
export { type Type, typeOfField } from './types'
export { dependenciesOf, nodesOf, partsOf, type Tree } from './tree'
export { plainFacts } from './run/plain-facts'
