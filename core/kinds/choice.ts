import { fail, listed, ok } from '../words'
import type { FieldKind } from './kind'
import { compareText, quoteText } from './text'

/** One of a short fixed list. The chosen word itself is stored, so that other tools can read it. */
export const choice: FieldKind = {
  title: 'Choice',
  short: 'choice',
  holds: 'one of a short fixed list of words',
  control: 'choice',
  align: 'start',
  span: () => 3,
  uses: ['choices', 'startsAs'],
  starts: { choices: [] },
  read(typed, { choices = [] }) {
    const text = typed.trim().toLowerCase()
    const found = choices.find((choice) => choice.word.toLowerCase() === text)
    if (found) return ok(found.word)
    return fail({ kind: 'not-choice', text: typed.trim(), choices: choices.map((choice) => choice.word) })
  },
  show: (value) => value,
  compare: compareText,
  columnType: () => ({ is: 'text', most: 100 }),
  checks: ({ choices = [] }) =>
    choices.length === 0
      ? []
      : [
          {
            name: 'choice',
            sql: (column) => `${column} IN (${choices.map((choice) => quoteText(choice.word)).join(', ')})`,
          },
          {
            // To the letter: other tools may not write another capital, or a blank behind.
            name: 'word',
            sql: (column) =>
              `CAST(${column} AS BINARY) IN (${choices.map((choice) => `CAST(${quoteText(choice.word)} AS BINARY)`).join(', ')})`,
            mariadb: true,
          },
        ],
  load: String,
  store: (value) => value,
  specimen: ({ startsAs, choices = [] }) => startsAs ?? choices[0]?.word ?? '',
  summary: ({ choices = [] }) =>
    choices.length === 0
      ? 'Choice, no words yet'
      : `Choice: ${listed(
          choices.slice(0, 5).map((choice) => choice.word),
          'or',
        )}${choices.length > 5 ? ' …' : ''}`,
}
