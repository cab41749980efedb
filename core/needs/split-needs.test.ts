import { expect, test } from 'vitest'
import { splitNeeds } from './split-needs'

test.each([
  ['one line', 'A visit has a date.', ['A visit has a date.']],
  ['numbers in three styles', '1. one\n2) two\n(3) three\n4: four', ['one', 'two', 'three', 'four']],
  ['bullets and letters', '- one\n• two\na) three\n— four', ['one', 'two', 'three', 'four']],
  ['blank lines and Windows line ends', 'one\r\n\r\n  two  \r\n', ['one', 'two']],
  ['a number that belongs to the words', '12 visits a day\n3.5 metres', ['12 visits a day', '3.5 metres']],
  ['a word that looks like a letter', 'A visit\nI need a list', ['A visit', 'I need a list']],
  ['nothing', ' \n\n', []],
])('%s', (_what, pasted, needs) => {
  expect(splitNeeds(pasted)).toEqual(needs)
})
