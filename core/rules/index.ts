export { allFieldRules, fieldRules } from './field-rules'
export { allLimitRules, limitRules } from './limit-rules'
export { brokenRules, type OwnRule, ownRules, readRule, rulesInTheWay } from './own-rules'
