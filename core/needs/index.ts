export { needsMetBy, numberedNeeds } from './met'
export { splitNeeds } from './split-needs'
export type {
  Evidence,
  NamedPhrase,
  OpenQuestion,
  Reading,
  ReadField,
  ReadQuestion,
  ReadTable,
  ReadTie,
} from './reading'
export { acceptEdits, withWhatTheyNeed } from './accept'
export { isChatter, withoutGreetings } from './letter'
export { type MarkKind, type Piece, piecesOf } from './marks'
export { followNeeds } from './follow-needs'
export { type Coverage, coverageOf, noRuleFor, unaskedFor } from './coverage'
export type { FormLabel } from './form-label'
export { type FormTotal, formTotals, totalEdits } from './form-totals'
export { noPlaceFor, unplaced } from './placed'
export { type Proposal, type Proposals, proposalsFor, keptOtherwise, sameWord, settled } from './proposals'
export { readForm, readLabels } from './paper-form'
export { readStarter, type StarterField, starters } from './starters'
