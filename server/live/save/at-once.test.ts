import { beforeAll, expect, test } from 'vitest'
import { collide, collisions, hallOf } from '@/tests/support/at-once'
import { opened, testAccount, testBook, testCatalogue } from '@/tests/support/catalogue'
import { tie } from '@/tests/support/edits'
import { ruled } from '@/tests/support/ruled-design'
import type { Catalogue } from '../../catalogue'
import type { Account } from '../../people'

let db: Catalogue
let account: Account

beforeAll(async () => {
  db = await testCatalogue('at_once')
  account = await testAccount(db, 'Averil')
})

const rounds = 40

test.each(Object.entries(collisions))('of saves at the same moment none gets past a rule %s', async (name, one) => {
  const { outcomes, broken } = await collide(db, account, name, one, rounds)
  expect(broken).toBe(0)
  // Something was saved, and nothing failed in any other way than by a refusal.
  expect([...outcomes.keys()].filter((kind) => !['saved', 'refused'].includes(kind))).toEqual([])
  expect(outcomes.get('saved')).toBeGreaterThanOrEqual(one.saved ?? rounds)
})

test('rules that look at each other’s tables don’t hold their writers up for ever', async () => {
  const design = ruled('across', 'gathered', 'counted', 'apart', 'twoLinks')
  design.do(tie('room', 'extra', { link: 'extra-room-link', field: 'extra-room' }))
  const live = await opened(db, account, await testBook(db, account, 'Crossing', design.edits))
  const hall = hallOf(db, live)
  for (let at = 1; at <= 4; at++) {
    await hall.run('INSERT INTO $room (room_number, seats) VALUES (#, 100)', at)
    await hall.run('INSERT INTO $hire (hire_number, room, guests, price) VALUES (#, #, 1, 100)', at)
  }
  const kinds = await Promise.all(
    Array.from({ length: 120 }, async (_, at) => {
      const [one, other] = [`${(at % 4) + 1}`, `${((at * 7) % 4) + 1}`]
      const work = [
        () => hall.change('room', one, { seats: String(50 + (at % 50)) }),
        () => hall.change('hire', one, { guests: String(at % 40), 'hire-room': other }),
        () => hall.add('extra', { 'extra-hire': one, 'extra-room': other, cost: '1.00' }),
      ]
      return ((await work[at % 3]!()) as { kind: string }).kind
    }),
  )
  expect(kinds.filter((kind) => !['saved', 'refused', 'conflict'].includes(kind))).toEqual([])
  expect(kinds.filter((kind) => kind === 'saved').length).toBeGreaterThan(30)
})
