import { expect, test } from 'vitest'
import { restrictionIn } from './restrictions'

test.each([
  ['A hall must never be booked twice at the same time.', 'must never be booked twice at the same time'],
  ['No job may hold more than twelve volumes.', 'No job may hold more than twelve volumes'],
  ['A bill can’t be changed once it is paid; we keep it.', 'can’t be changed once it is paid'],
  ['A tool is lent only if the deposit was paid.', 'only if the deposit was paid'],
  ['The end must be after the start.', 'must be after the start'],
  ['A room holds at most 30 people.', 'at most 30 people'],
  ['Members are only served by people of their branch.', 'are only served by people of their branch'],
])('“%s” lays down a rule', (text, words) => {
  expect(restrictionIn(text)?.words).toBe(words)
})

test.each([
  'Each job must have a client.',
  'A visit may not have a note.',
  'It may not be known yet who comes.',
  'Each client has at least one phone number.',
  'We must see which boats are out now.',
  'We only note the name.',
])('“%s” lays down none beyond what tables, fields and ties keep', (text) => {
  expect(restrictionIn(text)).toBeUndefined()
})
