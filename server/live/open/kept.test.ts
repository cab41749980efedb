import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import type { Book, Edit } from '@/core/book'
import { keptIn } from '@/core/physical'
import { type AskedBook, askedRecords } from '@/tests/support/asked-records'
import { editAll, opened, testAccount, testBook } from '@/tests/support/catalogue'
import { askedDesign, readyLists } from '@/tests/support/asked-design'
import { runs } from '@/tests/support/runs'
import { run, selectRows } from '../../database'
import { isOfAnotherShape, saveRecord } from '..'

let asked: AskedBook
beforeAll(async () => {
  asked = await askedRecords('kept', true)
})

const sql = (statement: string) => run(asked.db, statement.replaceAll('@', `\`${asked.live.schema}\`.`))
const rows = (statement: string) =>
  selectRows<(string | number | null)[]>(asked.db, statement.replaceAll('@', `\`${asked.live.schema}\`.`))

/** What is kept beside what is there, where the two differ. */
async function wrongs() {
  const found: unknown[] = []
  for (const { name, link, keys, totals } of keptIn(asked.live.book)) {
    const [one, many] = [link.one, link.many].map((id) => (id === 'house-person' ? 'tenancy' : id))
    const sums = totals.map(
      ({ column, sum }) =>
        `NOT (k.${sum} <=> (SELECT SUM(c.${column}) FROM @${many} c WHERE c.${keys[0]!.link} = p.${keys[0]!.of}))`,
    )
    const differs = [
      `k.n <> (SELECT COUNT(*) FROM @${many} c WHERE c.${keys[0]!.link} = p.${keys[0]!.of})`,
      'k.k0 IS NULL',
      ...sums,
    ]
    found.push(
      ...(await rows(
        `SELECT '${name}', p.${keys[0]!.of}, k.* FROM @${one} p LEFT JOIN @${name} k ON k.k0 = p.${keys[0]!.of} WHERE ${differs.join(' OR ')}`,
      )),
    )
  }
  return found
}

test('what can be kept is what no foreign key changes behind the triggers', () => {
  const kept = keptIn(asked.live.book).map(({ link, totals }) => [
    link.one,
    link.many,
    totals.map(({ field }) => field),
  ])
  expect(kept).toContainEqual(['visit', 'payment', ['payment_amount']])
  expect(kept).toContainEqual(['house', 'visit', []])
  // A tenancy goes with its house: that it goes is not seen by what counts those of a person.
  const tenancies = (book: Book) => keptIn(book).flatMap(({ link }) => (link.many === 'house-person' ? [link.one] : []))
  expect(tenancies(asked.live.book)).toEqual(['house'])
  const links = asked.live.book.links.map((link) =>
    link.many === 'house-person' ? { ...link, onRemove: 'keep' as const } : link,
  )
  expect(tenancies({ ...asked.live.book, links })).toEqual(['house', 'person'])
  const own = asked.live.book.lists.map((list) => ({ ...list, owner: 'somebody' }))
  expect(keptIn({ ...asked.live.book, lists: own })).toEqual([])
})

const visit = fc.integer({ min: 1, max: 4 })
const house = fc.option(fc.integer({ min: 1, max: 3 }), { nil: null })
const amount = fc.option(fc.constantFrom('10.00', '-2.50', '0.00', '0.05'), { nil: null })
const change = fc.oneof(
  {
    weight: 4,
    arbitrary: fc
      .tuple(visit, amount)
      .map(
        ([of, a]) =>
          `INSERT INTO @payment (payment_number, visit, amount) SELECT COALESCE(MAX(payment_number), 0) + 1, (SELECT visit_number FROM @visit WHERE visit_number = ${of}), ${a} FROM @payment`,
      ),
  },
  fc
    .tuple(visit, visit, amount)
    .map(
      ([from, to, a]) =>
        `UPDATE @payment SET visit = (SELECT visit_number FROM @visit WHERE visit_number = ${to}), amount = ${a} WHERE visit = ${from}`,
    ),
  fc
    .tuple(visit, amount)
    .map(([of, a]) => `UPDATE @payment SET amount = ${a} WHERE visit = ${of} ORDER BY payment_number LIMIT 1`),
  visit.map((of) => `DELETE FROM @payment WHERE visit = ${of} ORDER BY payment_number LIMIT 1`),
  fc.tuple(visit, house).map(([of, h]) => `INSERT IGNORE INTO @visit (visit_number, house) VALUES (${of}, ${h})`),
  fc.tuple(visit, house).map(([of, h]) => `UPDATE @visit SET house = ${h} WHERE visit_number = ${of}`),
  visit.map((of) => `DELETE FROM @payment WHERE visit = ${of}; DELETE FROM @visit WHERE visit_number = ${of}`),
  fc
    .tuple(visit, amount)
    .map(
      ([of, a]) =>
        `REPLACE INTO @payment (payment_number, visit, amount) SELECT payment_number, visit, ${a} FROM @payment WHERE visit = ${of}`,
    ),
)

