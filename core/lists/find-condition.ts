import type { Book, Table } from '../book'
import { faceOf } from '../expressions'
import { isDerived, type KindName, kindOf } from '../kinds'
import { factSql, type PhysicalNames } from '../opening'
import { columnSql, joinPlan, type LabelPlan } from './label'

export interface Condition {
  readonly sql: string
  readonly params: readonly (string | number | null)[]
}

const wordsAtMost = 8

/** Every word must stand somewhere in the record or in what its linked records are known by. */
export function findCondition(
  book: Book,
  names: PhysicalNames,
  table: Table,
  find: string,
  join: (plan: LabelPlan) => void,
  onlyIn?: LabelPlan,
): Condition | undefined {
  const words = rareFirst(find.normalize('NFC').trim().split(/\s+/).filter(Boolean)).slice(0, wordsAtMost)
  if (words.length === 0) return undefined
  const texts: string[] = []
  const figures: string[] = []
  const days: string[] = []
  const place = (kind: KindName, sql: string) => (isText(kind) ? texts : figures).push(sql)
  onlyIn?.pieces.forEach((piece) => place(piece.field.kind, piece.sql))
  for (const field of onlyIn ? [] : table.fields) {
    const face = faceOf(book, field)
    const control = kindOf(face.kind).control
    if (field.kind === 'link') {
      const plan = joinPlan(book, names, table, field, 't')
      join(plan)
      plan.pieces.forEach((piece) => place(piece.field.kind, piece.sql))
      continue
    }
    // What is gathered or worked out is looked at, not looked for: reckoning it for every record takes too long.
    if (field.kind === 'gathered' || field.kind === 'workedOut') continue
    const sql = isDerived(field)
      ? factSql(book, names, field.id, 't')
      : columnSql('t', names.columns(table.id, field.id)[0]!.name)
    if (control === 'file' || control === 'tick') continue
    if (control === 'date' || control === 'date-time') days.push(sql)
    place(face.kind, sql)
  }
  const day = days.length > 0 ? kindOf('date').read(find, {}, book.look) : undefined
  const perWord = words.map((word): Condition => {
    // Numbers and days are looked through only for words with a figure in them.
    const places = /\d/.test(word) ? [...texts, ...figures] : texts
    // Half the cost of LIKE under a language collation. Capitals count as small letters, as everywhere.
    const pattern = `(?i)${word.replace(/[\\^$.*+?()[\]{}|]/g, '\\$&')}`
    return { sql: places.map((sql) => `${sql} REGEXP ?`).join(' OR ') || 'FALSE', params: places.map(() => pattern) }
  })
  const all: Condition = {
    sql: perWord.map((part) => `(${part.sql})`).join(' AND '),
    params: perWord.flatMap((part) => part.params),
  }
  if (!day?.ok) return all
  const onDay = days.map((sql) => `(${sql} >= ? AND ${sql} < ? + INTERVAL 1 DAY)`).join(' OR ')
  return { sql: `(${all.sql}) OR ${onDay}`, params: [...all.params, ...days.flatMap(() => [day.value, day.value])] }
}

/** Words that few records have are looked for first, so that most records are passed over at the first word. */
const rareFirst = (words: readonly string[]) =>
  [...words].sort((a, b) => Number(/\d/.test(b)) - Number(/\d/.test(a)) || b.length - a.length)

const isText = (kind: KindName) => ['line', 'passage', 'pick'].includes(kindOf(kind).control) || kind === 'running'
