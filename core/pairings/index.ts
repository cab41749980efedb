export { feetOf, type FootEnd, footWords } from './crows-foot'
export { askMust, askSeveral, sayOutcome } from './questions'
export { allPairs, type Answers, feetFor, openPairs, pairedTables, pairState, type Tie } from './ties'