test('whatever another tool writes, counts and sums are what is there', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(change, { minLength: 4, maxLength: 20 }), async (changes) => {
      await sql('DELETE FROM @payment')
      await sql('DELETE FROM @visit')
      await sql('INSERT IGNORE INTO @house (house_number) VALUES (1), (2), (3)')
      await sql('INSERT INTO @visit (visit_number, house) VALUES (1, 1), (2, NULL)')
      for (const one of changes) for (const statement of one.split('; ')) await sql(statement).catch(refusedIsFine)
      expect(await wrongs()).toEqual([])
    }),
    { ...runs(40), endOnFailure: true },
  )
})

/** A must that isn’t there, or a record that is still used, is refused whole. */
function refusedIsFine(cause: unknown): void {
  const { errno } = (cause as { original?: { errno?: number } }).original ?? (cause as { errno?: number })
  if (![1048, 1364, 1451, 1452, 4025].includes(errno ?? 0)) throw cause
}

test('twenty clerks at once leave it right', async () => {
  await sql('DELETE FROM @payment')
  await sql('INSERT IGNORE INTO @visit (visit_number) VALUES (1), (2)')
  const one = (at: number) =>
    saveRecord(
      { ...asked, who: 'Averil' },
      {
        table: 'payment',
        ref: null,
        rev: null,
        values: { payment_amount: '1.25', payment__visit: String((at % 2) + 1) },
        children: [],
      },
    )
  const outcomes = await Promise.all(Array.from({ length: 20 }, (_, at) => one(at)))
  expect(outcomes.map(({ kind }) => kind)).toEqual(outcomes.map(() => 'saved'))
  expect(await wrongs()).toEqual([])
  expect(await rows('SELECT SUM(n) FROM @_kept_payment_visit')).toEqual([['20']])
})

test('it comes and goes with the lists that are to be ready, and is made anew where its tables change', async () => {
  const account = await testAccount(asked.db, 'Bram')
  const id = await testBook(asked.db, account, 'Comes and goes', askedDesign)
  let live = await opened(asked.db, account, id)
  const here = (statement: string) => run(asked.db, statement.replaceAll('@', `\`${live.schema}\`.`))
  const counts = () =>
    selectRows<(string | number | null)[]>(
      asked.db,
      `SELECT k0, n, t0 FROM \`${live.schema}\`._kept_payment_visit ORDER BY k0`,
    )
  await here('INSERT INTO @visit (visit_number) VALUES (1), (2)')
  await here('INSERT INTO @payment (payment_number, visit, amount) VALUES (1, 1, 2.50), (2, 1, NULL)')
  const reopened = async (...edits: Edit[]) => {
    await editAll(asked.db, account, id, edits)
    live = await opened(asked.db, account, id)
  }
  const list = readyLists.find((edit) => edit.kind === 'addList' && edit.id === 'ready-visit--payment')!
  // Who asks for it while it isn't there can be told so in words.
  expect(isOfAnotherShape(await counts().catch((cause: unknown) => cause))).toBe(true)
  await reopened(list)
  expect(await counts()).toEqual([
    [1, 2, '2.50'],
    [2, 0, null],
  ])
  await reopened({ kind: 'addField', table: 'payment', id: 'note', name: 'Note', holds: 'line' })
  await here("INSERT INTO @payment (payment_number, visit, amount, note) VALUES (3, 2, 1, 'x')")
  await here('UPDATE @visit SET visit_number = 9 WHERE visit_number = 1')
  expect(await counts()).toEqual([
    [2, 1, '1.00'],
    [9, 2, '2.50'],
  ])
  await reopened({ kind: 'changeList', list: 'ready-visit--payment', to: { ready: false } })
  await expect(counts()).rejects.toThrow()
  await here('INSERT INTO @payment (payment_number, visit) VALUES (4, 2)')
})
