import { type Book, type Field, findField, findTable, mustHold, tableOf } from '../book'
import { quoteText, readValue } from '../kinds'
import { quoteName } from '../names'
import { inSentence, plural, type Problem } from '../words'
import { physicalNames } from '../physical'
import type { LiveCheckQuestion, OpeningStep } from './steps'

/** The words that word lists start with; those that are there already stay as they are. */
export function firstWords(before: Book | undefined, after: Book): OpeningStep[] {
  const names = physicalNames(after)
  return after.tables.flatMap((table) => {
    const had = new Set(before && findTable(before, table.id)?.words?.map((word) => word.id))
    const words = (table.words ?? []).filter((word) => !had.has(word.id))
    const [column] = table.key.length === 1 ? names.columns(table.id, table.key[0]!) : []
    if (words.length === 0 || !column) return []
    const rows = words.map((word) => `(${quoteText(word.word)})`).join(', ')
    return [
      {
        say: `Write down the first ${plural(inSentence(table.name))}`,
        sql: `INSERT INTO ${quoteName(names.table(table.id))} (${quoteName(column.name)}) VALUES ${rows} ON DUPLICATE KEY UPDATE ${quoteName(column.name)} = ${quoteName(column.name)}`,
      },
    ]
  })
}

/** A choice that became a link to a new list: every word in use must be on that list. */
export function wordsMissing(before: Book, after: Book): LiveCheckQuestion[] {
  const names = physicalNames(before)
  return after.links.flatMap((link) => {
    const was = findField(before, link.field)
    const list = tableOf(after, link.one)
    if (was?.field.kind !== 'choice' || findTable(before, list.id)) return []
    const column = quoteName(names.columns(was.table.id, link.field)[0]!.name)
    const words = (list.words ?? []).map((word) => quoteText(word.word))
    const missing = words.length > 0 ? ` AND ${column} NOT IN (${words.join(', ')})` : ''
    return [
      {
        sql: `SELECT COUNT(*) AS count, LEFT(GROUP_CONCAT(DISTINCT ${column} SEPARATOR ', '), 200) AS examples FROM ${quoteName(names.table(was.table.id))} WHERE ${column} IS NOT NULL${missing}`,
        blocked: (count: number, examples: string) =>
          ({
            kind: 'not-on-list',
            table: was.table.name,
            field: was.field.name,
            list: list.name,
            count,
            examples,
          }) as const,
      },
    ]
  })
}

/** Why the first words of a list can't be written down: a word alone is no record there, or is no value of its key. */
export function wordsInTheWay(book: Book): Problem[] {
  return book.tables.flatMap((table): Problem[] => {
    if (!table.words) return []
    const [key] = table.key
    const more = table.fields.find((field) => mustHold(table, field) && field.id !== key && !field.startsAs)
    if (more) return [{ kind: 'first-words-need-more', table: table.name, field: more.name }]
    const field = table.fields.find((one) => one.id === key)
    const wrong = field && table.words.find(({ word }) => !isValue(field, word, book))
    return wrong ? [{ kind: 'first-word-is-none', word: wrong.word, table: table.name, field: field.name }] : []
  })
}

const isValue = (field: Field, word: string, book: Book) => {
  const read = readValue(word, field, book.look)
  return read.ok && read.value === word
}
