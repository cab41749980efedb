import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { type Book, type Edit, emptyBook, applyEdit } from '../book'
import { plainLook } from '../kinds'
import { wordProblem } from '../words'
import { creationScript, liveSchema, planOpening } from '.'
import { physicalNames } from '../physical'
import { isWidening, narrowedLength } from './diff/widening'

const { book: emberly } = emberlyDesign()

const after = (book: Book, ...edits: readonly Edit[]) =>
  edits.reduce((now, edit) => {
    const made = applyEdit(now, edit)
    if (!made.ok) throw new Error(wordProblem(made.problem))
    return made.value.book
  }, book)

const small = after(
  emptyBook('Small', plainLook),
  { kind: 'addTable', id: 'house', name: 'House', keyField: 'house-key' },
  { kind: 'addTable', id: 'order', name: 'Order', keyField: 'order-key' },
  { kind: 'addField', table: 'order', id: 'day', name: 'Day', holds: 'date' },
  { kind: 'addField', table: 'order', id: 'price', name: 'Price', holds: 'money' },
  {
    kind: 'answerPairing',
    a: 'house',
    b: 'order',
    aHasSeveral: true,
    bHasSeveral: false,
    aMust: false,
    bMust: true,
    ids: { table: 't', links: ['link', 'm'], fields: ['at', 'n'] },
  },
)

const statements = (book: Book, next: Book) => planOpening(book, next, true).steps.map((step) => step.sql)

test('a table is made as an expert would make it', () => {
  const script = creationScript(small)
  expect(script).toContain(`CREATE TABLE IF NOT EXISTS \`order_record\` (
  \`order_number\` BIGINT UNSIGNED NOT NULL COMMENT 'Order number',
  \`house\` BIGINT UNSIGNED NOT NULL COMMENT 'House',
  \`day\` DATE NULL COMMENT 'Day',
  \`price\` DECIMAL(14,2) NULL COMMENT 'Price',`)
  expect(script).toContain(
    'PRIMARY KEY (`order_number`),\n  KEY `order_record_house_link` (`house`),\n  CONSTRAINT `order_record_day_day` CHECK (YEAR(`day`) > 0 AND MONTH(`day`) > 0 AND DAYOFMONTH(`day`) > 0),\n  CONSTRAINT `order_record_price_least` CHECK (`price` >= 0.00)',
  )
  expect(script).toContain(
    'FOREIGN KEY IF NOT EXISTS (`house`) REFERENCES `house` (`house_number`) ON DELETE RESTRICT ON UPDATE CASCADE',
  )
})

test('tables come after those they point to, and every name is there once', () => {
  const { tables } = liveSchema(emberly)
  const place = new Map(tables.map((table, at) => [table.name, at]))
  for (const table of tables) {
    for (const key of table.foreignKeys.filter((one) => one.toTable !== table.name && one.toTable !== 'stored_file')) {
      expect(place.get(key.toTable)).toBeLessThan(place.get(table.name)!)
    }
    const names = [...table.columns.map((column) => column.name), 'row_rev', 'changed_at', 'changed_by']
    expect(new Set(names).size).toBe(names.length)
    const constraints = [...table.checks, ...table.uniques, ...table.indexes, ...table.foreignKeys].map(
      (one) => one.name,
    )
    expect(new Set(constraints).size).toBe(constraints.length)
    expect(constraints.every((name) => name.length <= 64)).toBe(true)
  }
})

test('a link to a table with a key of several columns has as many, of the same types', () => {
  const names = physicalNames(emberly)
  const columns = names.columns('certificate', 'certificate__for')
  expect(columns.map((column) => [column.name, column.type])).toEqual([
    ['for_visit', { is: 'text', most: 40 }],
    ['for_appliance', { is: 'text', most: 40 }],
  ])
  const certificate = liveSchema(emberly).tables.find((table) => table.id === 'certificate')!
  expect(certificate.uniques.map((unique) => unique.columns)).toEqual([['for_visit', 'for_appliance']])
})

test('a link to a table whose key leads back is a link all the same', () => {
  const joined = (a: string, b: string, id: string): Edit => ({
    kind: 'answerPairing',
    a,
    b,
    aHasSeveral: true,
    bHasSeveral: true,
    aMust: false,
    bMust: false,
    ids: { table: id, links: [`${id}-1`, `${id}-2`], fields: [`${id}-3`, `${id}-4`] },
  })
  const book = after(small, joined('house', 'order', 'both'), {
    kind: 'answerPairing',
    a: 'both',
    b: 'house',
    aHasSeveral: true,
    bHasSeveral: false,
    aMust: false,
    bMust: false,
    ids: { table: 'x', links: ['back', 'y'], fields: ['back-at', 'z'] },
  })
  // Whichever table is asked first.
  for (const first of ['both', 'house']) {
    const names = physicalNames(book)
    names.columns(first, 'house-key')
    expect(names.columns('house', 'back-at').map((column) => column.name)).toEqual([
      'house_order_house',
      'house_order_order_value',
    ])
  }
})

