export { needsMetBy, unmetNeeds } from './met'
export { splitNeeds } from './split-needs'
export {
  type Evidence,
  type OpenQuestion,
  plainReading,
  readNeeds,
  type Reading,
  type ReadField,
  type ReadQuestion,
  type ReadTable,
  type ReadTie,
} from './reading'
export { acceptEdits, withWhatTheyNeed } from './accept'
export { type MarkKind, type Piece, piecesOf } from './marks'
export { type Coverage, coverageOf, unaskedFor } from './coverage'
export { type Proposal, type Proposals, proposalsFor, keptOtherwise, sameWord } from './proposals'
