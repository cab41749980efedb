import { type DateUnit, dateUnits } from '../../kinds'
import type { Reader } from './reader'
import { type AggregateName, aggregateNames, type CastTarget, type NamePart, type Syntax } from './syntax'
import type { Token } from './tokens'

type Inner = (reader: Reader) => Syntax

/** Words that mean something by themselves and can be no plain name. */
const kept = new Set(
  'AND AS BETWEEN CASE CAST CURRENT_DATE CURRENT_TIMESTAMP ELSE END ESCAPE FALSE FILTER FOR FROM IN INTERVAL IS LIKE NOT NULL OR THEN TRUE WHEN WHERE'.split(
    ' ',
  ),
)

/** Whether a word in capitals means something by itself. */
export const isKept = (word: string) => kept.has(word)

/** Whether a name must stand in quotes, because it is no plain word or one that means something. */
export const mustQuote = (name: string) => !/^[\p{L}_][\p{L}\p{N}_]*$/u.test(name) || kept.has(name.toUpperCase())

/** A literal, a name, a function, CASE, CAST, or an expression in brackets. */
export function parsePrimary(reader: Reader, inner: Inner): Syntax {
  const token = reader.next
  const { start, end } = token
  if (token.is === 'number') return { kind: 'number', text: reader.take().text, start, end }
  if (token.is === 'text') return { kind: 'text', text: reader.take().text, start, end }
  if (token.is === 'name') return name(reader)
  if (reader.takeSign('(')) {
    const within = inner(reader)
    return { ...within, start, end: reader.expectSign(')').end }
  }
  if (token.is !== 'word') return reader.stop({ kind: 'something-missing' })
  const after = reader.peek(1)
  if (token.text === 'TRUE' || token.text === 'FALSE')
    return { kind: 'boolean', value: reader.take().text === 'TRUE', start, end }
  if (token.text === 'NULL') return { kind: 'null', start: reader.take().start, end }
  if (token.text === 'CASE') return caseOf(reader, inner)
  if (token.text === 'INTERVAL') return interval(reader)
  if ((token.text === 'DATE' || token.text === 'TIME' || token.text === 'TIMESTAMP') && after.is === 'text') {
    reader.take()
    const text = reader.take()
    return { kind: 'moment', of: token.text, text: text.text, start, end: text.end }
  }
  if (token.text === 'CURRENT_DATE' || token.text === 'CURRENT_TIMESTAMP')
    return { kind: 'call', name: reader.take().text, args: [], start, end }
  if (after.is === 'sign' && after.text === '(') return call(reader, inner)
  if (kept.has(token.text)) return reader.stop({ kind: 'kept-word', word: token.text })
  return name(reader)
}

function name(reader: Reader): Syntax {
  const parts: NamePart[] = [part(reader.take())]
  while (reader.at('sign', '.')) {
    reader.take()
    if (reader.at('sign', '*')) {
      const { start, end } = reader.take()
      parts.push({ name: '*', quoted: false, start, end })
      break
    }
    if (!reader.at('word') && !reader.at('name')) return reader.stop({ kind: 'field-after-point' })
    parts.push(part(reader.take()))
  }
  return { kind: 'name', parts, start: parts[0]!.start, end: parts.at(-1)!.end }
}

const part = (token: Token): NamePart => ({
  name: token.is === 'name' ? token.text : token.raw,
  quoted: token.is === 'name',
  start: token.start,
  end: token.end,
})

function caseOf(reader: Reader, inner: Inner): Syntax {
  const { start } = reader.take()
  const subject = reader.at('word', 'WHEN') ? undefined : inner(reader)
  const whens: [Syntax, Syntax][] = []
  while (reader.takeWord('WHEN')) {
    reader.count()
    const when = inner(reader)
    reader.expectWord('THEN')
    const test: Syntax = subject
      ? { kind: 'binary', operator: '=', left: subject, right: when, start: when.start, end: when.end }
      : when
    whens.push([test, inner(reader)])
  }
  if (whens.length === 0) reader.stop({ kind: 'whens-missing' })
  const other = reader.takeWord('ELSE') ? inner(reader) : undefined
  const { end } = reader.expectWord('END')
  return { kind: 'case', whens, ...(other && { other }), start, end }
}

