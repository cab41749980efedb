import { type Book, findRule } from '../book'
import { listed, plural } from '../words'
import type { Proposals } from './proposals'
import { unplaced } from './placed'
import type { Evidence, Reading } from './reading'
import { restrictionIn } from './restrictions'

/** Whether a need has its place in the design, and why not. */
export interface Coverage {
  readonly state: 'met' | 'part' | 'not'
  /** "Weight and Size are not kept yet." Nothing where there is nothing to say. */
  readonly why?: string
  /** How much its words propose that nobody has decided on. */
  readonly open: number
  /** Its words lay down a rule, and none is ticked for it. */
  readonly rule?: true
  /** What it names that has no place in the design, as it is written. */
  readonly unplaced?: readonly string[]
}

/** Under what it is kept that a need's words ask for no rule. */
export const noRuleFor = (need: string): string => `rule/${need}`

/** For each need, in order: met, met in part, or not. A tick counts; what the words still ask for, or name without a place for it, counts against. */
export function coverageOf(book: Book, { all, reading }: Proposals): Coverage[] {
  return book.needs.map((need, at): Coverage => {
    const own = all.filter((proposal) => proposal.needs.includes(at))
    const open = own.filter((proposal) => proposal.state === 'new')
    const asked = reading.questions.filter((question) => question.evidence.some((one) => one.need === at))
    const ticked = need.metBy.length > 0
    if (open.length > 0) {
      const missing = listed(
        [
          ...new Set(
            open.map((one) =>
              one.kind === 'table'
                ? one.table
                : one.kind === 'field'
                  ? `${one.table} → ${one.words}`
                  : `how ${one.what.from} and ${one.what.to} are linked`,
            ),
          ),
        ].slice(0, 3),
      )
      const more = open.length > 3 ? ` and ${open.length - 3} more` : ''
      return { state: ticked ? 'part' : 'not', open: open.length, why: `The words also mention ${missing}${more}.` }
    }
    const rule = ticked ? wantedRule(book, reading, at) : undefined
    if (rule) {
      const why = `“${rule}” lays down a rule. Make it in Rules and tick it here, or say that none is needed.`
      return { state: 'part', open: 0, why, rule: true }
    }
    if (ticked) {
      const words = unplaced(book, reading, at).map((phrase) => phrase.words)
      if (words.length === 0) return { state: 'met', open: 0 }
      const said = listed(words.slice(0, 4).map((one) => `“${one}”`))
      const more = words.length > 4 ? ` and ${words.length - 4} more` : ''
      const why = `Nothing in the design is called ${said}${more}. Add what is missing, or say that it needs no place.`
      return { state: 'part', open: 0, why, unplaced: words }
    }
    const lost = asked
      .flatMap((question) => question.tables)
      .filter((name) => !book.tables.some((table) => table.name.toLowerCase() === name.toLowerCase()))
    if (lost.length > 0)
      return {
        state: 'not',
        open: 0,
        why: `The design has no ${listed(
          [...new Set(lost)].map((name) => plural(name).toLowerCase()),
          'or',
        )} to answer it from.`,
      }
    return { state: 'not', open: 0, why: asked.length > 0 ? 'Tick the tables that answer it.' : 'Tick what meets it.' }
  })
}

/** The words of a need that lay down a rule, where neither a limit was read from them nor a rule is ticked. */
function wantedRule(book: Book, { tables, ties }: Reading, at: number): string | undefined {
  const need = book.needs[at]!
  const found = restrictionIn(need.text)
  if (!found || book.dismissed.some(({ what }) => what === noRuleFor(need.id))) return undefined
  if (need.metBy.some((part) => findRule(book, part))) return undefined
  const limited = [...ties, ...tables.flatMap(({ fields }) => fields), ...ties.flatMap(({ fields }) => fields)]
  const within = (one: Evidence) =>
    one.need === at && one.end > found.start && one.start < found.start + found.words.length
  return limited.some(({ limit, evidence }) => limit && evidence.some(within)) ? undefined : found.words
}

/** Tables that no need asks for, not even by asking for what leads to them; and fields nobody asks for. */
export function unaskedFor(
  book: Book,
): { readonly table: string; readonly fields: readonly string[]; readonly whole: boolean }[] {
  const asked = new Set(book.needs.flatMap((need) => need.metBy))
  const linkFields = new Set(book.links.map((link) => link.field))
  const wanted = new Set(
    book.tables
      .filter((table) => asked.has(table.id) || table.fields.some((field) => asked.has(field.id)))
      .map((table) => table.id),
  )
  for (const link of book.links) if (asked.has(link.id)) wanted.add(link.one).add(link.many)
  // What is wanted can't be had without what it leads to.
  for (const id of wanted) for (const link of book.links) if (link.many === id) wanted.add(link.one)
  return book.tables.flatMap((table) => {
    const fields = table.fields.filter(
      (field) => !asked.has(field.id) && !table.key.includes(field.id) && !linkFields.has(field.id),
    )
    const whole = !wanted.has(table.id)
    const loose = asked.has(table.id) ? [] : fields.map((field) => field.id)
    return whole || loose.length > 0 ? [{ table: table.id, fields: loose, whole }] : []
  })
}
