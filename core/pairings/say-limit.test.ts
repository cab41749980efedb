import { expect, test } from 'vitest'
import { made } from '@/tests/support/made'
import { emptyBook, type Edit, linkWith } from '../book'
import { plainLook } from '../kinds'
import { limitConditions, sayLimit } from '.'

const tie = (b: string, bHasSeveral: boolean): Edit => ({
  kind: 'answerPairing',
  a: 'visit',
  b,
  aHasSeveral: true,
  bHasSeveral,
  aMust: false,
  bMust: false,
  ids: { table: `${b}-joining`, links: [`${b}-1`, `${b}-2`], fields: [`${b}-3`, `${b}-4`] },
})
const book = made(
  emptyBook('Test', plainLook),
  { kind: 'addTable', id: 'visit', name: 'Visit', keyField: 'k1' },
  { kind: 'addTable', id: 'technician', name: 'Technician', keyField: 'k2' },
  { kind: 'addTable', id: 'part', name: 'Part', keyField: 'k3' },
  tie('technician', true),
  tie('part', false),
  { kind: 'addField', table: 'technician-joining', id: 'leads', name: 'Leads', holds: 'tick' },
  { kind: 'addField', table: 'part', id: 'size', name: 'Size', holds: 'choice' },
  { kind: 'changeField', field: 'size', to: { choices: [{ id: 's', word: 'small' }] } },
)
const [toVisit, toTechnician, parts] = ['technician-1', 'technician-2', 'part-1'].map((id) => linkWith(book, id))

test('a limit is said in the office’s nouns; of a joining table, by what it leads to', () => {
  expect(sayLimit(book, toVisit!, { id: 'l', most: 6 })).toBe('At most 6 technicians for each visit')
  expect(sayLimit(book, toTechnician!, { id: 'l', most: 1 })).toBe('At most 1 visit for each technician')
  expect(sayLimit(book, toVisit!, { id: 'l', most: 1, when: { field: 'leads', is: '1' } })).toBe(
    'At most 1 technician with Leads ticked for each visit',
  )
  expect(sayLimit(book, parts!, { id: 'l', most: 3, when: { field: 'size', is: 'small' } })).toBe(
    'At most 3 parts with Size “small” for each visit',
  )
})

test('ticks and the words of choices can be counted apart', () => {
  expect(limitConditions(book, toVisit!).map(({ say }) => say)).toEqual(['all of them', 'those with Leads ticked'])
  expect(limitConditions(book, parts!).at(-1)).toEqual({
    say: 'those with Size “small”',
    when: { field: 'size', is: 'small' },
  })
})
