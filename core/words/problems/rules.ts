import { inSentence } from '../english'

/** Wrong with a rule: why it can't hold as it is, or what is still to be said of it. */
export const ruleProblems = {
  'rule-needs-key': ({ table }: { readonly table: string }) =>
    `It looks at several records, which ${table} can’t do without a key. Give it one first.`,
  'rule-choices-gone': ({ table }: { readonly table: string }) =>
    `It uses the choices of a field, which ${table} no longer has.`,
  'rule-fields-gone': ({ table }: { readonly table: string }) => `It uses fields that ${table} no longer has.`,
  'rule-no-truth': () => 'A rule is something that is true or not, such as a comparison.',
  'rule-changes-daily': () =>
    'A rule that changes from day to day can’t be kept for good. Let it be asked of new records only, or compare with a field that keeps the day.',
  'rule-without-fields': ({ table }: { readonly table: string }) =>
    `A rule uses at least one field of ${inSentence(table)}.`,
  'rule-not-the-same': ({ field, table }: { readonly field: string; readonly table: string }) =>
    `${field} of ${table} can’t be compared for being the same.`,
  'rule-not-both-times': ({ from, to }: { readonly from: string; readonly to: string }) =>
    `${from} and ${to} must both be dates, both dates with times, or both times.`,
  'rule-same-is-derived': ({ table }: { readonly table: string }) =>
    `What is the same must be typed or linked in ${table} itself.`,
  'rule-not-kept': (problem: { readonly rule: string; readonly table: string; readonly words: string }) =>
    `The rule “${problem.rule}” of ${problem.table} can’t be kept: ${problem.words} Change it in Rules first.`,
  'no-field-chosen': () => 'Choose a field.',
  'two-fields-needed': () => 'Choose at least two fields.',
  'two-dates-needed': () => 'Choose two dates.',
  'no-days-said': () => 'Write how many days at least, or at most.',
  'no-look-said': () => 'Write how it looks.',
  'no-value-said': () => 'Write a value.',
  'no-words-said': () => 'Write the words it may be, with commas between them.',
  'nothing-to-compare': () => 'Choose what it is compared with.',
  'value-not-read': ({ field, words }: { readonly field: string; readonly words: string }) => `${field}: ${words}`,
  'no-closing-said': () => 'Write what closes it.',
  'no-states-chosen': () => 'Choose the field whose states they are.',
  'no-two-times': ({ table }: { readonly table: string }) =>
    `${table} has no two dates or times to last from and to. Choose another table above.`,
  'times-not-chosen': () => 'Choose when it begins and when it ends.',
}
