import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import { type Book, limits, type Rule } from '../book'
import { dropPart, putRule, setKeys } from '../build-steps'
import { findTable } from '../find'
import { type EditKind, Id, orNothing } from './edit-kind'

const gone = fail({ kind: 'gone', what: 'rule' })
const typedWords = z.string().max(400)

/** What staff read, tidied; it must say something. */
function readWords(typed: string): Result<string> {
  const text = typed.replace(/\s+/g, ' ').trim()
  if (!text) return fail({ kind: 'rule-without-words' })
  return text.length > 200 ? fail({ kind: 'too-long', limit: 200, length: text.length }) : ok(text)
}

const AddRule = z.strictObject({ kind: z.literal('addRule'), id: Id, table: Id, holds: z.json(), words: typedWords })

/** A rule over the facts of one table's records, and what staff read when it refuses. */
export const addRule: EditKind<z.infer<typeof AddRule>> = {
  schema: AddRule,
  steps(book, { id, table, holds, words }) {
    if (!findTable(book, table)) return fail({ kind: 'gone', what: 'table' })
    if (book.rules.length >= limits.rules) return fail({ kind: 'too-many', what: 'rule', limit: limits.rules })
    const said = readWords(words)
    return said.ok ? ok([putRule({ id, table, holds, words: said.value })]) : said
  },
  say: (book, { table }) => `Add a rule for ${findTable(book, table)?.name ?? 'a table'}`,
}

const ruleOf = (book: Book, id: string): Rule | undefined => book.rules.find((rule) => rule.id === id)
const ruleWords = (book: Book, id: string) => `“${ruleOf(book, id)?.words ?? 'a rule'}”`

const ChangeRule = z.strictObject({
  kind: z.literal('changeRule'),
  rule: Id,
  holds: z.json().optional(),
  words: typedWords.optional(),
})

export const changeRule: EditKind<z.infer<typeof ChangeRule>> = {
  schema: ChangeRule,
  steps(book, { rule: id, holds, words }) {
    const rule = ruleOf(book, id)
    if (!rule) return gone
    const said = readWords(words ?? rule.words)
    return said.ok ? orNothing(setKeys(rule, id, { holds: holds ?? rule.holds, words: said.value })) : said
  },
  say: (book, { rule }) => `Change the rule ${ruleWords(book, rule)}`,
}

const RemoveRule = z.strictObject({ kind: z.literal('removeRule'), rule: Id })

export const removeRule: EditKind<z.infer<typeof RemoveRule>> = {
  schema: RemoveRule,
  steps: (book, { rule }) => (ruleOf(book, rule) ? ok([dropPart(book, 'rules', rule)]) : gone),
  say: (book, { rule }) => `Remove the rule ${ruleWords(book, rule)}`,
}
