import { findLink, linksFrom, type Link, tableOf } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { quoteName } from '@/core/names'
import { refOf, type Values } from '@/core/records'
import { type AskedRule, isPartOf, ownRules, type Watch } from '@/core/rules'
import type { Problem } from '@/core/words'
import { keyColumns, leafOf } from '@/core/physical'
import { expressionSql, brokenSql, concernedSql, rowColumns } from '@/core/sql'
import type { Catalogue } from '../../catalogue'
import { asked as asApart, type Database, select, selectRows, type Transaction } from '../../database'
import { holdKey, lookingAt, touches } from './holding'
import { type Live, namesOf } from '../live'
import { keyCondition, keyParams, recordWords } from '../read/rows'

type Params = readonly (string | number | null)[]

/** A record that breaks a rule now that everything is written. */
export interface BrokenRecord {
  readonly asked: AskedRule
  readonly ref: string
  /** What staff know it by. */
  readonly words: string
  /** It broke the rule already before the save. */
  readonly wasBroken: boolean
}

/** Of what a question finds broken so many are compared with what was broken before. */
const mostBroken = 500

/**
 * Asks the rules that look at several records, once a transaction has written all it has to write. The
 * database would ask after every row; this waits, so that a record and its rows may come in any order.
 */
export class Asking {
  private readonly questions = new Map<string, Question>()
  private readonly held = new Set<string>()

  constructor(
    private readonly db: Catalogue,
    private readonly live: Live,
    private readonly transaction: Transaction,
  ) {}

  /** Before a row is changed, or removed (no values): notes on which records the row hangs until now. */
  async before(tableId: string, ref: string | null, values: Values | undefined): Promise<void> {
    if (ref === null) return
    for (const { asked, watch } of lookingAt(this.live, tableId)) {
      // What is asked of new records alone isn't asked again when their rows change.
      if (asked.own.rule.onlyNew || watch.hops.at(-1)?.to !== 'rows') continue
      if (values && !touches(watch, values)) continue
      this.ask(asked, watch, await this.row(tableId, ref, this.columns(asked, watch)))
    }
  }

  /** After a row was written: its rules, and those of the records that look at it. */
  async after(tableId: string, ref: string, values: Values, isNew: boolean): Promise<void> {
    for (const { asked, watch } of lookingAt(this.live, tableId)) {
      if (!isNew && (asked.own.rule.onlyNew || !touches(watch, values))) continue
      const last = watch.hops.at(-1)
      if (last && asked.own.rule.onlyNew) continue
      // Nothing leads to a record that is just being made.
      if (isNew && last?.to === 'one') continue
      if (last?.to !== 'rows') this.ask(asked, watch, keyParams(this.live, tableId, ref))
      else this.ask(asked, watch, await this.row(tableId, ref, this.columns(asked, watch)))
    }
  }

  /**
   * The same for rows that go, or lose their link, because the record they hang on is removed; the database's
   * own triggers don't see them. `rows` selects them.
   */
  async beforeFollowing(link: Link, fate: 'remove' | 'leave', rows: string, params: Params): Promise<void> {
    const key = keyColumns(tableOf(this.live.book, link.many), namesOf(this.live)).map((column) => column.name)
    for (const { asked, watch } of lookingAt(this.live, link.many)) {
      const last = watch.hops.at(-1)
      const isBehind = last?.to === 'rows' && last.link !== link.id
      if (asked.own.rule.onlyNew || (fate === 'remove' ? !isBehind : !watch.fields.has(link.field))) continue
      const columns = last?.to === 'rows' ? this.columns(asked, watch) : key
      const found = await selectRows<(string | number | null)[]>(
        this.db,
        `SELECT DISTINCT ${columns.map(quoteName).join(', ')} FROM (${rows}) AS gone`,
        params,
        this.transaction,
      )
      for (const row of found) {
        if (isBehind && watch.hops.length === 1) await this.holdKey(linkWith(this.live, last.link), row)
        this.ask(asked, watch, row)
      }
    }
  }

  private columns = (asked: AskedRule, watch: Watch) =>
    rowColumns(this.live.book, namesOf(this.live), asked.own.table, watch.hops)

  private ask(asked: AskedRule, watch: Watch, params: Params | undefined): void {
    if (!params || params.includes(null)) return
    const { concerned, sql } = questionOf(this.live, asked, watch)
    this.questions.set(JSON.stringify([asked.own.rule.id, concerned, params]), { asked, sql, params })
  }

