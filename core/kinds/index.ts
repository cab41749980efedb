export { fieldKinds, isDerived, isTyped, type KindName, kindNames, kindOf } from './registry'
export { addDays, monthNames, readDay, showDay } from './calendar'
export type { ColumnType } from './column-type'
export { isEmailAddress } from './contact'
export { checkValue, readValue, showValue, startValue } from './check'
export { measuredDigits } from './measured'
export { hintedKind } from './hints'
export type { Control, Now, Value } from './kind'
export { unmatched, unmatchedWords } from './link'
export { Look } from './look'
export { plainLook } from './plain-look'
export { countOf, runningPeriod, runningSql, writeRunning } from './running'
export { Choice, Choices, FieldSettings, type SettingName } from './settings'
export { settingLimits, settingRanges } from './setting-limits'
export { workedOut } from './typed-sum'
export { hasUnseen, isBlank, quoteText } from './text'
export { datePart, type DateUnit, dateUnits, dayNumber, daysIn, readMoment, shifted, two } from './days'
export {
  divideRounded,
  type Exact,
  fromExact,
  mostDigits,
  mostScale,
  powerOfTen,
  quotientScale,
  rescale,
  toExact,
  toWhole,
} from './exact-numbers'
