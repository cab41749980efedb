import * as z from 'zod'
import { isPlainList } from '../words-of'
import { Choices } from '../../kinds'
import { fail, ok } from '../../words'
import type { Book, Field, Table } from '../book'
import { limits } from '../limits'
import { dropPart, dropRulesOn, putLink, putTable, setKeys, untick } from '../build-steps'
import { findField, findTable, linksTo, partName, fieldWith } from '../find'
import { checkSettings, onlyUsed } from '../settings-check'
import { rulesFollow, sourcesFollow } from './expressions-follow'
import { type EditKind, Id, inTurn, orNothing, readName, typedName } from './edit-kind'
import { dropKeptOf } from './kept-parts'

const gone = fail({ kind: 'gone', what: 'table' })

const ChoicesToList = z.strictObject({
  kind: z.literal('choicesToList'),
  field: Id,
  /** Ids for the word list, its key and the link to it. */
  id: Id,
  keyField: Id,
  link: Id,
  name: typedName,
})

/**
 * Turns a choice into a link to a word list of its own, which staff may extend. The field keeps its id and the
 * list keeps the words as its key, so that records stay as they are.
 */
export const choicesToList: EditKind<z.infer<typeof ChoicesToList>> = {
  schema: ChoicesToList,
  steps(book, edit) {
    const found = findField(book, edit.field)
    if (!found || found.field.kind !== 'choice') return fail({ kind: 'gone', what: 'field' })
    const { table, field } = found
    const name = readName(edit.name, 'table', book.tables)
    if (!name.ok) return name
    if (book.tables.length >= limits.tables) return fail({ kind: 'too-many', what: 'table', limit: limits.tables })
    if (book.links.length >= limits.links) return fail({ kind: 'too-many', what: 'link', limit: limits.links })
    const key: Field = { id: edit.keyField, name: name.value, kind: 'line', length: 100, must: true }
    const list: Table = {
      id: edit.id,
      name: name.value,
      role: 'word-list',
      fields: [key],
      key: [key.id],
      knownBy: [key.id],
      ...(field.choices?.length && { words: field.choices }),
    }
    // Whoever asked for the word asks for the word of the record that is linked to now.
    const turn = (way: readonly string[]) => (way.at(-1) === field.id ? [...way, key.id] : way)
    const bridge = () => undefined
    return ok(
      inTurn(
        book,
        () => [
          putTable(list),
          ...becoming(field, { ...onlyUsed({ ...field, kind: 'link' }) }),
          putLink({ id: edit.link, one: list.id, many: table.id, field: field.id, least: 0, onRemove: 'keep' }),
          ...book.needs.flatMap((need) =>
            need.metBy.includes(field.id) ? setKeys(need, need.id, { metBy: [...need.metBy, list.id] }) : [],
          ),
        ],
        (now) => rulesFollow({ before: book, after: now, bridge, turn }),
        (now) => sourcesFollow({ before: book, after: now, bridge, turn }),
      ),
    )
  },
  say: (book, { field }) => `Make a word list of ${partName(book, field)}`,
}

const ListToChoices = z.strictObject({ kind: z.literal('listToChoices'), table: Id })

/** Turns a word list back into fixed choices of every field that uses it. */
export const listToChoices: EditKind<z.infer<typeof ListToChoices>> = {
  schema: ListToChoices,
  steps(book, { table: id }) {
    const list = findTable(book, id)
    if (!list) return gone
    const links = linksTo(book, id)
    if (!isPlainList(book, list) || links.length === 0) return fail({ kind: 'list-holds-facts', table: list.name })
    const choices = [...(list.words ?? [])]
    const [key] = list.key
    const turn = (way: readonly string[]) => (way.at(-1) === key && way.length > 1 ? way.slice(0, -1) : way)
    const bridge = () => undefined
    return ok(
      inTurn(
        book,
        (now) => rulesFollow({ before: book, after: now, bridge, turn }),
        (now) => sourcesFollow({ before: book, after: now, bridge, turn }),
        ...links.map((link) => (now: Book) => {
          const field = fieldWith(now, link.field).field
          return [
            dropPart(now, 'links', link.id),
            ...becoming(field, { ...onlyUsed({ ...field, kind: 'choice' }), choices }),
          ]
        }),
        (now) => untick(now, new Set([id, ...list.key, ...links.map((link) => link.id)])),
        (now) => dropRulesOn(now, new Set([id, ...list.key])),
        (now) =>
          now.pairs.filter((pair) => pair.a === id || pair.b === id).map((pair) => dropPart(now, 'pairs', pair.id)),
        (now) => dropKeptOf(now, id),
        (now) => [dropPart(now, 'tables', id)],
      ),
    )
  },
  say: (book, { table }) => `Make ${findTable(book, table)?.name ?? 'a word list'} fixed choices again`,
}

const becoming = (field: Field, wished: Field) => {
  const keys = new Set([...Object.keys(field), ...Object.keys(wished)])
  const values = wished as unknown as Parameters<typeof setKeys>[2]
  return setKeys(field, field.id, Object.fromEntries([...keys].map((key) => [key, values[key]])))
}

const ChangeWords = z.strictObject({ kind: z.literal('changeWords'), table: Id, words: Choices })

/** The words that a word list starts with. */
export const changeWords: EditKind<z.infer<typeof ChangeWords>> = {
  schema: ChangeWords,
  steps(book, { table: id, words }) {
    const list = findTable(book, id)
    const key = list?.fields.find((field) => field.id === list.key[0])
    if (!list || list.role !== 'word-list' || list.key.length !== 1 || key?.kind !== 'line') return gone
    const longest = key.length ?? 100
    const long = words.find(({ word }) => word.length > longest)
    if (long) return fail({ kind: 'too-long', limit: longest, length: long.word.length })
    const checked = checkSettings({ id, name: list.name, kind: 'choice', choices: words }, book.look)
    return checked.ok ? orNothing(setKeys(list, id, { words: words.length > 0 ? words : undefined })) : checked
  },
  say: (book, { table }) => `Change the words of ${findTable(book, table)?.name ?? 'a word list'}`,
}
