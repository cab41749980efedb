import { expect, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { emptyBook } from '../book'
import { plainLook } from '../kinds'
import { allFieldRules, allLimitRules, fieldRules } from '../rules'
import { chaptersOf } from '.'

const { book } = emberlyDesign()
const closed = { everOpened: false, editsSince: 0 }

test('an empty book has seven chapters, none of them done', () => {
  const chapters = chaptersOf(emptyBook('New', plainLook), closed)
  expect(chapters.map((chapter) => chapter.title)).toEqual([
    'Needs',
    'Tables',
    'Pairings',
    'Rules',
    'Map',
    'Review',
    'Open',
  ])
  expect(chapters.some((chapter) => chapter.done)).toBe(false)
})

test('counts are those of the book, and what waits is counted first', () => {
  const counts = Object.fromEntries(chaptersOf(book, closed).map((chapter) => [chapter.name, chapter.count]))
  expect(counts).toMatchObject({
    needs: 1,
    tables: book.tables.length,
    pairings: 78,
    rules: allFieldRules(book).length + allLimitRules(book).length + book.rules.length,
    review: 0,
  })
})

test('the map is done once somebody has looked at it', () => {
  const done = (seen: boolean) => chaptersOf(book, closed, { mapSeen: seen }).find(({ name }) => name === 'map')!.done
  expect([done(false), done(true)]).toEqual([false, true])
})

test('needs are done only once their words were read and each is wholly met', () => {
  const ticked = { ...book, needs: book.needs.filter(({ metBy }) => metBy.length > 0) }
  const needs = (...states: readonly ('met' | 'part')[]) =>
    chaptersOf(ticked, closed, {
      coverage: ticked.needs.map((_need, at) => ({ state: states[at] ?? 'met', open: 0 })),
    })[0]!
  expect(chaptersOf(ticked, closed)[0]!.done).toBe(false)
  expect([needs().done, needs().counted]).toEqual([true, '18 needs, all met'])
  expect([needs('part').done, needs('part').count, needs('part').counted]).toEqual([
    false,
    1,
    '1 of 18 not wholly met yet',
  ])
})

test('an open book with edits since counts them; as opened it is done', () => {
  const open = (editsSince: number) => chaptersOf(book, { everOpened: true, editsSince }).at(-1)!
  expect([open(2).count, open(2).done, open(0).count, open(0).done]).toEqual([2, false, undefined, true])
})

test('rules are said as sentences, with the words staff read', () => {
  const visit = book.tables.find((table) => table.id === 'visit')!
  const rules = fieldRules(book, visit)
  expect(rules.map((rule) => rule.sentence)).toEqual([
    'Visit code is given by the book, one after the other',
    'Premises must be filled',
    'Booked for must be filled',
    'State must be filled',
    'State is booked, under way, done or cancelled',
    'Ladder height is from 2.0 m to 14.0 m',
    'Tidiness is a mark from 1 to 5',
  ])
  expect(rules.find((rule) => rule.sentence.startsWith('Ladder'))?.refusal).toMatch(/tower crew/)
  const appliance = book.tables.find((table) => table.id === 'appliance')!
  expect(fieldRules(book, appliance).map((rule) => rule.sentence)).toContain(
    'No two appliances have the same serial code',
  )
})
