import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { fieldKinds } from '@/core/kinds'
import { type Block, hasShape, type Pattern, specimenOf } from '@/core/patterns'
import { Designing } from '@/tests/support/derived-design'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { otherTool } from '@/tests/support/other-tool'
import type { Catalogue } from '../../catalogue'
import { select } from '../../database'
import { type Live, saveRecord } from '..'

let db: Catalogue
let live: Live

const pattern: Pattern = {
  blocks: [
    { kind: 'fixed', text: 'V-' },
    { kind: 'digits', least: 3, most: 3 },
    { kind: 'fixed', text: '/', optional: true },
    { kind: 'letters', least: 2, most: 2, case: 'upper', optional: true },
  ],
}

beforeAll(async () => {
  db = await testCatalogue('patterns')
  const account = await testAccount(db, 'Averil')
  const design = new Designing().do(
    { kind: 'addTable', id: 'van', name: 'Van', keyField: 'key' },
    { kind: 'addField', table: 'van', id: 'plate', name: 'Plate', holds: 'code' },
    { kind: 'changeField', field: 'plate', to: { pattern } },
  )
  live = await opened(db, account, await testBook(db, account, 'Vans', design.edits))
})

const save = (plate: string) =>
  saveRecord({ db, live, who: 'Averil' }, { table: 'van', ref: null, rev: null, values: { plate }, children: [] })

test('a code is kept as its pattern has it, and refused in words that show it', async () => {
  const saved = await save('418 ql')
  expect(saved.kind === 'saved' && saved.record.row.values.plate).toBe('V-418/QL')
  expect(await save('V-418')).toMatchObject({ kind: 'saved' })
  expect(await save('V-41')).toMatchObject({ kind: 'refused', problems: { fields: { plate: { kind: 'not-shaped' } } } })
  const tool = await otherTool(live.schema)
  await expect(tool("INSERT INTO van (van_number, plate) VALUES (50, 'V-418/ql')")).rejects.toThrow(/van_plate_shape/)
  await tool("INSERT INTO van (van_number, plate) VALUES (52, 'V-419/QL')")
})

const varying = fc
  .tuple(
    fc.constantFrom('digits', 'letters', 'either'),
    fc.nat({ max: 3 }),
    fc.nat({ max: 2 }),
    fc.constantFrom('upper', 'lower', undefined),
    fc.boolean(),
  )
  .map(([kind, least, more, casing, optional]): Block => ({
    kind: kind as 'letters',
    least: least + 1,
    most: least + 1 + more,
    ...(kind !== 'digits' && casing && { case: casing as 'upper' }),
    ...(optional && { optional: true }),
  }))
const fixed = fc
  .tuple(
    fc.string({ unit: fc.constantFrom(...`aZ9-/\\.*+?()[]{}|^$'" _%ß`), minLength: 1, maxLength: 4 }),
    fc.boolean(),
  )
  .map(([text, optional]): Block => ({ kind: 'fixed', text, ...(optional && { optional: true }) }))

test('MariaDB and the form agree on what has a shape', async () => {
  const one = fc.tuple(
    fc.array(fc.oneof(varying, fixed), { minLength: 1, maxLength: 6 }),
    fc.infiniteStream(fc.nat({ max: 9999 })),
    fc.array(fc.string({ unit: fc.constantFrom(...'aZäÉ9-/. \n'), maxLength: 8 }), { maxLength: 4 }),
  )
  let fitting = 0
  await fc.assert(
    fc.asyncProperty(one, async ([blocks, stream, others]) => {
      const shape: Pattern = { blocks }
      const specimen = specimenOf(shape, (many) => Number(stream.next().value) % many)
      const [check] = fieldKinds.code.checks({ pattern: shape }, live.book.look)
      for (const value of [specimen, specimen.toLowerCase(), `${specimen}\n`, ...others]) {
        const sql = `SELECT ${check!.sql('v.value')} AS fits FROM (SELECT CAST(? AS CHAR CHARACTER SET utf8mb4) COLLATE utf8mb4_uca1400_as_ci AS value) AS v`
        const [row] = await select<{ fits: number }>(db, sql, [value])
        expect([value, row!.fits === 1]).toEqual([value, hasShape(shape, value)])
        if (row!.fits === 1) fitting++
      }
    }),
    { numRuns: 200 },
  )
  expect(fitting).toBeGreaterThan(200)
})