function interval(reader: Reader): Syntax {
  const { start } = reader.take()
  const count = reader.expect('text', { kind: 'interval-text' })
  const unit = reader.next
  if (!/^-?\d{1,6}$/.test(count.text)) reader.stopAt(count, { kind: 'interval-whole' })
  if (!dateUnits.includes(unit.text as DateUnit)) reader.stop({ kind: 'interval-unit' })
  reader.take()
  return { kind: 'interval', count: count.text, unit: unit.text as DateUnit, start, end: unit.end }
}

function call(reader: Reader, inner: Inner): Syntax {
  const head = reader.take()
  const { start } = head
  reader.expectSign('(')
  if (aggregateNames.includes(head.text as AggregateName)) return aggregate(reader, inner, head)
  if (head.text === 'CAST') {
    const of = inner(reader)
    reader.expectWord('AS')
    const to = castTarget(reader)
    return { kind: 'cast', of, to, start, end: reader.expectSign(')').end }
  }
  if (head.text === 'EXTRACT') {
    const unit = reader.take()
    if (!dateUnits.includes(unit.text as DateUnit)) reader.stopAt(unit, { kind: 'extract-unit' })
    reader.expectWord('FROM')
    const of = inner(reader)
    return { kind: 'call', name: `EXTRACT ${unit.text}`, args: [of], start, end: reader.expectSign(')').end }
  }
  if (reader.at('sign', ')')) return { kind: 'call', name: head.text, args: [], start, end: reader.take().end }
  // Between the arguments stand commas, or the words that the standard puts there.
  const args = [reader.deeper(() => argument(reader, inner, head.text))]
  while (reader.takeSign(',') || ['FROM', 'FOR', 'IN'].some((word) => reader.takeWord(word))) {
    reader.count()
    args.push(inner(reader))
  }
  return { kind: 'call', name: head.text, args, start, end: reader.expectSign(')').end }
}

/** The IN of POSITION (a IN b) belongs to the call, so its first argument is read only so far. */
const argument = (reader: Reader, inner: Inner, head: string): Syntax =>
  head === 'POSITION' ? parsePrimary(reader, inner) : inner(reader)

function aggregate(reader: Reader, inner: Inner, head: Token): Syntax {
  const of = inner(reader)
  const by = reader.takeWord('BY') ? linkName(reader) : undefined
  let { end } = reader.expectSign(')')
  let where: Syntax | undefined
  if (reader.takeWord('FILTER')) {
    reader.expectSign('(')
    reader.expectWord('WHERE')
    where = inner(reader)
    end = reader.expectSign(')').end
  }
  const name = head.text as AggregateName
  return { kind: 'aggregate', name, of, ...(by && { by }), ...(where && { where }), start: head.start, end }
}

/** No expression goes on with a name, so that BY need be no word of its own: a field may be called so without quotes. */
const linkName = (reader: Reader): NamePart =>
  reader.at('word') || reader.at('name') ? part(reader.take()) : reader.stop({ kind: 'link-after-by' })

function castTarget(reader: Reader): CastTarget {
  const head = reader.take()
  const name = head.text === 'NUMERIC' ? 'DECIMAL' : head.text === 'INT' ? 'INTEGER' : head.text
  if (!['DECIMAL', 'INTEGER', 'VARCHAR', 'DATE', 'TIMESTAMP'].includes(name)) reader.stopAt(head, { kind: 'cast-type' })
  const sizes: number[] = []
  if (reader.takeSign('(')) {
    for (const size of reader.list((one) => one.expect('number', { kind: 'size-missing' })))
      sizes.push(Number(size.text))
    reader.expectSign(')')
  }
  return { name: name as CastTarget['name'], sizes }
}
