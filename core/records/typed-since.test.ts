import { expect, test } from 'vitest'
import type { FormText } from './form-text'
import { typedSince } from './typed-since'

const form = (text: Record<string, string>, labels: Record<string, string> = {}): FormText => ({
  text,
  labels,
  insets: {},
})
const saved = { ...form({ name: 'Oak', note: '', number: 'V-1' }, { client: 'Averil' }), insets: { lines: [] } }

test('nothing typed since is nothing', () => {
  expect(typedSince(form({ name: ' Oak', note: '' }), form({ name: ' Oak', note: '' }), saved)).toBeUndefined()
})

test('what was typed since stands on what was saved, with what linked records are known by', () => {
  const now = form({ name: ' Oak', note: 'Ring first', client: '7' }, { client: 'Bram' })
  expect(typedSince(form({ name: ' Oak', note: '', client: '3' }), now, saved)).toEqual({
    text: { name: 'Oak', note: 'Ring first', number: 'V-1', client: '7' },
    labels: { client: 'Bram' },
    insets: { lines: [] },
  })
})
