export { howAsked, listsOfRecord, type RecordList, saidOfField, saidOfTable } from './asking-for'
export { compileList, type ListQuery } from './compile-list'
export { likeliest } from './likeliest'
export { likeness } from './likeness'
export { calledToday, type NamedRecord, recordsNamed, uncalled } from './named-records'
export { listViews } from './list-views'
export { csvCell, guardFormula } from './csv'
export { startList } from './start-list'
export { usualSort } from './usual-sort'
export type { Sort } from './paging'
export type { StoredRow } from './row-reader'
export { readList } from './check/check-list'
export { withinGroup } from './check/group-key'
export { figuresFor, isNumber, usualFigures } from './check/read-groups'
export { gatherablesOf } from './draft/gather-draft'
export { firstGroup, groupablesOf, groupOrders, type StepChoice, stepChoices } from './draft/group-draft'
export { chartData, chartsFor, fittingChart } from './groups/chart'
export { type Crossing, crossGroups, showMeasure } from './groups/crossing'
export { type DrawnChart, type Drawing, drawingOf } from './groups/drawing'
export { sayFigure, sayMeasure } from './groups/measure'
export { ShownSums } from './groups/shown-sums'
export { type GroupLine, groupLines, cellAt } from './groups/order-groups'
export { sayGroup } from './groups/say-group'
export type { GroupCell } from './statement/group-keys'
export { groupsSql } from './statement/groups-sql'
export { groupAt } from './check/read-list'
export type {
  Answers,
  ListFault,
  ReadColumn,
  ReadFigure,
  ReadGroup,
  ReadList,
  ReadMeasure,
  ReadShown,
} from './check/read-list'
export { comparisonsFor, mayBeNatural, sayHow, takesLetters } from './check/comparisons'
export { answeredDays, daysBeside, readDays, sayDays, spanAnswered } from './check/asked-days'
export { branchesOf, branchSql, keyText } from './statement/branch-sql'
export type { Cell } from './statement/cells'
export { type AskedRow, countSql, rowsSql, type Statement } from './statement/rows-sql'
export { endOf, isSeveral, mayBeNone } from './ways/walk'
export { furtherFrom, type LikelyStretch, likelyFurther, sayEnd } from './ways/say-way'
export { inWords, isTogether } from './say/in-words'
export { sayCondition, saySpan } from './say/say-condition'
export { alongChoices, joinableFacts, joinSource, numberColumns, sayAlong, separators } from './draft/calculate-draft'
export { foldersOf, inFolder } from './folders'
export { sayReady } from './draft/ready'
export { type Gap, missableFields, missingSql, sayGap } from './missing/missing'
export { listOfQuestion } from './draft/list-of-question'
export { conditionsOf, jointOf, nameOf, type PieceOf, sayDirection, sayList, sentenceOf } from './say/say-list'
export {
  type ConditionDraft,
  draftOfCondition,
  type GroupDraft,
  hasDraft,
  type HasDraft,
  type RepeatsDraft,
  sayDraft,
} from './draft/condition-draft'
export { asksDays, compareDraft, type CompareDraft, fieldsLike, mayAsk, valuesTaken } from './draft/compare-draft'
export { placed } from './draft/place-condition'
