export { lostWith } from './lost-with'
export { allFieldRules, type FieldRule, fieldRules } from './field-rules'
export { allLimitRules, type LimitRule, limitRules } from './limit-rules'
export { checkRules, brokenRules, type OwnRule, ownRules, placeOf, rulesInTheWay, spokenOf } from './own-rules'
export { type WatchedRule, watchedRules, isChecked, isKeyed } from './watched-rules'
export { isPartOf } from './part-of'
export { ruleDoubts, rulesOutOfReach } from './claims'
export { conditionsSource, reopenConditions, sayTruth, writeCondition } from './drafts/conditions'
export { draftOf } from './drafts/reopen-draft'
export { type DraftOf, isStanding, type PartsDraft, type RuleDraft } from './drafts/rule-draft'
export { type DraftRead, isComparable, readDraft, samenessOf, timesOf } from './drafts/read-draft'
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
} from './drafts/sentences'
export { type CompiledRule, readRuleSays } from './compiled-rule'
