import { kindOf } from '@/core/kinds'
import type { Reading } from '@/core/needs'
import type { Brief } from './brief'

/** How many were right, how many proposed, how many wanted. */
export interface Tally {
  right: number
  found: number
  wanted: number
}

export const aspects = ['tables', 'fields', 'kinds', 'ties', 'musts', 'limits', 'tie fields', 'questions'] as const
export type Scores = Record<(typeof aspects)[number], Tally>

const noScores = (): Scores =>
  Object.fromEntries(aspects.map((aspect) => [aspect, { right: 0, found: 0, wanted: 0 }])) as Scores

export const f1 = ({ right, found, wanted }: Tally) => (found + wanted === 0 ? 1 : (2 * right) / (found + wanted))

const plain = (name: string) =>
  name
    .toLowerCase()
    .replace(/e-mail/g, 'email')
    .replace(/[^a-z0-9 ]/g, '')
const empty = new Set(['of', 'the', 'a', 'an', 'on', 'in', 'at', 'is', 'by', 'was', 'and', 'it', 'to', 'they'])
const wordsOf = (name: string) =>
  plain(name)
    .split(' ')
    .filter((word) => word && !empty.has(word))
    .map((word) => word.replace(/(?<=...)s$/, ''))

/** Names count as the same where at least half of their words are. */
function alike(a: string, b: string): boolean {
  const [first, second] = [wordsOf(a), wordsOf(b)]
  const shared = first.filter((word) => second.includes(word)).length
  return shared > 0 && (2 * shared) / (first.length + second.length) >= 0.5
}

const sameTable = (a: string, b: string) => {
  const [first, second] = [wordsOf(a).join(' '), wordsOf(b).join(' ')]
  return (
    first === second || (first.split(' ').length > 1 && alike(a, b) && first.split(' ')[0] === second.split(' ')[0])
  )
}

/** What a reading got right of a brief, aspect by aspect; `missed` says what not, in words. */
export function score(brief: Brief, reading: Reading): { scores: Scores; missed: string[] } {
  const scores = noScores()
  const missed: string[] = []
  const nameFor = new Map<string, string>()
  for (const table of brief.tables) {
    const found = reading.tables.find(
      (one) => sameTable(one.name, table.name) && ![...nameFor.values()].includes(one.name),
    )
    if (found) nameFor.set(table.name, found.name)
    else missed.push(`no table ${table.name}`)
  }
  count(scores.tables, nameFor.size, reading.tables.length, brief.tables.length)
  for (const table of reading.tables)
    if (![...nameFor.values()].includes(table.name)) missed.push(`a table ${table.name} too many`)
  for (const table of brief.tables) {
    const read = reading.tables.find((one) => one.name === nameFor.get(table.name))
    const left = [...(read?.fields ?? [])]
    let right = 0
    for (const field of table.fields) {
      const at =
        [
          left.findIndex((one) => plain(one.name) === plain(field.name)),
          left.findIndex((one) => alike(one.name, field.name)),
        ].find((i) => i >= 0) ?? -1
      if (at < 0) {
        missed.push(`no field ${table.name}.${field.name}`)
        continue
      }
      const [found] = left.splice(at, 1)
      right++
      const kind = kindOf(found!.kind).short
      if (kind !== field.kind) missed.push(`${table.name}.${field.name} is ${kind}, not ${field.kind}`)
      count(scores.kinds, kind === field.kind ? 1 : 0, 1, 1)
    }
    left.forEach((field) => missed.push(`a field ${table.name}.${field.name} too many`))
    count(scores.fields, right, read?.fields.length ?? 0, table.fields.length)
  }
  for (const table of reading.tables)
    if (![...nameFor.values()].includes(table.name)) count(scores.fields, 0, table.fields.length, 0)
  const left = [...reading.ties]
  const limits = reading.ties.filter((tie) => tie.limit).length
  let limitsRight = 0
  for (const tie of brief.ties) {
    const [from, to] = [nameFor.get(tie.from), nameFor.get(tie.to)]
    const at = left.findIndex(
      (one) =>
        one.kind === tie.kind &&
        ((one.from === from && one.to === to) || (tie.kind !== '1-n' && one.from === to && one.to === from)),
    )
    if (at < 0) {
      const other = left.find((one) => (one.from === from && one.to === to) || (one.from === to && one.to === from))
      missed.push(
        `no tie ${tie.from} ${tie.kind} ${tie.to}${other ? `, but ${other.from} ${other.kind} ${other.to}` : ''}`,
      )
      continue
    }
    const [found] = left.splice(at, 1)
    count(scores.ties, 1, 0, 0)
    if (tie.kind === '1-n') {
      count(scores.musts, found!.must && tie.must ? 1 : 0, found!.must ? 1 : 0, tie.must ? 1 : 0)
      if (found!.must !== tie.must) missed.push(`${tie.from} 1-n ${tie.to} must be ${tie.must}`)
    }
    if (tie.limit !== undefined && found!.limit?.most === tie.limit) limitsRight++
    else if (tie.limit !== undefined) missed.push(`no limit ${tie.limit} on ${tie.from} ${tie.to}`)
    const own = [...found!.fields]
    let right = 0
    for (const name of tie.fields) {
      const i = own.findIndex((field) => alike(field.name, name))
      if (i >= 0) {
        own.splice(i, 1)
        right++
      } else missed.push(`no tie field ${name} on ${tie.from} ${tie.to}`)
    }
    count(scores['tie fields'], right, found!.fields.length, tie.fields.length)
  }
  left.forEach((tie) => missed.push(`a tie ${tie.from} ${tie.kind} ${tie.to} too many`))
  count(scores.ties, 0, reading.ties.length, brief.ties.length)
  count(scores.limits, limitsRight, limits, brief.ties.filter((tie) => tie.limit !== undefined).length)
  const asked = [...reading.questions]
  for (const tables of brief.questions) {
    const want = tables.map((name) => nameFor.get(name) ?? name)
    const at = asked.findIndex((question) => want.every((name) => question.tables.includes(name)))
    if (at >= 0) asked.splice(at, 1)
    else missed.push(`no question about ${tables.join(' and ')}`)
    count(scores.questions, at >= 0 ? 1 : 0, 0, 1)
  }
  count(scores.questions, 0, reading.questions.length, 0)
  return { scores, missed }
}

const count = (tally: Tally, right: number, found: number, wanted: number) => {
  tally.right += right
  tally.found += found
  tally.wanted += wanted
}

export function sum(all: readonly Scores[]): Scores {
  const total = noScores()
  for (const scores of all)
    for (const aspect of aspects)
      count(total[aspect], scores[aspect].right, scores[aspect].found, scores[aspect].wanted)
  return total
}
