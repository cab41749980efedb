import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { wordProblem } from '@/core/words'
import { readListQuery } from './list-query'

const live = { id: 'book', book: emberlyDesign().book, schema: 'live', revision: 1 }
const asked = (query: string) => readListQuery(live, 'visit', new URLSearchParams(query))
function read(query: string) {
  const found = asked(query)
  if (!found.ok) throw new Error(wordProblem(found.problem))
  return found.value
}

test('what an address asks for is read', () => {
  expect(
    read('find=Quay+Lane&sort=visit__state&down=1&fields=visit__state,visit__note&after=["done","V-00007"]'),
  ).toEqual({
    table: 'visit',
    find: 'Quay Lane',
    sort: { field: 'visit__state', down: true },
    fields: ['visit__state', 'visit__note'],
    after: ['done', 'V-00007'],
  })
})

test.each([
  ['a field of another table', 'sort=premises__town&fields=premises__town'],
  ['a field that is none', 'sort=nowhere&fields=x,y'],
  ['a broken cursor', 'after=["done"'],
  ['a cursor of the wrong stuff', 'after={"a":1}'],
  ['a link of another table', 'link=payment__visit&ref=V-00001'],
  ['blank words', 'find=+++'],
])('%s is left out', (_what, query) => {
  expect(read(query)).toEqual({ table: 'visit' })
})

test.each([
  ['on what isn’t there', 'Nowhere = 1', /field that is no longer there/],
  ['that is none', '"Bill total" + 1', /isn’t a condition/],
  ['longer than any', `Paid > ${'1'.repeat(5000)}`, /at most 4,000 fit/],
  ['that looks at too much', Array(61).fill("Premises.Town = 'Otterby'").join(' OR '), /more than 60 values/],
])('a condition %s is refused, and the list isn’t shown without it', (_what, source, words) => {
  const found = asked(`where=${encodeURIComponent(source)}`)
  expect(found.ok ? '' : wordProblem(found.problem)).toMatch(words)
})

test('rows of one record are asked for by its reference', () => {
  expect(read('link=visit__premises&ref=P-0001')).toMatchObject({
    linked: { field: 'visit__premises', key: ['P-0001'] },
  })
  expect(
    readListQuery(live, 'certificate', new URLSearchParams({ link: 'certificate__for', ref: 'V-1~A-1' })),
  ).toMatchObject({ value: { linked: { key: ['V-1', 'A-1'] } } })
})

test('words to find are cut where no record could have them', () => {
  expect(read(`find=${'x'.repeat(5000)}`).find).toHaveLength(200)
})

test('a condition is read with the names of the table', () => {
  expect(read(`where=${encodeURIComponent(`"Bill total" > 100 AND Premises.Town = 'Otterby'`)}`).where).toMatchObject({
    kind: 'binary',
    operator: 'AND',
  })
})
