export { allFieldRules, fieldRules } from './field-rules'
export { allLimitRules, limitRules } from './limit-rules'
export {
  type AskedRecord,
  askRules,
  type Broken,
  brokenRules,
  type OwnRule,
  ownRules,
  rulesInTheWay,
} from './own-rules'
export { type AskedRule, askedRules, isChecked, isKeyed } from './asked-rules'
export { isPartOf } from './part-of'
export type { Hop, Watch } from './watches'
export { readHolding, type Reading, readRuleSays, sayRule } from './readings'
