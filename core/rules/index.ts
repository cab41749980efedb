export { allFieldRules, type FieldRule, fieldRules } from './field-rules'
