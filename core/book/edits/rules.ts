import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import { type Book, RuleSays } from '../book'
import { limits } from '../limits'
import { dropRules, putRule, setKeys } from '../build-steps'
import { findRule, findTable } from '../find'
import { type EditKind, Id, orNothing } from './edit-kind'

const gone = fail({ kind: 'gone', what: 'rule' })
const typedWords = z.string().max(400)

/** What staff read, tidied; it must say something. */
function readWords(typed: string): Result<string> {
  const text = typed.replace(/\s+/g, ' ').trim()
  if (!text) return fail({ kind: 'rule-without-words' })
  return text.length > 200 ? fail({ kind: 'too-long', limit: 200, length: text.length }) : ok(text)
}

const AddRule = z.strictObject({
  kind: z.literal('addRule'),
  id: Id,
  table: Id,
  says: RuleSays,
  words: typedWords,
  onlyNew: z.literal(true).optional(),
  warns: z.literal(true).optional(),
})

/** A rule for one table's records, and what staff read when it refuses. */
export const addRule: EditKind<z.infer<typeof AddRule>> = {
  schema: AddRule,
  steps(book, { kind: _kind, words, ...rule }) {
    if (!findTable(book, rule.table)) return fail({ kind: 'gone', what: 'table' })
    if (book.rules.length >= limits.rules) return fail({ kind: 'too-many', what: 'rule', limit: limits.rules })
    const said = readWords(words)
    return said.ok ? ok([putRule({ ...rule, words: said.value })]) : said
  },
  say: (book, { table }) => `Add a rule for ${findTable(book, table)?.name ?? 'a table'}`,
}

const ruleWords = (book: Book, id: string) => `“${findRule(book, id)?.words ?? 'a rule'}”`

const ChangeRule = z.strictObject({
  kind: z.literal('changeRule'),
  rule: Id,
  says: RuleSays.optional(),
  words: typedWords.optional(),
  onlyNew: z.boolean().optional(),
  warns: z.boolean().optional(),
})

export const changeRule: EditKind<z.infer<typeof ChangeRule>> = {
  schema: ChangeRule,
  steps(book, { rule: id, says, words, onlyNew, warns }) {
    const rule = findRule(book, id)
    if (!rule) return gone
    const said = readWords(words ?? rule.words)
    if (!said.ok) return said
    return orNothing(
      setKeys(rule, id, {
        says: says ?? rule.says,
        words: said.value,
        onlyNew: (onlyNew ?? rule.onlyNew) ? true : undefined,
        warns: (warns ?? rule.warns) ? true : undefined,
      }),
    )
  },
  say: (book, { rule }) => `Change the rule ${ruleWords(book, rule)}`,
}

const RemoveRule = z.strictObject({ kind: z.literal('removeRule'), rule: Id })

export const removeRule: EditKind<z.infer<typeof RemoveRule>> = {
  schema: RemoveRule,
  steps(book, { rule: id }) {
    const rule = findRule(book, id)
    return rule ? ok(dropRules(book, [rule])) : gone
  },
  say: (book, { rule }) => `Remove the rule ${ruleWords(book, rule)}`,
}