  private async row(tableId: string, ref: string, columns: readonly string[]): Promise<Params | undefined> {
    const key = keyParams(this.live, tableId, ref)
    if (!key) return undefined
    const [row] = await selectRows<(string | number | null)[]>(
      this.db,
      `SELECT ${columns.map(quoteName).join(', ')} FROM ${namesOf(this.live).quoted(tableId)} WHERE ${keyCondition(this.live, tableId)}`,
      key,
      this.transaction,
    )
    return row
  }

  private async holdKey(link: Link, key: Params): Promise<void> {
    const name = JSON.stringify([link.one, key.map(String)])
    if (key.includes(null) || this.held.has(name)) return
    this.held.add(name)
    await holdKey(this.db, this.live, link.one, key as readonly (string | number)[], this.transaction)
  }

  /**
   * What is broken; one record a question. What a record broke before the save is told from what it comes to break, so
   * that it can be mended row by row. Of what only warns, and of the former, what was read and passed over is left out.
   */
  async broken(despite: readonly string[] = []): Promise<BrokenRecord[]> {
    const found: BrokenRecord[] = []
    const open = [...this.questions.values()].filter(
      ({ asked: { own } }) => !own.rule.warns || !despite.includes(own.rule.id),
    )
    for (const question of await this.answeredYes(open)) {
      const { rule, table } = question.asked.own
      const now = await this.brokenIn(question, this.db, this.transaction)
      // Another connection sees what was committed, which is how it was before this save; the rule's gate is held.
      const before = rule.warns ? [] : (await this.brokenIn(question, asApart(this.db))).map(String)
      const row = now.find((key) => !before.includes(String(key))) ?? now[0]
      if (!row) continue
      const wasBroken = before.includes(String(row))
      if (wasBroken && despite.includes(rule.id)) continue
      const leaves = keyColumns(table, namesOf(this.live)).map((column) => leafOf(this.live.book, column.leaf))
      const ref = refOf(row.map((value, at) => kindOf(leaves[at]!.kind).load(value)))
      const words = await recordWords(this.db, this.live, table.id, row, this.transaction)
      found.push({ asked: question.asked, ref, words, wasBroken })
    }
    return found
  }

  private brokenIn = ({ sql, params }: Question, db: Database, transaction?: Transaction) =>
    selectRows<(string | number)[]>(db, `${sql} LIMIT ${mostBroken}`, params, transaction)

  /** The questions to which the answer is yes, asked many at a time: nearly always none. */
  private async answeredYes(all: readonly Question[]): Promise<Question[]> {
    const yes: Question[] = []
    for (let from = 0; from < all.length; from += questionsAtOnce) {
      const some = all.slice(from, from + questionsAtOnce)
      const [row] = await selectRows<number[]>(
        this.db,
        `SELECT ${some.map(({ sql }, at) => `EXISTS (${sql}) AS q${at}`).join(', ')}`,
        some.flatMap(({ params }) => params),
        this.transaction,
      )
      yes.push(...some.filter((_, at) => row?.[at]))
    }
    return yes
  }

  /** Whether a record that a row is part of, now or by what is about to be written, is closed; the words for it. */
  async closed(tableId: string, ref: string | null, values: Values | undefined): Promise<Problem | undefined> {
    const { book } = this.live
    const names = namesOf(this.live)
    for (const link of linksFrom(book, tableId).filter((one) => isPartOf(book, one))) {
      for (const { rule, reading } of ownRules(book, link.one)) {
        if (reading?.kind !== 'closed' || !reading.rows || rule.warns) continue
        const columns = names.columns(tableId, link.field).map((column) => column.name)
        const given = values?.[link.field]
        const keys = [
          given ? keyParams(this.live, link.one, given) : undefined,
          ref === null ? undefined : await this.row(tableId, ref, columns),
        ]
        for (const key of keys) {
          if (!key || key.includes(null)) continue
          const once = expressionSql(book, names, link.one, reading.once, 't')
          const sql = `SELECT 1 FROM ${names.quoted(link.one)} AS t WHERE ${keyCondition(this.live, link.one)} AND ${once}`
          if ((await select(this.db, sql, key, this.transaction)).length > 0)
            return { kind: 'in-own-words', words: rule.words }
        }
      }
    }
    return undefined
  }
}

const linkWith = (live: Live, id: string): Link => findLink(live.book, id)!

interface Question {
  readonly asked: AskedRule
  readonly sql: string
  readonly params: Params
}

const questionsAtOnce = 24

// Designs don't change while they are open: a question is put into words once for each live database.
const questions = new WeakMap<Watch, Map<string, { readonly concerned: string; readonly sql: string }>>()

function questionOf(live: Live, asked: AskedRule, watch: Watch) {
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
