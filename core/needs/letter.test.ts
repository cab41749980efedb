import { expect, test } from 'vitest'
import { withoutGreetings } from './letter'

test('a letter is its needs, without greeting, closing and signature', () => {
  const lines = ['Subject: records', 'Hi Averil,', 'Each dog has an owner.', 'Kind regards', 'Hester', 'Front desk']
  expect(withoutGreetings(lines)).toEqual({
    needs: ['Each dog has an owner.'],
    left: ['Subject: records', 'Hi Averil,', 'Kind regards', 'Hester', 'Front desk'],
  })
})

test('plain needs lose nothing', () => {
  const lines = ['Each visit has a date.', 'Dogs', 'a dog has a name']
  expect(withoutGreetings(lines)).toEqual({ needs: lines, left: [] })
})
