import { functions } from '../run/functions'
import { isKept } from './parse-primary'
import { aggregateNames, type Span } from './syntax'
import { type Lexeme, lexemesOf } from './tokens'

export type Paint = 'word' | 'function' | 'name' | 'text' | 'number' | 'remark'

const functionWords = new Set([
  ...Object.keys(functions).map((name) => name.split(' ')[0]!),
  ...aggregateNames,
  ...['COALESCE', 'NULLIF', 'DATE', 'TIME', 'TIMESTAMP', 'YEAR', 'MONTH', 'DAY', 'HOUR', 'MINUTE'],
])

/** What each part of an expression is, for its colour; half-written text is painted as far as it goes. */
export function paintsOf(source: string): (Span & { readonly paint: Paint })[] {
  const lexemes = lexemesOf(source)
  return lexemes.flatMap((lexeme, at) => {
    const { is, start, end } = lexeme
    if (is === 'space' || is === 'sign' || is === 'unknown') return []
    return [{ start, end, paint: is === 'word' ? wordPaint(lexemes, at) : is }]
  })
}

function wordPaint(lexemes: readonly Lexeme[], at: number): Paint {
  // What follows a point is the name of a fact, whatever else it may mean.
  if (lexemes[at - 1]?.raw === '.') return 'name'
  const word = lexemes[at]!.raw.toUpperCase()
  if (isKept(word)) return 'word'
  const next = lexemes.slice(at + 1).find(({ is }) => is !== 'space')
  return functionWords.has(word) && next && /^(?:['(]|FROM$)/i.test(next.raw) ? 'function' : 'name'
}
