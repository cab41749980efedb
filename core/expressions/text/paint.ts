import { functions } from '../run/functions'
import { isKept } from './parse-primary'
import { aggregateNames, type Span } from './syntax'

export type Paint = 'word' | 'function' | 'name' | 'text' | 'number' | 'remark'

const functionWords = new Set([
  ...Object.keys(functions).map((name) => name.split(' ')[0]!),
  ...aggregateNames,
  ...['COALESCE', 'NULLIF', 'DATE', 'TIME', 'TIMESTAMP', 'YEAR', 'MONTH', 'DAY', 'HOUR', 'MINUTE'],
])

const painted =
  /(?<remark>--[^\n]*)|(?<name>"(?:[^"]|"")*"?)|(?<text>'(?:[^']|'')*'?)|(?<number>\d+(?:\.\d*)?|\.\d+)|(?<word>[\p{L}_][\p{L}\p{N}_]*)/gu

/** What each part of an expression is, for its colour; half-written text is painted as far as it goes. */
export function paintsOf(source: string): (Span & { readonly paint: Paint })[] {
  return [...source.matchAll(painted)].map(({ index, 0: raw, groups }) => {
    const [paint] = Object.entries(groups!).find(([, found]) => found !== undefined) as [Paint, string]
    return { start: index, end: index + raw.length, paint: paint === 'word' ? wordPaint(raw, source, index) : paint }
  })
}

function wordPaint(raw: string, source: string, at: number): Paint {
  const word = raw.toUpperCase()
  // What follows a point is the name of a fact, whatever else it may mean.
  if (source[at - 1] === '.') return 'name'
  if (isKept(word)) return 'word'
  return functionWords.has(word) && /^\s*[(']|^\s+FROM\b/i.test(source.slice(at + raw.length)) ? 'function' : 'name'
}
