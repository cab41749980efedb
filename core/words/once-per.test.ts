import { expect, test } from 'vitest'
import { oncePer, oncePerPart } from '.'

test('a thing is worked out once for each object, even where it comes to nothing', () => {
  let times = 0
  const found = oncePer((of: { readonly is: number | undefined }) => (times++, of.is))
  const [one, none] = [{ is: 1 }, { is: undefined }]
  expect([found(one), found(one), found(none), found(none), found({ is: 1 })]).toEqual([1, 1, undefined, undefined, 1])
  expect(times).toBe(3)
})

test('and once for each of its parts', () => {
  const asked: string[] = []
  const found = oncePerPart((of: { readonly name: string }, part: string) => {
    asked.push(`${of.name} ${part}`)
    return part.length
  })
  const [a, b] = [{ name: 'a' }, { name: 'b' }]
  expect([found(a, 'x'), found(a, 'xy'), found(a, 'x'), found(b, 'x')]).toEqual([1, 2, 1, 1])
  expect(asked).toEqual(['a x', 'a xy', 'b x'])
})

test('what asks for itself while it is worked out is answered in the end', () => {
  const depth = oncePerPart((of: readonly string[], at: number): number => (at === 0 ? 0 : depth(of, at - 1) + 1))
  expect(depth(['a'], 5)).toBe(5)
})
