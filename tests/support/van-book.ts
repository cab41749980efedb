import { expect } from 'vitest'
import type { Edit } from '@/core/book'
import type { Catalogue } from '@/server/catalogue'
import { select } from '@/server/database'
import { type Live, openBook, saveRecord } from '@/server/live'
import type { Account } from '@/server/people'
import { editAll, opened, shapeAfresh, shapeOf, testBook } from './catalogue'

const vans: Edit[] = [
  { kind: 'addTable', id: 'van', name: 'Van', keyField: 'van-key' },
  { kind: 'addField', table: 'van', id: 'plate', name: 'Plate', holds: 'line' },
  { kind: 'addField', table: 'van', id: 'model', name: 'Model', holds: 'line' },
  { kind: 'addField', table: 'van', id: 'seats', name: 'Seats', holds: 'whole' },
  { kind: 'addField', table: 'van', id: 'crane', name: 'Crane', holds: 'tick' },
  { kind: 'addField', table: 'van', id: 'fuel', name: 'Fuel', holds: 'choice' },
  {
    kind: 'changeField',
    field: 'fuel',
    to: { choices: ['diesel', 'gas', 'wood'].map((word) => ({ id: word, word })) },
  },
  { kind: 'addTable', id: 'part', name: 'Part', keyField: 'part-key' },
]

const rows: Record<string, string>[] = [
  { plate: 'V 1', model: 'Ember 3', seats: '3', crane: '1', fuel: 'gas' },
  { plate: 'V 2', model: 'ember 3', seats: '3', crane: '1', fuel: 'diesel' },
  { plate: 'V 3', model: 'Ember 3', seats: '5', crane: '0' },
  { plate: 'V 4', crane: '0', fuel: 'gas' },
]

/** A record added as Records adds it. */
export async function add(db: Catalogue, live: Live, table: string, values: Record<string, string>) {
  const saved = await saveRecord({ db, live, who: 'Averil' }, { table, ref: null, rev: null, values, children: [] })
  expect(saved.kind).toBe('saved')
}

/** A book of vans that is opened and has records; what opening it again does after some edits. */
export async function vanBook(db: Catalogue, account: Account, name: string, ...first: Edit[]) {
  const id = await testBook(db, account, name, [...vans, ...first])
  const live = await opened(db, account, id)
  for (const values of rows) {
    await add(db, live, 'van', values)
  }
  return {
    id,
    live,
    edit: (...edits: Edit[]) => editAll(db, account, id, edits),
    open: async () => {
      const sheet = await openBook(db, id, account.id)
      if (!sheet.ok) throw new Error(sheet.problem.kind)
      return sheet.value
    },
    /** After an opening that nothing stood in the way of, all is as if it had always been so. */
    follows: async () => {
      const sheet = await openBook(db, id, account.id)
      expect(sheet).toMatchObject({ ok: true, value: { kind: 'change', blocked: [] } })
      expect(await shapeOf(db, live.schema)).toBe(await shapeAfresh(db, account, id))
    },
    rows: (sql: string) => select(db, sql.replaceAll('@', `\`${live.schema}\`.`)),
  }
}

/** Moves fields of the vans to a table of their own. */
export const split = (as: 'kind' | 'rows', name: string, ...fields: string[]): Edit => ({
  kind: 'splitTable',
  table: 'van',
  id: 'new',
  keyField: 'new-key',
  link: 'new-link',
  linkField: 'new-at',
  name,
  fields,
  as,
})
