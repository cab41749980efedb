export { allFieldRules, fieldRules } from './field-rules'
export { brokenRules, type OwnRule, ownRules, readRule, rulesInTheWay } from './own-rules'
