import { type Link, linkWith, tableOf } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { refOf, type Values } from '@/core/records'
import type { WatchedRule, Watch } from '@/core/rules'
import { keyColumns, leafOf } from '@/core/physical'
import { brokenSql, concernedSql, rowColumns } from '@/core/sql'
import { readOnly as asApart } from '../../database'
import { type Live, namesOf } from '../live'
import { keyCondition, keyParams, recordWords } from '../read/rows'
import { type Reads, selectRowsIn, type Unit } from '../unit'
import type { Following, Guard, PlacedChange } from './guard'
import { lookingAt, touches } from './holding'
import { lockRecord } from './lock-record'
import { type BrokenRecord, refuseBroken } from './broken-rules'
import { columnsFor } from './write-row'

type Params = readonly (string | number | null)[]

/** Of what a question finds broken so many are compared with what was broken before. */
const mostBroken = 500

/**
 * Asks the rules that look at several records, once a transaction has written all it has to write. The
 * database would ask after every row; this waits, so that a record and its rows may come in any order.
 */
export class RuleChecks implements Guard {
  private readonly questions = new Map<string, Question>()
  private readonly held = new Set<string>()

  private readonly live: Live

  constructor(
    private readonly unit: Unit,
    /** Where a written row stands in what was sent, by "table reference". */
    private readonly places: ReadonlyMap<string, string>,
    private readonly despite: readonly string[] | 'every-warning',
    /** What is broken of another record is said of the row that was written last of those that look at it. */
    private readonly rowByRow = false,
  ) {
    this.live = unit.live
  }

  concerns = (table: string) => lookingAt(this.live, table).length > 0

  /** Before a row is changed, or removed (no values): notes on which records the row hangs until now. */
  before = async ({ table: tableId, ref, values, place }: PlacedChange): Promise<void> => {
    if (ref === null) return
    for (const { asked, watch } of lookingAt(this.live, tableId)) {
      // What is asked of new records alone isn't asked again when their rows change.
      if (asked.own.rule.onlyNew || watch.hops.at(-1)?.to !== 'rows') continue
      if (values && !touches(watch, values)) continue
      this.ask(asked, watch, await this.row(tableId, ref, this.columns(asked, watch)), place)
    }
  }

  /** After a row was written: its rules, and those of the records that look at it. */
  after = async ({ table: tableId, ref: before, values, place }: PlacedChange, ref: string): Promise<void> => {
    if (!values) return
    const isNew = before === null
    for (const { asked, watch } of lookingAt(this.live, tableId)) {
      if (!isNew && (asked.own.rule.onlyNew || !touches(watch, values))) continue
      const last = watch.hops.at(-1)
      if (last && asked.own.rule.onlyNew) continue
      // Nothing leads to a record that is just being made.
      if (isNew && last?.to === 'one') continue
      if (last?.to !== 'rows') this.ask(asked, watch, keyParams(this.live, tableId, ref), place)
      else {
        const columns = this.columns(asked, watch)
        const known = isNew ? this.written(tableId, values, columns) : undefined
        this.ask(asked, watch, known ?? (await this.row(tableId, ref, columns)), place)
      }
    }
  }

  /**
   * The same for rows that go, or lose their link, because the record they hang on is removed; the database's
   * own triggers don't see them. `rows` selects them.
   */
  following = async ({ link, fate, rows, params }: Following): Promise<void> => {
    const key = keyColumns(tableOf(this.live.book, link.many), namesOf(this.live)).map((column) => column.name)
    for (const { asked, watch } of lookingAt(this.live, link.many)) {
      const last = watch.hops.at(-1)
      const isBehind = last?.to === 'rows' && last.link !== link.id
      if (asked.own.rule.onlyNew || (fate === 'remove' ? !isBehind : !watch.fields.has(link.field))) continue
      const columns = last?.to === 'rows' ? this.columns(asked, watch) : key
      const found = await selectRowsIn<(string | number | null)[]>(
        this.unit,
        `SELECT DISTINCT ${columns.map(quoteName).join(', ')} FROM (${rows}) AS gone`,
        params,
      )
      for (const row of found) {
        if (isBehind && watch.hops.length === 1) await this.hold(linkWith(this.live.book, last.link), row)
        this.ask(asked, watch, row)
      }
    }
  }

  private columns = (asked: WatchedRule, watch: Watch) =>
    rowColumns(this.live.book, namesOf(this.live), asked.own.table, watch.hops)

  /** Those columns of a new row that are wanted, where all are among what was written. */
  private written(tableId: string, values: Values, columns: readonly string[]): Params | undefined {
    const all = new Map(columnsFor(this.live, tableId, values).map(({ name, value }) => [name, value]))
    const found = columns.map((name) => all.get(name))
    return found.every((value) => value !== undefined) ? found : undefined
  }

