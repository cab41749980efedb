import { type Field, linksTo, type List } from '@/core/book'
import { notedAs, notedIn } from '@/core/reports'
import { fail, ok, type Result, wordProblem } from '@/core/words'
import { transact, type Transaction } from '../database'
import { askList, holdWithRows, saveTogether, type Unit } from '../live'
import { type HandingOut, prepare, type Prepared } from './prepare'
import { NotLaid } from './work'

type Keep<T> = (handing: HandingOut, prepared: Prepared, transaction: Transaction) => Promise<T>

/**
 * Keeps papers, and what goes with them, in one transaction. Where it is noted on the records when they were handed out,
 * that is saved with them, as if somebody had typed it: under the same rules, and what freezes by it freezes then. What
 * is kept is what the records say from then on; rows that hang on them are held meanwhile, so that nothing comes between
 * what is frozen and what is printed.
 */
export async function keepInOne<T>(handing: HandingOut, prepared: Prepared, keep: Keep<T>): Promise<Result<T>> {
  return numbered(async () => {
    const { field } = notedIn(handing.writings.reads.live.book, handing.writings.template)
    if (field) return noteAndKeep(handing, field, prepared, keep)
    return ok(await transact(handing.db, (transaction) => keep(handing, prepared, transaction)))
  })
}

async function noteAndKeep<T>(handing: HandingOut, field: Field, { all }: Prepared, keep: Keep<T>): Promise<Result<T>> {
  const { db, writings } = handing
  const { reads, template, answers, who } = writings
  const refs = all.map(({ ref }) => ref)
  const values = { [field.id]: notedAs(field, answers.now) }
  const within = ({ db: held, live, transaction }: Unit): HandingOut => ({
    ...handing,
    writings: { ...writings, reads: { db: held, live, transaction }, of: { refs } },
  })
  let kept: { readonly value: T } | undefined
  const outcome = await saveTogether(
    { db, live: reads.live, who },
    { table: template.table, records: refs.map((ref) => ({ ref, rev: null, values })) },
    {
      async only(unit) {
        const revs = await holdWithRows(unit, template.table, refs, rowLinks(unit, template.table))
        const blank = await blankIn(within(unit), field, refs)
        return blank.map((ref) => ({ ref, rev: revs.get(ref) ?? null, values }))
      },
      async after(unit) {
        const prepared = await prepare(within(unit), 'handed out', unit.transaction)
        if (!prepared.ok) throw new NotLaid(prepared.problem)
        kept = { value: await keep(within(unit), prepared.value, unit.transaction) }
      },
    },
  )
  if (outcome.kind === 'done' && kept) return ok(kept.value)
  if (outcome.kind === 'waits') return fail({ kind: 'being-opened', book: reads.live.book.name })
  if (outcome.kind !== 'refused') throw new Error('Expected to be told why nothing was handed out.')
  return fail({ kind: 'document-note-refused', record: outcome.record, words: wordProblem(outcome.problem) })
}

/** The records in which nothing is noted yet. */
async function blankIn({ writings }: HandingOut, field: Field, refs: readonly string[]): Promise<string[]> {
  const { reads, template, answers } = writings
  const column = { id: 'noted', shows: { kind: 'field' as const, place: { way: [], field: field.id } } }
  const list: List = { id: 'noted', table: template.table, columns: [column], asks: [], order: [] }
  const page = await askList(reads, list, answers, { limit: refs.length, refs })
  if ('faults' in page) throw new Error('It could not be read where handing out is noted.')
  return page.lines.filter(({ cells }) => cells.noted === null).map(({ ref }) => ref)
}

/** The links by which rows hang on the records of a table. */
const rowLinks = ({ live }: Unit, table: string) => linksTo(live.book, table)

/** A number that was given under other settings already is told, and nothing is handed out. */
async function numbered<T>(work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (cause) {
    const taken = /Duplicate entry '.*-([^']*)' for key 'numbered'/.exec(String((cause as Error).message))
    if (!taken) throw cause
    return fail({ kind: 'document-number-taken' })
  }
}
