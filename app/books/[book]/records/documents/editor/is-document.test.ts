import { expect, test } from 'vitest'
import { isDocument, isPartOfDocument } from './is-document'

const shows = { kind: 'field', place: { way: [], field: 'price' } }
const when = { kind: 'has', way: [], least: 1 }

test.each<readonly [string, object, boolean]>([
  ['chip', { parts: { shows } }, true],
  ['chip', { parts: { what: 'today' } }, true],
  ['chip', { parts: null }, false],
  ['chip', { parts: {} }, false],
  ['chip', { parts: { shows, as: 'odd' } }, false],
  ['chip', { parts: { what: 'password' } }, false],
  ['fields', { parts: { columns: [{ shows }], across: 2 } }, true],
  ['fields', { parts: { columns: 'all', across: 2 } }, false],
  ['fields', { parts: { columns: [{ shows }], across: 9 } }, false],
  ['rows', { parts: { kind: 'rows', id: 'r', way: [], columns: [{ id: 'c', shows }], order: [] } }, true],
  ['rows', { parts: { kind: 'rows' } }, false],
  ['code', { parts: { as: 'qr', shows } }, true],
  ['code', { parts: { as: 'none', shows } }, false],
  ['mail', { parts: { shows, attached: true } }, true],
  ['mail', { parts: { shows: 'all' } }, false],
  ['mail', { parts: null }, false],
  ['room', { lines: 4 }, true],
  ['room', { lines: 4000 }, false],
  ['room', { lines: null }, false],
  ['signatures', { of: ['Day'] }, true],
  ['signatures', { of: [1] }, false],
  ['only', { id: 'o', when }, true],
  ['only', { id: 'o', when: null }, false],
  ['pageTurn', {}, true],
  ['address', {}, true],
])('a pasted %s of %j: %s', (type, attrs, is) => {
  expect(isPartOfDocument(type, attrs)).toBe(is)
})

test('what a browser kept is a document, or is left', () => {
  const settings = { name: ' ', paper: { size: 'a4', margin: 20 }, letters: 10 }
  const paragraph = { type: 'paragraph', content: [{ type: 'text', text: 'Dear all' }] }
  expect(isDocument({ type: 'doc', attrs: { settings }, content: [paragraph] })).toBe(true)
  expect(isDocument({ type: 'doc', attrs: { settings: { ...settings, letters: 99 } }, content: [paragraph] })).toBe(
    false,
  )
  expect(
    isDocument({ type: 'doc', attrs: { settings }, content: [{ type: 'chip', attrs: {} }, { type: 'rows' }] }),
  ).toBe(false)
})
