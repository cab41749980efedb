import type { SamplesOf } from './samples-of'

const field = 'Price'
const table = 'Visit'

export const editsSamples: SamplesOf<'edits'> = {
  'not-plain': { kind: 'not-plain', table: 'Visit part' },
  'rule-without-words': { kind: 'rule-without-words' },
  'not-live-name': { kind: 'not-live-name', name: 'select', because: 'databases keep that word to themselves' },
  'list-holds-facts': { kind: 'list-holds-facts', table: 'Fuel' },
  'key-stays': { kind: 'key-stays', field: 'Serial code' },
  gone: { kind: 'gone', what: 'table' },
  'name-blank': { kind: 'name-blank', what: 'field' },
  'name-too-long': { kind: 'name-too-long', what: 'field', limit: 60 },
  'name-taken': { kind: 'name-taken', what: 'field', name: field, within: table },
  'too-many': { kind: 'too-many', what: 'link', limit: 900 },
  stale: { kind: 'stale', what: 'The list' },
  'nothing-to-change': { kind: 'nothing-to-change' },
  'setting-out-of-range': { kind: 'setting-out-of-range', setting: 'Length', least: 1, most: 700 },
  'bounds-crossed': { kind: 'bounds-crossed', least: '14', most: '2' },
  'choice-blank': { kind: 'choice-blank' },
  'choice-twice': { kind: 'choice-twice', choice: 'done' },
  'setting-not-value': {
    kind: 'setting-not-value',
    setting: 'At least',
    because: '“x” is not a whole number such as 12.',
  },
  'not-as-key': { kind: 'not-as-key', field, because: 'it may be blank' },
  'link-needs-key': { kind: 'link-needs-key', table },
  'link-by-pairing': { kind: 'link-by-pairing' },
  'key-holds-links': { kind: 'key-holds-links', table, links: ['Payment'] },
  'joining-holds-facts': { kind: 'joining-holds-facts', table, fields: ['Quantity'] },
  'joining-linked': { kind: 'joining-linked', table, by: ['Certificate'] },
  'must-cannot-leave': { kind: 'must-cannot-leave', field },
  'nothing-to-undo': { kind: 'nothing-to-undo' },
  'nothing-to-redo': { kind: 'nothing-to-redo' },
  clash: { kind: 'clash', by: 'Rosa', did: 'Rename Visit' },
  'not-a-book': { kind: 'not-a-book' },
  'ground-dark': { kind: 'ground-dark' },
  'colour-pale': { kind: 'colour-pale', what: 'words' },
}
