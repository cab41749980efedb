export { lostWith } from './lost-with'
export { allFieldRules, type FieldRule, fieldRules } from './field-rules'
export { allLimitRules, type LimitRule, limitRules } from './limit-rules'
export { checkRules, brokenRules, type OwnRule, ownRules, placeOf, rulesInTheWay, spokenOf } from './own-rules'
export { type WatchedRule, watchedRules, isChecked, isKeyed } from './watched-rules'
export { isPartOf } from './part-of'
export { ruleDoubts } from './claims'
export { reopenSentence } from './reopen-sentence'
export { type Hop, type Watch, watchesOf } from './watches'
export {
  type Condition,
  isDay,
  isNumber,
  isOrdered,
  isText,
  operators,
  type Operator,
  sayOperator,
  type Sentence,
  type Subject,
  subjectsOf,
  writeSentence,
} from './sentences'
export { readHolding, type CompiledRule, readRuleSays } from './compiled-rule'
