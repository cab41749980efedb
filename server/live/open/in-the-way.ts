import type { Book } from '@/core/book'
import { quoteName } from '@/core/names'
import { type Problem, wordProblem } from '@/core/words'
import { type Agreed, type LiveCheckQuestion, type OpeningStep, planOpening } from '@/core/opening'
import type { StoredBook } from '../../books'
import { type Database, run, select, transact } from '../../database'
import { rulesBroken } from '../read/violations'
import { liveOf } from '../live'

type Opened = Pick<StoredBook, 'id' | 'book' | 'opened' | 'openedRevision' | 'openedEdition' | 'liveSchema'>

/** What in the live records stands in the way of opening a design. */
export async function inTheWay(
  db: Database,
  stored: Opened,
  after: Book,
  { asks, agreed = [] }: OpeningStep,
): Promise<Problem[]> {
  const records = await hasRecords(db, stored.liveSchema)
  if (asks === 'no-records') return records ? [{ kind: 'record-came-meanwhile' }] : []
  const { questions } = planOpening(stored.opened, after, records, stored.openedEdition)
  return [...(await liveProblems(db, stored, after, { questions, records, agreed })).blocked]
}

/** Values that the records hold and that opening would remove for good, unless that is agreed to. */
export interface Loss {
  readonly id: string
  readonly words: string
  readonly count: number
}

interface Asked {
  readonly questions: readonly LiveCheckQuestion[]
  readonly records: boolean
  readonly agreed: readonly Agreed[]
}

/** The answers to the questions of a plan that say what is in the way, and the new rules that records break. */
export async function liveProblems(
  db: Database,
  stored: Opened,
  after: Book,
  { questions, records, agreed }: Asked,
): Promise<{ readonly blocked: readonly Problem[]; readonly losses: readonly Loss[] }> {
  const blocked: Problem[] = []
  const losses: Loss[] = []
  for (const { sql, blocked: say, loses } of questions) {
    const { count, examples } = await countIn(db, stored.liveSchema, sql)
    if (count === 0) continue
    const problem = say(count, examples)
    if (loses) losses.push({ id: loses, words: wordProblem(problem), count })
    // What came since is nothing that anybody agreed to lose.
    if (!agreed.some((one) => one.id === loses && count <= one.most)) blocked.push(problem)
  }
  const live = records && blocked.length === 0 ? liveOf({ ...stored, book: after }) : undefined
  if (live?.ok) blocked.push(...(await rulesBroken({ db, live: live.value }, after)))
  return { blocked, losses }
}

export async function hasRecords(db: Database, schema: string): Promise<boolean> {
  const tables = await select<{ name: string }>(
    db,
    'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_TYPE = ?',
    [schema, 'BASE TABLE'],
  )
  for (const { name } of tables) {
    const rows = await select(db, `SELECT 1 FROM ${quoteName(schema)}.${quoteName(name)} LIMIT 1`)
    if (rows.length > 0) return true
  }
  return false
}

/** The plan's statements name tables alone; they are run with the live schema as the current one. */
const countIn = (db: Database, schema: string, sql: string): Promise<{ count: number; examples: string }> =>
  transact(db, async (transaction) => {
    await run(db, `USE ${quoteName(schema)}`, [], transaction)
    const [row] = await select<{ count: number; examples?: string | null }>(db, sql, [], transaction)
    return { count: Number(row?.count ?? 0), examples: row?.examples ?? '' }
  })
