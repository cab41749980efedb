import type { Problem } from '../../words'
import type { Failure, Span } from './syntax'

export type Token = Span & {
  readonly is: 'word' | 'name' | 'text' | 'number' | 'sign' | 'end'
  /** The word in capitals, the name or text without its quotes, the number or the sign. */
  readonly text: string
  /** As it was written. */
  readonly raw: string
}

/** Longer text than anybody writes; refused at once, so that no hostile text keeps the program busy. */
const longestExpression = 20_000

export interface Lexeme extends Span {
  readonly is: Exclude<Token['is'], 'end'> | 'space' | 'remark' | 'unknown'
  readonly raw: string
  /** A name or a text whose closing mark is missing: it goes on to the end. */
  readonly open?: true
}

const patterns: readonly (readonly [Lexeme['is'], RegExp])[] = [
  ['space', /\s+/y],
  ['remark', /--[^\n]*/y],
  ['name', /"(?:[^"]|"")*"?/y],
  ['text', /'(?:[^']|'')*'?/y],
  ['number', /(?:\d+(?:\.\d*)?|\.\d+)/y],
  ['word', /[\p{L}_][\p{L}\p{N}_]*/uy],
  ['sign', /<>|!=|<=|>=|\|\||[-+*/=<>(),.]/y],
  ['unknown', /[\s\S]/uy],
]

/** Cuts any text into what it is made of, with nothing left over: for colours, half written as it may be, and for reading. */
export function lexemesOf(source: string): Lexeme[] {
  const lexemes: Lexeme[] = []
  for (let at = 0; at < source.length; at = lexemes.at(-1)!.end) {
    for (const [is, pattern] of patterns) {
      pattern.lastIndex = at
      const raw = pattern.exec(source)?.[0]
      if (raw === undefined) continue
      lexemes.push({ is, raw, start: at, end: at + raw.length, ...(isOpen(is, raw) && { open: true }) })
      break
    }
  }
  return lexemes
}

/** Inside, marks stand in pairs, so that one that closes makes an even number. */
const isOpen = (is: Lexeme['is'], raw: string) =>
  (is === 'name' || is === 'text') && raw.split(raw[0]!).length % 2 === 0

/** Cuts text into tokens, each with its place; or says which character has no meaning. */
export function tokensOf(source: string): { readonly tokens: Token[] } | Failure {
  if (source.length > longestExpression)
    return {
      problem: { kind: 'expression-too-long', most: longestExpression },
      at: { start: longestExpression, end: source.length },
    }
  const tokens: Token[] = []
  for (const { is, raw, start, end, open } of lexemesOf(source)) {
    if (is === 'space' || is === 'remark') continue
    if (is === 'unknown' || open) return { problem: unreadable(is, raw), at: { start, end } }
    tokens.push({ is, raw, text: textOf(is, raw), start, end })
  }
  tokens.push({ is: 'end', text: '', raw: '', start: source.length, end: source.length })
  return { tokens }
}

function unreadable(is: Lexeme['is'], raw: string): Problem {
  if (is === 'name') return { kind: 'name-open' }
  return is === 'text' ? { kind: 'text-open' } : { kind: 'no-meaning', sign: raw }
}

function textOf(is: Token['is'], raw: string): string {
  if (is === 'name') return raw.slice(1, -1).replaceAll('""', '"')
  if (is === 'text') return raw.slice(1, -1).replaceAll("''", "'")
  if (is === 'word') return raw.toUpperCase()
  return raw === '!=' ? '<>' : raw
}
