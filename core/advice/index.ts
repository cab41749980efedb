import type { Book, Table } from '../book'
import type { Advice, AdvicePiece } from './piece'
import { ageInsteadOfBirthDate } from './pieces/age-instead-of-birth-date'
import { calledLikeItsTable } from './pieces/called-like-its-table'
import { choicesAlike } from './pieces/choices-alike'
import { circleOfMusts } from './pieces/circle-of-musts'
import { codeAsNumber } from './pieces/code-as-number'
import { countBelowZero } from './pieces/count-below-zero'
import { dateAsText } from './pieces/date-as-text'
import { directRepeatsIndirect } from './pieces/direct-repeats-indirect'
import { eMailAsText } from './pieces/e-mail-as-text'
import { emptyName } from './pieces/empty-name'
import { factInTwoPlaces } from './pieces/fact-in-two-places'
import { factsOfAnotherThing } from './pieces/facts-of-another-thing'
import { keyOfManyFields } from './pieces/key-of-many-fields'
import { keyThatChanges } from './pieces/key-that-changes'
import { knownByNumberAlone } from './pieces/known-by-number-alone'
import { limitOfOne } from './pieces/limit-of-one'
import { limitThatNeverRefuses } from './pieces/limit-that-never-refuses'
import { linkedBothWays } from './pieces/linked-both-ways'
import { listNobodyUses } from './pieces/list-nobody-uses'
import { longWordsInALine } from './pieces/long-words-in-a-line'
import { measureWithoutUnit } from './pieces/measure-without-unit'
import { moneyAsExact } from './pieces/money-as-exact'
import { moneyAsMeasured } from './pieces/money-as-measured'
import { nameAndItsParts } from './pieces/name-and-its-parts'
import { noTwoAlikeNames } from './pieces/no-two-alike-names'
import { noTwoOfFew } from './pieces/no-two-of-few'
import { nobodyAskedForIt } from './pieces/nobody-asked-for-it'
import { numberAsText } from './pieces/number-as-text'
import { oneNameTwoKinds } from './pieces/one-name-two-kinds'
import { oneToOneWithBothMusts } from './pieces/one-to-one-with-both-musts'
import { onlyOneValue } from './pieces/only-one-value'
import { passwordKept } from './pieces/password-kept'
import { percentWithoutBounds } from './pieces/percent-without-bounds'
import { choiceOfOne } from './pieces/choice-of-one'
import { choiceOfYesAndNo } from './pieces/choice-of-yes-and-no'
import { choiceWithoutWords } from './pieces/choice-without-words'
import { repeatingGroup } from './pieces/repeating-group'
import { reservedName } from './pieces/reserved-name'
import { rowsWithoutTheirRecord } from './pieces/rows-without-their-record'
import { ruleThatCannotHold } from './pieces/rule-that-cannot-hold'
import { ruleThatNeverRefuses } from './pieces/rule-that-never-refuses'
import { rulesAgainstEachOther } from './pieces/rules-against-each-other'
import { sameChoicesTwice } from './pieces/same-choices-twice'
import { sameTieTwice } from './pieces/same-tie-twice'
import { severalInOne } from './pieces/several-in-one'
import { shortenedName } from './pieces/shortened-name'
import { storedTotal } from './pieces/stored-total'
import { tableInThePlural } from './pieces/table-in-the-plural'
import { tableTiedToNothing } from './pieces/table-tied-to-nothing'
import { tableWithKeyOnly } from './pieces/table-with-key-only'
import { tableWithoutKey } from './pieces/table-without-key'
import { tablesOfTheSameFacts } from './pieces/tables-of-the-same-facts'
import { tickThatDenies } from './pieces/tick-that-denies'
import { ticksThatAreStates } from './pieces/ticks-that-are-states'
import { twoFactsInOne } from './pieces/two-facts-in-one'
import { twoNamesForOneThing } from './pieces/two-names-for-one-thing'
import { whichDate } from './pieces/which-date'
import { wideTable } from './pieces/wide-table'
import { isDismissed } from './dismissals'
import { oncePer } from '../words'

const pieces: Record<string, AdvicePiece> = {
  ageInsteadOfBirthDate,
  calledLikeItsTable,
  choicesAlike,
  circleOfMusts,
  codeAsNumber,
  countBelowZero,
  dateAsText,
  directRepeatsIndirect,
  eMailAsText,
  emptyName,
  factInTwoPlaces,
  factsOfAnotherThing,
  keyOfManyFields,
  keyThatChanges,
  knownByNumberAlone,
  limitOfOne,
  limitThatNeverRefuses,
  linkedBothWays,
  listNobodyUses,
  longWordsInALine,
  measureWithoutUnit,
  moneyAsExact,
  moneyAsMeasured,
  nameAndItsParts,
  noTwoAlikeNames,
  noTwoOfFew,
  nobodyAskedForIt,
  numberAsText,
  oneNameTwoKinds,
  oneToOneWithBothMusts,
  onlyOneValue,
  passwordKept,
  percentWithoutBounds,
  choiceOfOne,
  choiceOfYesAndNo,
  choiceWithoutWords,
  repeatingGroup,
  reservedName,
  rowsWithoutTheirRecord,
  ruleThatCannotHold,
  ruleThatNeverRefuses,
  rulesAgainstEachOther,
  sameChoicesTwice,
  sameTieTwice,
  severalInOne,
  shortenedName,
  storedTotal,
  tableInThePlural,
  tableTiedToNothing,
  tableWithKeyOnly,
  tableWithoutKey,
  tablesOfTheSameFacts,
  tickThatDenies,
  ticksThatAreStates,
  twoFactsInOne,
  twoNamesForOneThing,
  whichDate,
  wideTable,
}

export const pieceNames = Object.keys(pieces)

// What was said of a table holds until another takes its place.
const adviceOnTable = oncePer((table: Table): readonly Advice[] =>
  Object.entries(pieces).flatMap(([piece, kind]) =>
    kind.scope === 'table' ? kind.find(table).map((one) => ({ piece, weight: kind.weight, ...one })) : [],
  ),
)

/** All the advice a book calls for, dismissed or not, what must be settled first. */
export const allAdviceOn = oncePer((book: Book): readonly Advice[] => {
  const whole = Object.entries(pieces).flatMap(([piece, kind]) =>
    kind.scope === 'book' ? kind.find(book).map((one) => ({ piece, weight: kind.weight, ...one })) : [],
  )
  const settle: Advice[] = []
  const look: Advice[] = []
  const put = (advice: Advice) => (advice.weight === 'must-settle' ? settle : look).push(advice)
  for (const table of book.tables) adviceOnTable(table).forEach(put)
  whole.forEach(put)
  return [...settle, ...look]
})

/** The advice that stands: all but what was dismissed and is still as it was. */
export const adviceOn = (book: Book): readonly Advice[] =>
  book.dismissed.length === 0 ? allAdviceOn(book) : allAdviceOn(book).filter((advice) => !isDismissed(book, advice))

export type { Advice, Mend } from './piece'
export { adviceKey, seenOf } from './dismissals'
