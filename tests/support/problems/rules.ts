import type { SamplesOf } from './samples-of'

const table = 'Visit'

export const rulesSamples: SamplesOf<'rules'> = {
  'rule-needs-key': { kind: 'rule-needs-key', table },
  'rule-choices-gone': { kind: 'rule-choices-gone', table },
  'rule-fields-gone': { kind: 'rule-fields-gone', table },
  'rule-no-truth': { kind: 'rule-no-truth' },
  'rule-changes-daily': { kind: 'rule-changes-daily' },
  'rule-without-fields': { kind: 'rule-without-fields', table },
  'rule-not-the-same': { kind: 'rule-not-the-same', field: 'Photo', table },
  'rule-not-both-times': { kind: 'rule-not-both-times', from: 'Begins', to: 'Ends on' },
  'rule-same-is-derived': { kind: 'rule-same-is-derived', table },
  'rule-not-kept': {
    kind: 'rule-not-kept',
    rule: 'A visit ends after it began.',
    table: 'Visit',
    words: 'Visit has no field “Fee”.',
  },
  'no-field-chosen': { kind: 'no-field-chosen' },
  'two-fields-needed': { kind: 'two-fields-needed' },
  'two-dates-needed': { kind: 'two-dates-needed' },
  'no-days-said': { kind: 'no-days-said' },
  'no-look-said': { kind: 'no-look-said' },
  'no-value-said': { kind: 'no-value-said' },
  'no-words-said': { kind: 'no-words-said' },
  'nothing-to-compare': { kind: 'nothing-to-compare' },
  'value-not-read': { kind: 'value-not-read', field: 'Total', words: 'Visit has no field “Fee”.' },
  'no-closing-said': { kind: 'no-closing-said' },
  'no-states-chosen': { kind: 'no-states-chosen' },
  'no-two-times': { kind: 'no-two-times', table: 'Visit' },
  'times-not-chosen': { kind: 'times-not-chosen' },
}
