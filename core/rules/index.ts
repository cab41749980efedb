export { allFieldRules, fieldRules } from './field-rules'
