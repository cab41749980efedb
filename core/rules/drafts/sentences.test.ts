import { wordProblem } from '@/core/words'
import { expect, test } from 'vitest'
import { hiring } from '@/tests/support/ruled-design'
import { tableOf } from '../../book'
import { readDraft } from './read-draft'
import { reopenSentence } from './reopen-draft'
import { type Sentence, subjectsOf, writeSentence } from './sentences'

const { book } = hiring()
const hire = tableOf(book, 'hire')
const readWritten = (source: string) => readDraft(book, hire, { kind: 'written', source })

const said: readonly (readonly [Sentence, string, string])[] = [
  [
    { kind: 'compare', subject: '"To day"', operator: '>=', against: { fact: '"From day"' } },
    '"To day" >= "From day"',
    'To day must not be before From day.',
  ],
  [
    { kind: 'compare', subject: 'Guests', operator: '<=', against: { fact: 'Room.Seats' } },
    'Guests <= Room.Seats',
    'Guests must be at most Room → Seats.',
  ],
  [
    { kind: 'compare', subject: '"From day"', operator: '>', against: { value: '12 Mar 2027' } },
    `"From day" > DATE '2027-03-12'`,
    'From day must be after 12 Mar 2027.',
  ],
  [
    { kind: 'range', subject: 'Price', least: '1,000', most: '2500.5' },
    'Price BETWEEN 1000.00 AND 2500.50',
    'Price must be from 1,000.00 to 2,500.50.',
  ],
  [
    {
      kind: 'if',
      when: { subject: 'State', operator: '=', against: { value: 'agreed' } },
      then: { subject: 'Price', operator: 'filled', against: { value: '' } },
    },
    `NOT (State = 'agreed') OR Price IS NOT NULL`,
    'If State is “agreed”, then Price must be filled.',
  ],
  [
    { kind: 'oneOf', subject: 'Note', words: `O'Hara, plain` },
    `Note IN ('O''Hara', 'plain')`,
    "Note must be “O\'Hara” or “plain”.",
  ],
  [
    { kind: 'filled', subjects: ['Price', 'Note'] },
    'Price IS NOT NULL OR Note IS NOT NULL',
    'At least one of Price and Note must be filled.',
  ],
  [
    { kind: 'looks', subject: 'Note', how: 'begins', text: '100%' },
    `Note LIKE '100!%%' ESCAPE '!'`,
    'Note must begin with “100%”.',
  ],
  [
    { kind: 'days', later: '"To day"', earlier: '"From day"', least: '1', most: '14' },
    '"To day" - "From day" >= 1 AND "To day" - "From day" <= 14',
    'To day must be at least 1 day and at most 14 days after From day.',
  ],
]

test.each(said)('%j', (sentence, source, words) => {
  const written = writeSentence(book, hire, sentence)
  expect(written).toMatchObject({ words })
  if (!('source' in written)) throw new Error('Expected a whole sentence.')
  expect(written.source).toBe(source)
  expect(readWritten(written.source)).toHaveProperty('says')
})

test.each<readonly [Sentence, string]>([
  [{ kind: 'compare', subject: '', operator: '=', against: { value: '1' } }, 'Choose a field.'],
  [{ kind: 'compare', subject: 'Guests', operator: '=', against: { value: 'many' } }, 'Guests: '],
  [{ kind: 'compare', subject: 'Guests', operator: '=', against: { value: ' ' } }, 'Write a value.'],
  [{ kind: 'filled', subjects: ['Price'] }, 'Choose at least two fields.'],
  [{ kind: 'days', later: '"To day"', earlier: '"From day"', least: 'x', most: '' }, 'Write how many days'],
])('%j lacks something', (sentence, missing) => {
  const written = writeSentence(book, hire, sentence)
  expect('missing' in written && wordProblem(written.missing)).toContain(missing)
})

test('the facts offered begin with the table’s own', () => {
  expect(subjectsOf(book, hire).map((subject) => subject.words)).toEqual([
    'Hire number',
    'From day',
    'To day',
    'Guests',
    'Price',
    'State',
    'Note',
    'Room → Room number',
    'Room → Seats',
    'Room → Floor',
  ])
})

test.each(said)('%j is opened again as the sentence it was', (sentence, source) => {
  const again = (text: string) => {
    const read = readWritten(text)
    return read.tree && reopenSentence(book, hire, read.tree)
  }
  const opened = again(source)!
  expect(opened.kind).toBe(sentence.kind)
  expect(writeSentence(book, hire, opened)).toMatchObject({ source })
})

test('what no sentence says stays an expression', () => {
  for (const source of ['Guests * 2 <= Room.Seats', 'Guests > 2 OR Price > 3', `Note LIKE 'a_b'`, 'NOT (Guests = 3)']) {
    const read = readWritten(source)
    expect([source, read.tree && reopenSentence(book, hire, read.tree)]).toEqual([source, undefined])
  }
})
