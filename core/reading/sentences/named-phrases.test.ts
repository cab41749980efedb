import { expect, test } from 'vitest'
import { readNeeds } from '..'

/** What a need names, each with the words that would place it. */
const named = (text: string) =>
  Object.fromEntries(readNeeds([text]).phrases.map(({ words, place }) => [words, place] as const))

test('noun phrases are named by their last word, or by what stands before an empty one', () => {
  expect(named('Each volume has a title and a price list.')).toMatchObject({
    volume: ['volume'],
    title: ['title'],
    'price list': ['price'],
  })
})

test('a day or a time is that of what is done, and what is done to something is named too', () => {
  const job = named('A job is promised for a day and paid in two parts.')
  expect(job['promised … day']).toContain('promise')
  expect(job.paid).toEqual(['paid', 'pay'])
})

test('what says nothing by itself is passed over', () => {
  expect(Object.keys(named('We keep a list of every kind of thing, and somebody calls each week.'))).toEqual([])
})

test('each stands where it is in the text', () => {
  const text = 'A visit needs the tower crew.'
  const crew = readNeeds([text]).phrases.find(({ words }) => words === 'tower crew')!
  expect(text.slice(crew.evidence.start, crew.evidence.end)).toContain('tower crew')
})
