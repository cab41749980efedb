import { expect, test } from 'vitest'
import { likeliest } from './likeliest'
import { likeness } from './likeness'

test.each([
  ['Hobb, Anna', 'hob', 0],
  ['Hobb, Anna', 'an', 0],
  ['Hobb, Anna', 'Hobb, Anna', 0],
  ['14 Quay Lane, Otterby', 'quay', 1],
  ['Mc-Hobb', 'hob', 1],
  ['Shobbing', 'hob', 2],
  ['Élan vital', 'él', 0],
  ['Anything', 'P-0007', 2],
])('“%s” for “%s” is %i', (label, typed, wanted) => {
  expect(likeness(label, typed)).toBe(wanted)
})

const option = (ref: string, label: string) => ({ ref, label })

test('what begins with the letters comes first, then what was used lately, and those shown alike say their number', () => {
  const found = [option('1', 'Shobbing'), option('2', 'Anna Hobb'), option('3', 'Hobb'), option('4', 'Hobb')]
  expect(likeliest(found, 'hob', [option('4', 'Hobb')])).toEqual([
    { ...option('4', 'Hobb'), number: '4' },
    { ...option('3', 'Hobb'), number: '3' },
    option('2', 'Anna Hobb'),
    option('1', 'Shobbing'),
  ])
})

test('where nothing is typed what was used lately comes first, also where it isn’t among the first found', () => {
  const found = [option('1', 'Ash'), option('2', 'Birch')]
  const refs = likeliest(found, '', [option('9', 'Yew'), option('2', 'Birch')]).map(({ ref }) => ref)
  expect(refs).toEqual(['9', '2', '1'])
})

test('a number is said as it is written, and a key of several parts never', () => {
  const found = [
    option('P%201', 'Hobb'),
    option('P%202', 'Hobb'),
    option('1~2026-01-02', 'Orme'),
    option('2~2026-01-02', 'Orme'),
  ]
  expect(likeliest(found, '', []).map(({ number }) => number)).toEqual(['P 1', 'P 2', undefined, undefined])
})
