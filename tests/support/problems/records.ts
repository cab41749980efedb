import type { SamplesOf } from './samples-of'

const field = 'Price'
const table = 'Visit'

export const recordsSamples: SamplesOf<'records'> = {
  taken: { kind: 'taken', table: 'Visit', fields: ['Code', 'Room'] },
  'linked-already': { kind: 'linked-already', table: 'Hire costume', to: ['Hire', 'Costume'] },
  'no-such-record': { kind: 'no-such-record', table },
  'dead-link': { kind: 'dead-link', field, table },
  'left-without': { kind: 'left-without', table: 'Appliance', record: 'A-00007', child: 'Visit' },
  'needs-one': { kind: 'needs-one', table: 'Appliance', child: 'Visit' },
  twice: { kind: 'twice', child: 'Part', value: 'x' },
  'in-use': {
    kind: 'in-use',
    table,
    by: [
      { table: 'Payment', count: 2 },
      { table: 'Work line', count: 1 },
    ],
  },
  'changed-meanwhile': { kind: 'changed-meanwhile', by: 'Rosa' },
  'database-refused': { kind: 'database-refused' },
  'file-too-big': { kind: 'file-too-big', megabytes: 5 },
  'file-not-picture': { kind: 'file-not-picture', name: 'x.txt' },
  'no-such-file': { kind: 'no-such-file' },
  'file-empty': { kind: 'file-empty', name: 'flue.png' },
  'not-open': { kind: 'not-open', book: 'Emberly' },
  'not-allowed': { kind: 'not-allowed' },
  'asks-too-much': { kind: 'asks-too-much', seconds: 15 },
  'condition-too-heavy': { kind: 'condition-too-heavy', most: 60 },
  busy: { kind: 'busy' },
  'save-too-big': { kind: 'save-too-big', megabytes: 16 },
  'form-outdated': { kind: 'form-outdated', table: 'Visit' },
  'being-opened': { kind: 'being-opened', book: 'Emberly Flue Care' },
  'disk-full': { kind: 'disk-full', free: 12, least: 64 },
}
