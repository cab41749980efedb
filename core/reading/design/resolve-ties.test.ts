import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Fact } from '../facts/facts'
import type { Quantity } from '../knowledge/quantities'
import { placed, throughHappenings, tieOf } from './resolve-ties'
import { pairsIn } from './ties'

const at = { need: 0, start: 0, end: 1 }
type Tie = Extract<Fact, { kind: 'tie' }>
const tie = (a: string, b: string, perA: Quantity, more: Partial<Tie> = {}): Tie => ({
  kind: 'tie',
  a,
  b,
  perA,
  verb: 'have',
  at,
  ...more,
})
const pairFact = (a: string, b: string, name: string): Fact => ({ kind: 'pairFact', a, b, named: { name }, at })
const one: Quantity = { least: 1, most: 1 }
const noneOrOne: Quantity = { least: 0, most: 1 }
const several: Quantity = { least: undefined, most: 'several' }
const oneOrMore: Quantity = { least: 1, most: 'several' }
const unsaid: Quantity = { least: undefined, most: undefined }

const settled = (...facts: Fact[]) => {
  const [pair] = pairsIn(facts)
  const { from, to, kind, must, least, limit } = tieOf(pair!)
  return { tie: `${from} ${kind} ${to}`, must, least, ...(limit && { limit }) }
}

describe('told from both sides', () => {
  test.each<[string, Quantity, Quantity, object]>([
    ['several and one', several, one, { tie: 'owner 1-n dog', must: true, least: false }],
    ['several and none or one', several, noneOrOne, { tie: 'owner 1-n dog', must: false, least: false }],
    ['at least one and one', oneOrMore, one, { tie: 'owner 1-n dog', must: true, least: true }],
    ['one and several', one, several, { tie: 'dog 1-n owner', must: true, least: false }],
    ['several and several', several, several, { tie: 'owner n-n dog', must: false, least: false }],
    ['one and one', one, one, { tie: 'owner 1-1 dog', must: true, least: true }],
    [
      'at most five and one',
      { least: undefined, most: 5 },
      one,
      { tie: 'owner 1-n dog', must: true, least: false, limit: { most: 5, per: 'owner', of: 'dog' } },
    ],
  ])('%s', (_what, perOwner, perDog, expected) => {
    expect(settled(tie('owner', 'dog', perOwner), tie('dog', 'owner', perDog))).toEqual(expected)
  })
})

describe('told from one side', () => {
  test('one of another means that the other may have several', () => {
    expect(settled(tie('dog', 'owner', one))).toEqual({ tie: 'owner 1-n dog', must: true, least: false })
    expect(settled(tie('dog', 'owner', noneOrOne))).toMatchObject({ tie: 'owner 1-n dog', must: false })
  })

  test('what owns several keeps them, what uses several shares them', () => {
    expect(settled(tie('owner', 'dog', several, { verb: 'own' })).tie).toBe('owner 1-n dog')
    expect(settled(tie('job', 'material', several, { verb: 'use' })).tie).toBe('job n-n material')
  })

  test('facts about the two together say that both have several', () => {
    expect(settled(tie('order', 'item', several), pairFact('order', 'item', 'quantity')).tie).toBe('order n-n item')
  })

  test('a statement in the plural on both sides leaves both open', () => {
    expect(settled(tie('member', 'concert', several, { loose: true })).tie).toBe('member n-n concert')
  })

  test('a plain statement yields to one that counts', () => {
    const loose = tie('customer', 'order', several, { loose: true })
    expect(settled(loose, tie('order', 'customer', one)).tie).toBe('customer 1-n order')
  })

  test('nothing counted at all is one to many, the subject first', () => {
    expect(settled(tie('customer', 'booking', unsaid, { verb: 'make' })).tie).toBe('customer 1-n booking')
  })
})

test('of two limits the narrower holds', () => {
  const facts = [
    tie('job', 'volume', { least: undefined, most: 12 }),
    tie('job', 'volume', { least: undefined, most: 9 }),
  ]
  expect(settled(...facts).limit?.most).toBe(9)
})

test('whichever side is told first, the tie is the same', () => {
  const quantity = fc.constantFrom(one, noneOrOne, several, oneOrMore, { least: undefined, most: 7 } as Quantity)
  const ties = fc.array(fc.tuple(fc.boolean(), quantity, fc.boolean()), { minLength: 1, maxLength: 5 })
  fc.assert(
    fc.property(ties, (told) => {
      const facts = told.map(([forward, perA, loose]) => tie(forward ? 'a' : 'b', forward ? 'b' : 'a', perA, { loose }))
      const [there, back] = [settled(...facts), settled(...[...facts].reverse())]
      const ends = (words: string) => {
        const [from, kind, to] = words.split(' ')
        return kind === '1-n' ? words : [kind, ...[from, to].sort()].join(' ')
      }
      expect(ends(back.tie)).toBe(ends(there.tie))
      if (there.tie.includes('1-n')) expect(back).toMatchObject({ must: there.must, least: there.least })
    }),
  )
})

describe('happenings', () => {
  const things = new Set(['member', 'tool', 'loan'])
  const borrowing = [
    tie('member', 'tool', { least: undefined, most: 5 }, { verb: 'borrow' }),
    pairFact('member', 'tool', 'deposit'),
  ]

  test('what happens between two goes through the table it is written down in, with its limit and its facts', () => {
    const { pairs, facts } = throughHappenings(pairsIn(borrowing), things)
    expect(pairs.map(tieOf).map(({ from, kind, to, must, limit }) => [from, kind, to, must, limit?.most])).toEqual([
      ['member', '1-n', 'loan', true, 5],
      ['tool', '1-n', 'loan', true, undefined],
    ])
    expect(facts.map(({ owner, named }) => [owner, named.name])).toEqual([['loan', 'deposit']])
  })

  test('facts are kept also where both were tied to it by other words', () => {
    const told = [...borrowing, tie('loan', 'member', one), tie('loan', 'tool', one)]
    const { pairs, facts } = throughHappenings(pairsIn(told), things)
    expect(pairs).toHaveLength(2)
    expect(facts.map(({ owner, named }) => [owner, named.name])).toEqual([['loan', 'deposit']])
  })

  test('without such a table the two are tied to each other', () => {
    const { pairs, facts } = throughHappenings(pairsIn(borrowing), new Set(['member', 'tool']))
    expect(pairs.map((pair) => [pair.a, pair.b])).toEqual([['member', 'tool']])
    expect(facts).toEqual([])
  })
})

describe('“the quantity of each treatment”', () => {
  const quantity = pairFact('treatment', '*', 'quantity')
  const shared = [tie('visit', 'treatment', several, { verb: 'use' }), tie('treatment', 'visit', several)]

  test('belongs to the one tie that treatments share', () => {
    expect(placed([...shared, quantity]).at(-1)).toMatchObject({ a: 'visit', b: 'treatment' })
  })

  test('belongs nowhere where there are two such ties, or none', () => {
    const also = [tie('course', 'treatment', several, { verb: 'use' }), tie('treatment', 'course', several)]
    expect(placed([...shared, ...also, quantity])).toHaveLength(4)
    expect(placed([quantity])).toEqual([])
  })
})