  private ask(asked: WatchedRule, watch: Watch, params: Params | undefined, place?: string): void {
    if (!params || params.includes(null)) return
    const { concerned, sql } = questionOf(this.live, asked, watch)
    this.questions.set(JSON.stringify([asked.own.rule.id, concerned, params]), { asked, sql, params, place })
  }

  private async row(tableId: string, ref: string, columns: readonly string[]): Promise<Params | undefined> {
    const key = keyParams(this.live, tableId, ref)
    if (!key) return undefined
    const [row] = await selectRowsIn<(string | number | null)[]>(
      this.unit,
      `SELECT ${columns.map(quoteName).join(', ')} FROM ${namesOf(this.live).quoted(tableId)} WHERE ${keyCondition(this.live, tableId)}`,
      key,
    )
    return row
  }

  private async hold(link: Link, key: Params): Promise<void> {
    const name = JSON.stringify([link.one, key.map(String)])
    if (key.includes(null) || this.held.has(name)) return
    this.held.add(name)
    await lockRecord(this.unit, link.one, key as readonly (string | number)[])
  }

  end = async (): Promise<void> => refuseBroken(await this.broken(), this.places)

  /** Whether what a rule warns of was read, or what was broken before, and is passed over. */
  private isRead = (rule: string) => this.despite === 'every-warning' || this.despite.includes(rule)

  /**
   * What is broken; one record a question. What a record broke before the save is told from what it comes to break, so
   * that it can be mended row by row. Of what only warns, and of the former, what was read and passed over is left out.
   */
  private async broken(): Promise<BrokenRecord[]> {
    const found: BrokenRecord[] = []
    const open = [...this.questions.values()].filter(
      ({ asked: { own } }) => !own.rule.warns || !this.isRead(own.rule.id),
    )
    for (const question of await this.answeredYes(open)) {
      const { rule, table } = question.asked.own
      const now = await this.brokenIn(question, this.unit)
      // Another connection sees what was committed, which is how it was before this save; the rule's gate is held.
      const before = rule.warns
        ? []
        : (await this.brokenIn(question, { db: asApart(this.unit.db), live: this.live })).map(String)
      const row = now.find((key) => !before.includes(String(key))) ?? now[0]
      if (!row) continue
      const wasBroken = before.includes(String(row))
      if (wasBroken && this.isRead(rule.id)) continue
      const leaves = keyColumns(table, namesOf(this.live)).map((column) => leafOf(this.live.book, column.leaf))
      const ref = refOf(row.map((value, at) => kindOf(leaves[at]!.kind).load(value)))
      const words = await recordWords(this.unit, table.id, row)
      const saidOf = this.rowByRow ? question.place : undefined
      found.push({ asked: question.asked, ref, words, wasBroken, saidOf })
    }
    return found
  }

  private brokenIn = ({ sql, params }: Question, reads: Reads) =>
    selectRowsIn<(string | number)[]>(reads, `${sql} LIMIT ${mostBroken}`, params)

  /** The questions to which the answer is yes, asked many at a time: nearly always none. */
  private async answeredYes(all: readonly Question[]): Promise<Question[]> {
    const yes: Question[] = []
    for (let from = 0; from < all.length; from += questionsAtOnce) {
      const some = all.slice(from, from + questionsAtOnce)
      const [row] = await selectRowsIn<number[]>(
        this.unit,
        `SELECT ${some.map(({ sql }, at) => `EXISTS (${sql}) AS q${at}`).join(', ')}`,
        some.flatMap(({ params }) => params),
      )
      yes.push(...some.filter((_, at) => row?.[at]))
    }
    return yes
  }
}

interface Question {
  readonly asked: WatchedRule
  readonly sql: string
  readonly params: Params
  /** Where the row stands that was written last of those that it is asked for. */
  readonly place: string | undefined
}

const questionsAtOnce = 24

// Designs don't change while they are open: a question is put into words once for each live database.
const questions = new WeakMap<Watch, Map<string, { readonly concerned: string; readonly sql: string }>>()

function questionOf(live: Live, asked: WatchedRule, watch: Watch) {
  const bySchema = questions.get(watch) ?? new Map<string, { readonly concerned: string; readonly sql: string }>()
  questions.set(watch, bySchema)
  const found = bySchema.get(live.schema)
  if (found) return found
  const names = namesOf(live)
  const { table } = asked.own
  const keys = keyColumns(table, names).map((column) => `t.${quoteName(column.name)}`)
  const concerned = concernedSql(live.book, names, table, watch.hops, () => '?')
  const sql = `SELECT ${keys.join(', ')} ${concerned} AND ${brokenSql(live.book, names, asked)}`
  bySchema.set(live.schema, { concerned, sql })
  return { concerned, sql }
}
