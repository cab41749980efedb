import { expect, test } from 'vitest'
import { refusalOf } from './front-door'

test.each([
  ['GET', '/books/emberly?find=%C3%A9', undefined],
  ['POST', '/books/emberly/records', undefined],
  ['GET', '/books/%ff', 400],
  ['GET', '/books/%', 400],
  ['GET', '/books/%00', 400],
  ['GET', '/books/a?x=%ff', undefined],
  ['TRACE', '/', 405],
  ['DELETE', '/books/emberly', 405],
])('%s %s: %s', (method, url, status) => {
  expect(refusalOf({ method, url })).toBe(status)
})
