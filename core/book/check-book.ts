import { fail, ok, type Result } from '../words'
import { Book } from './book'

/** What is broken in a book that every edit promises to keep whole; none in a sound one. For people who build. */
export function faultsOf(book: Book): string[] {
  const faults: string[] = []
  const ids = new Set<string>()
  const seen = (id: string) => {
    if (ids.has(id)) faults.push(`the id ${id} stands twice`)
    ids.add(id)
  }
  for (const part of [
    ...book.needs,
    ...book.tables,
    ...book.links,
    ...book.pairs,
    ...book.rules,
    ...book.dismissed,
    ...book.areas,
    ...book.remarks,
    ...book.lists,
    ...book.reports,
    ...book.templates,
    ...book.forms,
  ])
    seen(part.id)
  const names = new Set<string>()
  const once = (parts: readonly { readonly liveName?: string | undefined }[]) => {
    const chosen = parts.flatMap((part) => part.liveName?.toLowerCase() ?? [])
    if (new Set(chosen).size < chosen.length) faults.push('two parts are called the same in the database')
  }
  once(book.tables)
  for (const table of book.tables) {
    once(table.fields)
    if (names.has(table.name.toLowerCase())) faults.push(`two tables are called ${table.name}`)
    names.add(table.name.toLowerCase())
    const fieldNames = new Set<string>()
    for (const field of table.fields) {
      seen(field.id)
      if (fieldNames.has(field.name.toLowerCase())) faults.push(`${table.name} has two fields ${field.name}`)
      fieldNames.add(field.name.toLowerCase())
      const links = book.links.filter((link) => link.field === field.id && link.many === table.id)
      if ((field.kind === 'link') !== (links.length === 1)) faults.push(`${field.name} and its link disagree`)
    }
    for (const id of [...table.key, ...table.knownBy]) {
      if (!table.fields.some((field) => field.id === id))
        faults.push(`${table.name} is unique by or shown as a lost field`)
    }
  }
  for (const link of book.links) {
    const one = book.tables.find((table) => table.id === link.one)
    const many = book.tables.find((table) => table.id === link.many)
    if (!one || !many?.fields.some((field) => field.id === link.field))
      faults.push(`the link ${link.id} is linked to nothing`)
    if (one && one.key.length === 0) faults.push(`${one.name} is linked to without a key`)
  }
  for (const link of book.links) {
    const fields = book.tables.find((table) => table.id === link.many)?.fields ?? []
    for (const { when } of link.limits ?? []) {
      if (when && !fields.some((field) => field.id === when.field))
        faults.push(`the limit of ${link.id} asks a lost field`)
    }
  }
  const parts = new Set([...ids])
  for (const need of book.needs) {
    if (need.metBy.some((id) => !parts.has(id))) faults.push(`a need is met by what is gone`)
  }
  return [...faults, ...lostTables(book)]
}

/** What speaks of a table that isn't there. */
function lostTables({ tables, pairs, rules, lists, reports, templates, forms }: Book): string[] {
  const isThere = (id: string) => tables.some((table) => table.id === id)
  return [
    ...pairs.filter(({ a, b }) => !isThere(a) || !isThere(b)).map(() => 'a pair is linked to nothing'),
    ...rules.filter(({ table }) => !isThere(table)).map(() => 'a rule is linked to nothing'),
    ...lists.filter(({ table }) => !isThere(table)).map(() => 'a list is of no table'),
    ...templates.filter(({ table }) => !isThere(table)).map(() => 'a document is of no table'),
    ...forms.filter(({ table }) => !isThere(table)).map(() => 'a form is of no table'),
    ...reports.filter(({ list }) => !lists.some(({ id }) => id === list)).map(() => 'a report is of no list'),
  ]
}

/** Reads a saved book; refuses what is not one or is not whole. */
export function readBook(json: unknown): Result<Book> {
  const read = Book.safeParse(json)
  return read.success && faultsOf(read.data).length === 0 ? ok(read.data) : fail({ kind: 'not-a-book' })
}
