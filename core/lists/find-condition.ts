import type { Book, Table } from '../book'
import { displayOf } from '../expressions'
import { isDerived, type KindName, kindOf } from '../kinds'
import type { PhysicalNames } from '../physical'
import { factSql } from '../sql'
import { columnSql, joinPlan, type LabelPlan } from './label'

export interface Condition {
  readonly sql: string
  readonly params: readonly (string | number | null)[]
}

/** Where in a value the first word looked for must stand. */
export type Begins = 'value' | 'word' | 'anywhere'

/** Where to look: what records are known by, their key among it, and from where on. */
export interface FindInLabel {
  readonly plan: LabelPlan
  readonly key: readonly { readonly sql: string; readonly kind: KindName }[]
  readonly begins: Begins
}

const wordsAtMost = 8

/** What is looked through, by what it can hold. */
interface Places {
  readonly texts: readonly string[]
  /** Numbers, days and times. */
  readonly figures: readonly string[]
  readonly days: readonly string[]
}

/**
 * Every word must stand somewhere in the record or in what its linked records are known by. Commas part what is looked
 * for as they part what records are shown as; a part that is a day is found as one.
 */
export function findCondition(
  book: Book,
  names: PhysicalNames,
  table: Table,
  find: string,
  join: (plan: LabelPlan) => void,
  onlyIn?: FindInLabel,
): Condition | undefined {
  if (!find.trim()) return undefined
  const places = onlyIn ? labelPlaces(onlyIn) : recordPlaces(book, names, table, join)
  const wanted = find.normalize('NFC').trim()
  const apart = wanted
    .split(/[,;]+(?:\s|$)/)
    .map((part) => part.trim())
    .filter(Boolean)
  // A comma alone is looked for itself.
  const parts = (apart.length > 0 ? apart : [wanted]).map((part) => ({ part, words: part.split(/\s+/) }))
  let left = wordsAtMost
  const asked = parts.flatMap(({ part, words }) => {
    const some = words.slice(0, left)
    left -= some.length
    return some.length > 0 ? [{ part, words: some }] : []
  })
  const [first] = asked[0]!.words
  const conditions = asked.map(({ part, words }): Condition => {
    const perWord = rareFirst(words).map((word) =>
      wordCondition(book, places, word, word === first ? (onlyIn?.begins ?? 'anywhere') : 'anywhere'),
    )
    const all = joined(perWord, ' AND ')
    const day = places.days.length > 0 ? kindOf('date').read(part, {}, book.look) : undefined
    if (!day?.ok) return all
    const onDay = places.days.map((sql) => `(${sql} >= ? AND ${sql} < ? + INTERVAL 1 DAY)`).join(' OR ')
    return {
      sql: `(${all.sql}) OR ${onDay}`,
      params: [...all.params, ...places.days.flatMap(() => [day.value, day.value])],
    }
  })
  return joined(conditions, ' AND ')
}

const joined = (conditions: readonly Condition[], word: string): Condition =>
  conditions.length === 1
    ? conditions[0]!
    : {
        sql: conditions.map((part) => `(${part.sql})`).join(word),
        params: conditions.flatMap((part) => part.params),
      }

const before: Readonly<Record<Begins, string>> = { value: '^', word: '(?<![\\p{L}\\p{N}])', anywhere: '' }

function wordCondition(book: Book, { texts, figures }: Places, word: string, begins: Begins): Condition {
  // Numbers and days are looked through only for words with a figure in them.
  const hasFigure = /\d/.test(word)
  // Half the cost of LIKE under a language collation. Capitals count as small letters, as everywhere.
  const pattern = (text: string) => `(?i)${before[begins]}${text.replace(/[\\^$.*+?()[\]{}|]/g, '\\$&')}`
  const inTexts = texts.map((sql) => ({ sql, pattern: pattern(word) }))
  const number = hasFigure ? kindOf('exact').read(word, { decimals: 4 }, book.look) : undefined
  // Written the way the book writes numbers, stored without.
  const plain = number?.ok && number.value !== null ? number.value.replace(/\.?0+$/, '') : word
  const inFigures = hasFigure
    ? figures.flatMap((sql) =>
        [word, ...(plain === word ? [] : [plain])].map((text) => ({ sql, pattern: pattern(text) })),
      )
    : []
  const all = [...inTexts, ...inFigures]
  return { sql: all.map(({ sql }) => `${sql} REGEXP ?`).join(' OR ') || 'FALSE', params: all.map((one) => one.pattern) }
}

class PlacesFound implements Places {
  readonly texts: string[] = []
  readonly figures: string[] = []
  readonly days: string[] = []

  add(kind: KindName, sql: string): void {
    const { control } = kindOf(kind)
    if (control === 'file' || control === 'tick') return
    if (control === 'date' || control === 'date-time') this.days.push(sql)
    const into = isText(kind) ? this.texts : this.figures
    if (!into.includes(sql)) into.push(sql)
  }
}

function labelPlaces({ plan, key }: FindInLabel): Places {
  const found = new PlacesFound()
  for (const { field, sql } of [...plan.pieces, ...plan.unsaid]) found.add(field.kind, sql)
  for (const { kind, sql } of key) found.add(kind, sql)
  return found
}

function recordPlaces(book: Book, names: PhysicalNames, table: Table, join: (plan: LabelPlan) => void): Places {
  const found = new PlacesFound()
  for (const field of table.fields) {
    if (field.kind === 'link') {
      const plan = joinPlan(book, names, table, field, 't')
      join(plan)
      for (const piece of [...plan.pieces, ...plan.unsaid]) found.add(piece.field.kind, piece.sql)
      continue
    }
    // What is gathered or worked out is looked at, not looked for: computing it for every record takes too long.
    if (field.kind === 'gathered' || field.kind === 'workedOut') continue
    const sql = isDerived(field)
      ? factSql(book, names, field.id, 't')
      : columnSql('t', names.columns(table.id, field.id)[0]!.name)
    found.add(displayOf(book, field).kind, sql)
  }
  return found
}

/** Words that few records have are looked for first, so that most records are passed over at the first word. */
const rareFirst = (words: readonly string[]) =>
  [...words].sort((a, b) => Number(/\d/.test(b)) - Number(/\d/.test(a)) || b.length - a.length)

const isText = (kind: KindName) => ['line', 'passage', 'choice'].includes(kindOf(kind).control) || kind === 'running'
