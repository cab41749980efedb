import { expect, test } from 'vitest'
import { tellCause } from './log'

test('a log says what failed and where, and nothing of what was typed', () => {
  const cause = Object.assign(
    new Error(
      "(conn:7, no: 1062) Duplicate entry 'Averil O''Teal' for key 'name'\nsql: INSERT INTO `person` VALUES (?) - parameters:['Averil']",
    ),
    { errno: 1062, sqlState: '23000', parameters: ['Averil'], sql: 'INSERT …' },
  )
  const told = tellCause(cause)
  expect(told).toMatchObject({ errno: 1062, message: "(conn:7, no: 1062) Duplicate entry '…' for key '…'" })
  expect(JSON.stringify(told)).not.toMatch(/Averil|parameters|INSERT/)
  expect((told.stack as string[])[0]).toMatch(/^at /)
})

test('a line stays short, however much went wrong', () => {
  const told = tellCause(new Error('x'.repeat(80_000_000), { cause: new Error('y'.repeat(5000)) }))
  expect(JSON.stringify(told).length).toBeLessThan(4000)
})

test('what isn’t an error is told too', () => {
  expect(tellCause('gone')).toEqual({ message: 'gone' })
})
