import * as z from 'zod'
import { fail, ok, type Result } from '../../words'
import type { Book } from '../book'
import { dropLinkSteps, dropPart, dropRulesOn, untick } from '../build-steps'
import { findLink, findTable, linksFrom, linksTo, tableOf } from '../find'
import type { Step } from '../steps'
import { type EditKind, Id, inTurn, keepingKeys } from './edit-kind'
import { dropKeptOf } from './kept-parts'

/**
 * The steps that take a tie away: a link with its field, or a joining table that carries nothing of
 * its own. A joining table with facts is refused, because they would go too.
 */
export function untieSteps(book: Book, id: string): Result<Step[]> {
  const link = findLink(book, id)
  const joining = findTable(book, id)
  if (link && tableOf(book, link.many).role !== 'joining') {
    const gone = new Set([id, link.field])
    return ok(
      inTurn(
        book,
        (now) => untick(now, gone),
        (now) => dropLinkSteps(now, id),
      ),
    )
  }
  const table = joining ?? (link && tableOf(book, link.many))
  if (!table || table.role !== 'joining') return fail({ kind: 'gone', what: 'link' })
  const facts = table.fields.filter((field) => !table.key.includes(field.id)).map((field) => field.name)
  if (facts.length > 0) return fail({ kind: 'joining-holds-facts', table: table.name, fields: facts })
  const by = linksTo(book, table.id).map((holder) => tableOf(book, holder.many).name)
  if (by.length > 0) return fail({ kind: 'joining-linked', table: table.name, by })
  const links = linksFrom(book, table.id)
  const gone = new Set([table.id, ...table.fields.map((field) => field.id), ...links.map((part) => part.id)])
  return ok(
    inTurn(
      book,
      (now) => untick(now, gone),
      (now) => dropRulesOn(now, gone),
      (now) => dropKeptOf(now, table.id),
      ...links.map((part) => (now: Book) => dropLinkSteps(now, part.id)),
      ...book.pairs
        .filter((pair) => pair.a === table.id || pair.b === table.id)
        .map((pair) => (now: Book) => [dropPart(now, 'pairs', pair.id)]),
      (now) => [dropPart(now, 'tables', table.id)],
    ),
  )
}

const Unlink = z.strictObject({ kind: z.literal('untie'), tie: Id })

/** Takes one tie between two tables away: a link's id, or a joining table's. */
export const untie: EditKind<z.infer<typeof Unlink>> = {
  schema: Unlink,
  steps(book, { tie }) {
    const steps = untieSteps(book, tie)
    return steps.ok ? keepingKeys(book, steps.value) : steps
  },
  say(book, { tie }) {
    const link = findLink(book, tie)
    if (!link) return `Unlink what ${findTable(book, tie)?.name ?? 'a joining table'} joins`
    return `Unlink ${tableOf(book, link.many).name} from ${tableOf(book, link.one).name}`
  },
}
