import fc from 'fast-check'
import { expect, test } from 'vitest'
import { tie } from '@/tests/support/edits'
import { made } from '@/tests/support/made'
import { aimed, dice } from '@/tests/support/random-edits'
import { type Book, type Edit, emptyBook, linkOf, linksFrom, applyEdit, mustHold } from '../book'
import { kindOf, plainLook } from '../kinds'
import { checkRecord } from '../records'
import { fillingOrder, fillTable, impossibleTables, type MakeUp } from '.'
import { runs } from '@/tests/support/runs'

/** Dice that come from a seed alone. */
function diceFrom(seed: number) {
  let state = seed
  return (sides: number) => {
    state = (state * 1103515245 + 12345) % 2147483648
    return Math.floor((state / 2147483648) * sides)
  }
}

const specimens: MakeUp = (_table, field) => kindOf(field.kind).specimen(field) || null

const link = (one: string, many: string, must: boolean) =>
  tie(one, many, { link: `${one}-${many}`, field: `${many}-${one}` }, { bMust: must })
const table = (id: string): Edit => ({ kind: 'addTable', id, name: id, keyField: `${id}-key` })

test('whatever the design, what is made up keeps its rules', () => {
  fc.assert(
    fc.property(fc.array(dice, { maxLength: 25 }), fc.nat(9999), (throws, seed) => {
      const book = throws.reduce(
        (now, one, turn) => {
          const next = applyEdit(now, aimed(now, one, turn))
          return next.ok ? next.value.book : now
        },
        made(emptyBook('Any', plainLook), table('a'), table('b'), link('a', 'b', true)),
      )
      const refs = new Map<string, string[]>()
      for (const one of fillingOrder(book)) {
        const { rows } = fillTable(book, one, 9, refs, specimens, diceFrom(seed))
        for (const row of rows) expect(checkRecord(book, one.id, row)).toMatchObject({ ok: true })
        for (const field of one.fields.filter(({ kind }) => kind === 'link'))
          for (const row of rows) {
            const ref = row[field.id]
            if (ref === null) expect(mustHold(one, field)).toBe(false)
            else expect(refs.get(linkOf(book, field.id).one)).toContain(ref)
          }
        expect(brokenLimits(book, one.id, rows)).toEqual([])
        refs.set(
          one.id,
          rows.map((_, at) => `${one.id}-${at}`),
        )
      }
    }),
    runs(400),
  )
})

function brokenLimits(book: Book, tableId: string, rows: readonly Readonly<Record<string, string | null>>[]): string[] {
  return linksFrom(book, tableId).flatMap((one) =>
    (one.limits ?? [])
      .filter((limit) => {
        const counted = rows.filter((row) => !limit.when || row[limit.when.field] === limit.when.is)
        const counts = new Map<string, number>()
        for (const row of counted) {
          const ref = row[one.field]
          if (ref) counts.set(ref, (counts.get(ref) ?? 0) + 1)
        }
        return Math.max(0, ...counts.values()) > limit.most
      })
      .map((limit) => limit.id),
  )
}

test('what waits for itself, or for what waits, is impossible, with why', () => {
  const book = made(
    emptyBook('Test', plainLook),
    table('hen'),
    table('egg'),
    table('nest'),
    table('field'),
    link('hen', 'egg', true),
    link('egg', 'hen', true),
    link('egg', 'nest', true),
    link('nest', 'field', false),
  )
  const why = impossibleTables(book)
  expect([...why.keys()]).toEqual(['hen', 'egg', 'nest'])
  expect(why.get('hen')).toMatch(/comes back to a hen/)
  expect(why.get('nest')).toBe('Each nest must have an egg, and none can be entered.')
  expect(fillingOrder(book).map(({ id }) => id)).toEqual(['field'])
})

test('a key of few words gives as many records, and says why there are no more', () => {
  const book = made(
    emptyBook('Test', plainLook),
    table('tax'),
    { kind: 'addField', table: 'tax', id: 'rate', name: 'Rate', holds: 'choice' },
    {
      kind: 'changeField',
      field: 'rate',
      to: { choices: ['low', 'high'].map((word) => ({ id: word, word })), must: true },
    },
    { kind: 'setKey', table: 'tax', fields: ['rate'] },
  )
  const throwDice = diceFrom(7)
  const words: MakeUp = (_table, field) => field.choices?.[throwDice(2)]?.word ?? null
  const filled = fillTable(book, book.tables[0]!, 10, new Map(), words, throwDice)
  expect(filled.rows.map((row) => row['rate']).sort()).toEqual(['high', 'low'])
  expect(filled.short).toBe('After 2 taxes, everything that was tried was there already: Rate must differ.')
})
