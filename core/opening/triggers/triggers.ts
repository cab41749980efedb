import { type Book, type Field, type Table } from '../../book'
import { derivedOf } from '../../expressions'
import { quoteName } from '../../names'
import type { PhysicalNames, LiveAttached } from '../../physical'
import { expressionSql } from '../../sql'
import { keeping } from '../kept'
import type { Act } from './act'
import { refuse, refusing, saving } from './rule-triggers'

/** One trigger for each table and event that asks for any, so that who looks finds everything in one place. */
export function triggersOf(book: Book, names: PhysicalNames): LiveAttached[] {
  const acts = [
    ...book.tables.flatMap((table) => [
      revising(table),
      ...numbering(table, names),
      ...copying(book, table, names),
      ...freezing(book, table, names),
    ]),
    ...refusing(book, names),
    ...keeping(book, names),
  ]
  const places = new Map<string, Act[]>()
  for (const act of acts) {
    const place = `${act.table.id} ${act.timing} ${act.event}`
    places.set(place, [...(places.get(place) ?? []), act])
  }
  return [...places.values()].map((all) => {
    const { table, timing, event } = all[0]!
    const name = `${names.table(table.id)}_${timing}_${event}`.toLowerCase()
    // Two rules may hold the same record.
    const lines = [...new Set(all.map((act) => act.sql))]
    return {
      kind: 'TRIGGER',
      name,
      table: table.id,
      say: `Make the database itself keep the rules and copies of ${table.name}`,
      sql: `CREATE OR REPLACE TRIGGER ${quoteName(name)} ${timing} ${event} ON ${names.quoted(table.id)} FOR EACH ROW BEGIN\n  ${lines.join('\n  ')}\nEND`,
    }
  })
}

const soundFields = (book: Book, table: Table, wanted: (field: Field) => boolean) =>
  table.fields.filter(wanted).flatMap((field) => {
    const made = derivedOf(book, field.id)
    return 'problem' in made ? [] : [{ field, made }]
  })

/**
 * A change that another tool makes raises the revision too, so that nobody overwrites it who read the record before;
 * and it is no longer said to be the last one's who changed it here.
 */
const revising = (table: Table): Act => ({
  table,
  timing: 'BEFORE',
  event: 'UPDATE',
  sql: `IF ${saving} IS NULL AND NEW.row_rev <=> OLD.row_rev THEN SET NEW.row_rev = OLD.row_rev + 1; IF NEW.changed_by <=> OLD.changed_by THEN SET NEW.changed_by = NULL; END IF; END IF;`,
})

const stays = (column: string, condition: string, words: string) =>
  refuse(`${saving} IS NULL AND ${condition} AND NOT (NEW.${column} <=> OLD.${column})`, words)

/** A running number stays as it was given. */
const numbering = (table: Table, names: PhysicalNames): Act[] =>
  table.fields
    .filter(({ kind }) => kind === 'running')
    .map((field) => ({
      table,
      timing: 'BEFORE',
      event: 'UPDATE',
      sql: stays(
        quoteName(names.columns(table.id, field.id)[0]!.name),
        'TRUE',
        `${field.name} is a running number and stays as it was given.`,
      ),
    }))

/** A copied fact is taken when the link is made and when it is made anew, unless another is given with it. */
function copying(book: Book, table: Table, names: PhysicalNames): Act[] {
  return soundFields(book, table, ({ kind }) => kind === 'copied').flatMap(({ field, made }): Act[] => {
    if (made.tree.kind !== 'fact') return []
    const own = quoteName(names.columns(table.id, field.id)[0]!.name)
    const links = names.columns(table.id, made.tree.over[0]!).map((column) => quoteName(column.name))
    const take = `SET NEW.${own} = ${expressionSql(book, names, table.id, made.tree, 'NEW')}`
    const same = [...links, own].map((column) => `NEW.${column} <=> OLD.${column}`)
    const kept = same.at(-1)!
    const relinked = `NOT (${same.slice(0, -1).join(' AND ')})`
    return [
      { table, timing: 'BEFORE', event: 'INSERT', sql: `IF NEW.${own} IS NULL THEN ${take}; END IF;` },
      { table, timing: 'BEFORE', event: 'UPDATE', sql: `IF ${relinked} AND ${kept} THEN ${take}; END IF;` },
      {
        table,
        timing: 'BEFORE',
        event: 'UPDATE',
        sql: stays(own, `NOT ${relinked}`, `${field.name} is copied when the link is made, and stays as it was then.`),
      },
    ]
  })
}

/** A worked-out fact that freezes is written down at that moment. */
function freezing(book: Book, table: Table, names: PhysicalNames): Act[] {
  return soundFields(book, table, ({ freezes }) => freezes !== undefined).flatMap(({ field, made }): Act[] => {
    if (!made.freezes) return []
    const own = quoteName(names.columns(table.id, field.id)[0]!.name)
    const holds = (row: 'NEW' | 'OLD') => `COALESCE(${expressionSql(book, names, table.id, made.freezes!, row)}, FALSE)`
    const freeze = `SET NEW.${own} = ${expressionSql(book, names, table.id, made.tree, 'NEW')};`
    const thaw = `SET NEW.${own} = NULL;`
    return [
      {
        table,
        timing: 'BEFORE',
        event: 'INSERT',
        sql: `IF ${holds('NEW')} THEN IF NEW.${own} IS NULL THEN ${freeze} END IF; ELSE ${thaw} END IF;`,
      },
      {
        table,
        timing: 'BEFORE',
        event: 'UPDATE',
        sql: `IF NOT ${holds('NEW')} THEN ${thaw} ELSEIF NOT ${holds('OLD')} THEN ${freeze} END IF;`,
      },
      {
        table,
        timing: 'BEFORE',
        event: 'UPDATE',
        sql: stays(own, `${holds('NEW')} AND ${holds('OLD')}`, `${field.name} no longer changes.`),
      },
    ]
  })
}
