import { expect, test } from 'vitest'
import type { Table } from '../book'
import { askMust, askSeveral, sayOutcome } from '.'

const table = (name: string): Table => ({ id: name, name, fields: [], key: [], knownBy: [] })
const [visit, appliance, child] = [table('Visit'), table('Appliance'), table('Child')]
const answers = (aHasSeveral: boolean, bHasSeveral: boolean, bMust = false) => ({
  aHasSeveral,
  bHasSeveral,
  aMust: false,
  bMust,
})

test('the two questions are asked in the office’s nouns', () => {
  expect(askSeveral(visit, appliance)).toBe('Can one visit have more than one appliance?')
  expect(askMust(visit, appliance)).toBe('Must every visit have an appliance?')
  expect(askSeveral(child, child)).toBe('Can one child be linked to more than one other child?')
})

test.each([
  ['many to many', answers(true, true), 'A joining table is needed.', /One row for each appliance of a visit/],
  ['one to one', answers(false, false), 'The two go one to one.', /no two records may share/],
  [
    'one to many',
    answers(true, false, true),
    'Each appliance gets a link to one visit.',
    /Appliances get the field “Visit”, which must be filled\. A visit can have any number of appliances/,
  ],
  [
    'many to one',
    answers(false, true),
    'Each visit gets a link to one appliance.',
    /Visits get the field “Appliance”, which may stay empty\. An appliance can have/,
  ],
])('%s is told with what comes of it', (_what, given, head, text) => {
  const said = sayOutcome(visit, appliance, given)
  expect(said.head).toBe(head)
  expect(said.text).toMatch(text)
})

test('the field takes the name that was typed for it, and plurals are real ones', () => {
  expect(sayOutcome(appliance, child, answers(true, false), 'Owner').text).toContain('Children get the field “Owner”')
})
