import { type Book, type Link, linksTo, tableOf, fieldWith, linkWith } from '../../book'
import { mustQuote } from './parse-primary'
import type { Tree } from '../tree'

/** A name as it is written in an expression: in double quotes where it holds spaces or means something else. */
export const writtenName = (name: string) => (mustQuote(name) ? `"${name.replaceAll('"', '""')}"` : name)
const quoted = (text: string) => `'${text.replaceAll("'", "''")}'`

/** How strongly each kind of node holds together; what is weaker stands in brackets. */
const strength = (tree: Tree): number => {
  if (tree.kind === 'cast' && tree.quiet) return strength(tree.of)
  if (tree.kind === 'binary')
    return {
      OR: 1,
      AND: 2,
      '=': 4,
      '<>': 4,
      '<': 4,
      '<=': 4,
      '>': 4,
      '>=': 4,
      '+': 5,
      '-': 5,
      '||': 5,
      '*': 6,
      '/': 6,
    }[tree.operator]
  if (tree.kind === 'not') return ['isNull', 'in', 'like'].includes(tree.of.kind) ? 4 : 3
  if (['in', 'like', 'isNull'].includes(tree.kind)) return 4
  if (tree.kind === 'shift' || tree.kind === 'days') return 5
  return tree.kind === 'minus' ? 7 : 8
}

/** The expression as text with today's names; reading it again gives the same tree. */
export function showExpression(book: Book, tree: Tree, rows?: string): string {
  const show = (part: Tree) => showExpression(book, part, rows)
  const within = (part: Tree, least: number) => (strength(part) < least ? `(${show(part)})` : show(part))
  switch (tree.kind) {
    case 'literal':
      return literal(tree)
    case 'fact': {
      const names = [...tree.over, tree.field].map((id) => writtenName(fieldWith(book, id).field.name))
      return [...(rows ? [writtenName(rows)] : []), ...names].join('.')
    }
    case 'not':
      return negated(tree.of, within, show) ?? `NOT ${within(tree.of, 3)}`
    case 'minus':
      return `-${within(tree.of, 8)}`
    case 'binary': {
      const own = strength(tree)
      // Comparisons don't chain, and what is taken away or divided by is closed off on the right.
      return `${within(tree.left, own === 4 ? 5 : own)} ${tree.operator} ${within(tree.right, own + 1)}`
    }
    case 'shift':
      return `${within(tree.of, 5)} ${tree.count < 0 ? '-' : '+'} INTERVAL '${Math.abs(tree.count)}' ${tree.unit}`
    case 'days':
      return `${within(tree.left, 5)} - ${within(tree.right, 6)}`
    case 'in':
      return `${within(tree.of, 5)} IN (${tree.among.map(show).join(', ')})`
    case 'like':
      return likeText(tree, within, 'LIKE')
    case 'isNull':
      return `${within(tree.of, 5)} IS NULL`
    case 'case':
      return `CASE ${tree.whens.map(([test, value]) => `WHEN ${show(test)} THEN ${show(value)}`).join(' ')}${tree.other ? ` ELSE ${show(tree.other)}` : ''} END`
    case 'call':
      return call(tree.name, tree.args.map(show))
    case 'cast':
      return tree.quiet ? show(tree.of) : cast(tree, show(tree.of))
    case 'aggregate': {
      const link = linkWith(book, tree.link)
      const inside = tableOf(book, link.many).name
      const of = tree.of ? showExpression(book, tree.of, inside) : writtenName(inside)
      return `${tree.name}(${of}${writtenBy(book, link)})${tree.where ? ` FILTER (WHERE ${showExpression(book, tree.where, inside)})` : ''}`
    }
  }
}

/** By which link the rows lead here, written only where they do so by several: ` BY "Led by"`. */
export const writtenBy = (book: Book, link: Link) =>
  linksTo(book, link.one).filter(({ many }) => many === link.many).length > 1
    ? ` BY ${writtenName(fieldWith(book, link.field).field.name)}`
    : ''

/** What can be said with NOT inside is, as people say it: "Note IS NOT NULL". */
function negated(
  of: Tree,
  within: (part: Tree, least: number) => string,
  show: (part: Tree) => string,
): string | undefined {
  if (of.kind === 'isNull') return `${within(of.of, 5)} IS NOT NULL`
  if (of.kind === 'in') return `${within(of.of, 5)} NOT IN (${of.among.map(show).join(', ')})`
  return of.kind === 'like' ? likeText(of, within, 'NOT LIKE') : undefined
}

const likeText = (
  { of, pattern, escape }: Extract<Tree, { kind: 'like' }>,
  within: (part: Tree, least: number) => string,
  word: 'LIKE' | 'NOT LIKE',
) => `${within(of, 5)} ${word} ${within(pattern, 5)}${escape ? ` ESCAPE ${quoted(escape)}` : ''}`

function literal({ value, type }: Extract<Tree, { kind: 'literal' }>): string {
  if (value === null) return 'NULL'
  if (type.is === 'truth') return value === '1' ? 'TRUE' : 'FALSE'
  if (type.is === 'exact' || type.is === 'measured') return value
  const word = { date: 'DATE ', time: 'TIME ', moment: 'TIMESTAMP ' }[type.is as 'date'] ?? ''
  return `${word}${quoted(value.replace(type.is === 'moment' ? 'T' : '', type.is === 'moment' ? ' ' : ''))}`
}

function call(name: string, args: readonly string[]): string {
  if (name.startsWith('CURRENT')) return name
  if (name.startsWith('EXTRACT')) return `EXTRACT(${name.slice(8)} FROM ${args[0]!})`
  if (name === 'POSITION') return `POSITION((${args[0]!}) IN ${args[1]!})`
  if (name === 'SUBSTRING') return `SUBSTRING(${args[0]!} FROM ${args[1]!}${args[2] ? ` FOR ${args[2]}` : ''})`
  return `${name}(${args.join(', ')})`
}

function cast({ type }: Extract<Tree, { kind: 'cast' }>, inner: string): string {
  if (type.is === 'exact') return `CAST(${inner} AS DECIMAL(${type.whole + type.scale},${type.scale}))`
  if (type.is === 'text') return `CAST(${inner} AS VARCHAR)`
  if (type.is === 'date') return `CAST(${inner} AS DATE)`
  return `CAST(${inner} AS TIMESTAMP)`
}