test('what happens on removal is what was chosen', () => {
  const fate = (table: string, column: string) =>
    liveSchema(emberly)
      .tables.find((one) => one.id === table)!
      .foreignKeys.find((key) => key.columns[0] === column)!.onDelete
  expect([fate('work-line', 'visit'), fate('visit', 'premises'), fate('visit', 'call_first')]).toEqual([
    'CASCADE',
    'RESTRICT',
    'SET NULL',
  ])
})

test('nothing changed is nothing to do; no records, and all is built again', () => {
  expect(planOpening(small, small, true)).toMatchObject({ kind: 'nothing', steps: [] })
  const renamed = after(small, { kind: 'renameTable', table: 'house', name: 'Premises' })
  expect(planOpening(small, renamed, false).kind).toBe('afresh')
  expect(planOpening(undefined, small, false).kind).toBe('first')
})

test('a renamed table takes its keys, checks and links along, loosened first and fastened last', () => {
  const sql = statements(small, after(small, { kind: 'renameTable', table: 'house', name: 'Premises' }))
  const at = (part: string) => sql.findIndex((line) => line.includes(part))
  expect(at('DROP FOREIGN KEY IF EXISTS `order_record_house_to`')).toBeLessThan(
    at('RENAME TABLE IF EXISTS `house` TO `premises`'),
  )
  expect(at('RENAME TABLE')).toBeLessThan(at('REFERENCES `premises`'))
})

test('only what the change touches is touched', () => {
  const sql = statements(small, after(small, { kind: 'changeField', field: 'price', to: { most: '500' } }))
  expect(sql.filter((line) => line.startsWith('ALTER'))).toEqual([
    'ALTER TABLE `order_record` ADD CONSTRAINT IF NOT EXISTS `order_record_price_most` CHECK (`price` <= 500.00)',
  ])
  // Besides, other tools are kept out of this one table meanwhile, and its own trigger is off.
  const others = sql.filter((line) => !line.startsWith('ALTER') && line !== 'DO 0')
  expect(others.length).toBe(8)
  expect(others.every((line) => /`order_record_(closed_|before_update)/.test(line))).toBe(true)
})

test('a moved field changes nothing in the database', () => {
  expect(statements(small, after(small, { kind: 'moveField', field: 'price', before: 'day' }))).toEqual([])
})

test('each step that alters something says how it is taken back', () => {
  const next = after(
    small,
    { kind: 'renameTable', table: 'house', name: 'Premises' },
    { kind: 'changeField', field: 'day', to: { name: 'On' } },
    { kind: 'removeField', field: 'price' },
    { kind: 'addTable', id: 'part', name: 'Part', keyField: 'part-key' },
  )
  const { steps } = planOpening(small, next, true)
  expect(steps.filter((step) => !step.asks).every((step) => step.undo !== undefined && step.say.length > 5)).toBe(true)
})

test('what stands in a design can’t end a statement', () => {
  const sly = after(small, { kind: 'changeField', field: 'day', to: { note: "'); DROP TABLE house; -- \\" } })
  expect(creationScript(sly)).toContain("COMMENT '''); DROP TABLE house; -- \\\\'")
})

const text = (most: number) => ({ is: 'text', most }) as const
const whole = (bytes: 4 | 8) => ({ is: 'whole', bytes }) as const
const exact = (whole: number, scale: number) => ({ is: 'exact', whole, scale }) as const
const running = { is: 'whole', bytes: 8, unsigned: true } as const

test.each([
  [text(10), text(20), true],
  [text(20), text(10), false],
  [text(10), { is: 'longText' }, true],
  [{ is: 'longText' }, { is: 'longText' }, true],
  [{ is: 'longText' }, text(20), false],
  [whole(4), whole(8), true],
  [whole(8), whole(4), false],
  [whole(4), exact(10, 2), true],
  [whole(4), exact(6, 2), false],
  [whole(8), exact(20, 0), false],
  [running, running, true],
  [running, whole(8), false],
  [exact(8, 2), exact(9, 3), true],
  [exact(8, 2), exact(7, 3), false],
  [exact(8, 2), exact(9, 1), false],
  [exact(8, 0), whole(8), false],
  [{ is: 'date' }, { is: 'date' }, true],
  [{ is: 'date' }, { is: 'moment' }, false],
] as const)('%o to %o keeps every value: %s', (from, to, keeps) => {
  expect(isWidening(from, to)).toBe(keeps)
})

test('a text made shorter says how short', () => {
  expect(narrowedLength(text(20), text(10))).toBe(10)
  expect(narrowedLength(text(10), text(20))).toBeUndefined()
  expect(narrowedLength({ is: 'longText' }, text(20))).toBeUndefined()
})
