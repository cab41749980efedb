import { expect, test } from 'vitest'
import { questionsIn } from './questions'
import { isIntroduction, sentencesOf } from './sentences'

const asked = (text: string) => questionsIn({ text, start: 0 })?.map((question) => question.text)

test.each<[string, string[]]>([
  ['List all overdue loans.', ['List all overdue loans.']],
  ['Which plots are empty?', ['Which plots are empty?']],
  ['We want to know how much each earned, and which parts are low.', ['how much each earned', 'which parts are low.']],
  ['We would like to see who is here today.', ['who is here today.']],
  ['I’d like a list of costumes.', ['a list of costumes.']],
  ['Reports: list of unpaid bills; jobs per month', ['list of unpaid bills', 'jobs per month']],
  ['The board wants to see which members left.', ['which members left.']],
])('%s asks', (text, questions) => {
  expect(asked(text.replace('’', "'"))).toEqual(questions)
})

test.each([
  'We need to know the name of each client.',
  'Each visit has a date.',
  'Staff report problems by telephone.',
  'We want to keep the name and the town.',
])('%s asks nothing', (text) => {
  expect(asked(text)).toBeUndefined()
})

test('questions know where they stand in the need', () => {
  const text = 'We want to know how many came, and which parts are low.'
  for (const question of questionsIn({ text, start: 10 })!) {
    expect(text.slice(question.start - 10, question.start - 10 + question.text.length)).toBe(question.text)
  }
})

test('sentences end at full stops, not at abbreviations or decimals', () => {
  expect(sentencesOf('It is 3.5 metres, e.g. a ladder. Really? Yes!').map((one) => one.text)).toEqual([
    'It is 3.5 metres, e.g. a ladder.',
    'Really?',
    'Yes!',
  ])
})

test('what only announces needs is no need', () => {
  expect(isIntroduction('What we need to keep is roughly this.')).toBe(true)
  expect(
    isIntroduction(
      'This visit needs a ladder that is kept in the van, and a second technician who may drive it there.',
    ),
  ).toBe(false)
})
