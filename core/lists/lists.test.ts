import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { fieldWith } from '../book'
import { compileList, csvCell } from '.'

const { book } = emberlyDesign()
const list = (query: Partial<Parameters<typeof compileList>[1]>) =>
  compileList(book, { table: 'visit', limit: 20, ...query })

test('a list is one statement: the table, what its links are known by, in the order of the key', () => {
  const { sql, params } = list({ fields: ['visit__premises', 'visit__state'] })
  expect(sql)
    .toBe(`SELECT t.\`visit_code\`, t.\`booked_for\`, t.\`premises\`, t_1.\`address\`, t_1.\`town\`, t.\`state\`, t.\`row_rev\`, t.\`changed_at\`, t.\`changed_by\`
FROM \`visit\` t
LEFT JOIN \`premises\` t_1 ON t_1.\`premises_number\` = t.\`premises\`
ORDER BY t.\`visit_code\`
LIMIT 20`)
  expect(params).toEqual([])
})

test('within what another record is shown as, one part that is different in each says enough, and all are looked through', () => {
  const rows = (find?: string) =>
    compileList(book, { table: 'visit-technician', limit: 5, fields: [], ...(find && { find }) })
  const [columns] = rows().sql.split('\nFROM')
  expect(columns).toContain('`visit_code`')
  expect(columns).not.toContain('`booked_for`')
  // A record of its own, and one that is linked to directly, are told whole.
  expect(list({ fields: [] }).sql.split('\nFROM')[0]).toContain('`booked_for`')
  expect(compileList(book, { table: 'work-line', limit: 5 }).sql.split('\nFROM')[0]).toContain('`booked_for`')
  expect(rows('12 Mar 2027').sql).toContain('`booked_for` >= ?')
})

test('what is looked for is a parameter, never part of the statement', () => {
  const sly = `x'); DROP TABLE visit; --`
  const { sql, params } = list({ find: sly })
  expect(sql).not.toContain('DROP')
  expect(params.some((param) => String(param).includes('DROP'))).toBe(true)
})

test('words are patterns of nothing but themselves, and rare ones come first', () => {
  const { params } = list({ find: 'a.b Lane 14' })
  expect([...new Set(params)]).toEqual(['(?i)14', '(?i)Lane', '(?i)a\\.b'])
})

test('numbers and days are looked through only for words with figures', () => {
  expect(list({ find: 'lane' }).sql).not.toMatch(/`booked_for` REGEXP|`ladder_height` REGEXP/)
  expect(list({ find: '14' }).sql).toMatch(/`ladder_height` REGEXP/)
})

test('a day typed the way the book writes it finds that day', () => {
  const { sql, params } = list({ find: '12 Mar 2027' })
  expect(sql).toContain('t.`booked_for` >= ? AND t.`booked_for` < ? + INTERVAL 1 DAY')
  expect(params.slice(-2)).toEqual(['2027-03-12', '2027-03-12'])
})

test('what a record is shown as is found as it is shown, with its commas, days and numbers', () => {
  const { sql, params } = list({ find: 'V-00001, 2 Apr 2024, 1,234.50' })
  expect(params).not.toContain('(?i)V-00001,')
  expect(params).toEqual(expect.arrayContaining(['(?i)V-00001', '2024-04-02', '(?i)1234\\.5']))
  expect(sql).toContain('`booked_for` >= ?')
})

test('the next page starts after the last row, blanks in their place', () => {
  const sort = { field: 'visit__ladder-height', down: false }
  const up = list({ sort, after: ['6.5', 'V-00007'] })
  expect(up.sql).toContain('WHERE ((t.`ladder_height` > ?) OR (t.`ladder_height` = ? AND t.`visit_code` > ?))')
  expect(up.params).toEqual(['6.5', '6.5', 'V-00007'])
  const blank = list({ sort: { ...sort, down: true }, after: [null, 'V-00007'] })
  expect(blank.sql).toContain('(FALSE) OR (t.`ladder_height` IS NULL AND t.`visit_code` < ?)')
  expect(list({ sort, after: ['one too few'] }).sql).not.toMatch(/\nWHERE/)
})

test('a row is read to canonical values, references and the words of its links', () => {
  const { read, sql } = list({ fields: ['visit__premises', 'visit__booked-for', 'visit__call-first'] })
  const stored: Record<string, string | number | null> = {
    't.`visit_code`': 'V-00418',
    't.`booked_for`': '2027-03-12 09:30:00',
    't.`premises`': 'P-0001',
    't_1.`address`': '14 Quay Lane',
    't_1.`town`': 'Otterby',
    't.`row_rev`': 3,
    't.`changed_at`': '2027-03-12 09:00:00',
  }
  const columns = sql.split('\n')[0]!.replace('SELECT ', '').split(', ')
  const row = read(columns.map((column) => stored[column] ?? null))
  expect(row).toMatchObject({
    ref: 'V-00418',
    label: 'V-00418, 12 Mar 2027, 09:30',
    values: { visit__premises: 'P-0001', 'visit__booked-for': '2027-03-12T09:30', 'visit__call-first': null },
    labels: { visit__premises: '14 Quay Lane, Otterby', 'visit__call-first': '' },
    rev: 3,
    cursor: ['V-00418'],
  })
})

test('a record of a joining table goes by both its ends', () => {
  const { sql } = compileList(book, { table: 'visit-appliance', limit: 5 })
  expect(sql).toContain('ORDER BY t.`visit`, t.`appliance`')
  // An appliance is known by its model and room, the model by make and name: two joins deep.
  expect(sql).toMatch(/LEFT JOIN `appliance_model` t_1_2 ON/)
})

test.each([
  ['visit__note', '=1+1', undefined, "'=1+1"],
  ['visit__note', 'plain', undefined, 'plain'],
  ['visit__ladder-height', '-5.0', undefined, '-5.0'],
  ['visit__booked-for', '2027-03-12T09:30', undefined, '2027-03-12 09:30'],
  ['visit__premises', 'P-0001', '@home, Otterby', "'@home, Otterby"],
  ['visit-appliance__passed', '1', undefined, 'yes'],
  ['visit__note', null, undefined, ''],
] as const)('the cell of %s holding %j is %j', (id, value, label, cell) => {
  expect(csvCell(book, fieldWith(book, id).field, value, label)).toBe(cell)
})
