import { describe, expect, test } from 'vitest'
import { phraseAt } from './phrases'
import { tokensOf } from './tokens'

const phrase = (words: string) => {
  const tokens = tokensOf(words, 0)
  const found = phraseAt(tokens, 0)
  return found && { ...found.phrase, whole: found.next === tokens.length }
}

describe('names', () => {
  test.each([
    ['the date of birth', 'date of birth'],
    ['a number of seats', 'number of seats'],
    ['a usual number of hours', 'usual number of hours'],
    ['a price per hour', 'price per hour'],
    ['a size in square metres', 'size'],
    ['the particular boats', 'boat'],
    ['each contact person', 'contact person'],
    ['several phone numbers', 'phone number'],
    ['a date and time', 'date and time'],
    ['an e-mail address', 'e-mail address'],
    ['the best before date', 'best before date'],
    ['two children', 'child'],
  ])('“%s” is a %s', (words, name) => {
    expect(phrase(words)).toMatchObject({ name, whole: true })
  })

  test('the unit a number is told in is kept beside it', () => {
    expect(phrase('a running time in minutes')).toMatchObject({ name: 'running time', unit: 'minutes' })
  })

  test('whose it is is told apart from what it is', () => {
    expect(phrase('the customer’s phone number')).toMatchObject({ name: 'phone number', owner: 'customer' })
    expect(phrase('the actors’ names')).toMatchObject({ name: 'name', owner: 'actor' })
    expect(phrase('the name of each client')).toMatchObject({ name: 'name', of: { name: 'client', det: 'each' } })
  })
})

describe('quantities', () => {
  test.each([
    ['one or more volumes', { least: 1, most: 'several' }],
    ['exactly one customer', { least: 1, most: 1 }],
    ['at most twelve volumes', { least: undefined, most: 12 }],
    ['up to 80 parcels', { least: undefined, most: 80 }],
    ['between 4 and 16 students', { least: 1, most: 16 }],
    ['two or three plumbers', { least: 1, most: 3 }],
    ['fewer than ten loans', { least: undefined, most: 9 }],
    ['any number of bookings', { least: 0, most: 'several' }],
    ['several lessons', { least: undefined, most: 'several' }],
    ['another job', { least: undefined, most: 'several' }],
    ['at least one phone number', { least: 1, most: 'several' }],
  ])('%s', (words, quantity) => {
    expect(phrase(words)?.quantity).toMatchObject(quantity)
  })

  test('what “more than five” counts is kept, for after a no', () => {
    expect(phrase('more than five loans')?.quantity).toEqual({ least: undefined, most: 'several', figure: 5 })
  })

  test('a year counts nothing', () => {
    expect(phrase('2027 visits')?.quantity).toBeUndefined()
  })
})

test.each(['has', 'of', ', ', '', '(', 'is booked'])('“%s” is no noun phrase', (words) => {
  expect(phrase(words)).toBeUndefined()
})
