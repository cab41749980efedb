import type { ExpressionProblem, Span } from './syntax'

export type Token = Span & {
  readonly is: 'word' | 'name' | 'text' | 'number' | 'sign' | 'end'
  /** The word in capitals, the name or text without its quotes, the number or the sign. */
  readonly text: string
  /** As it was written. */
  readonly raw: string
}

/** Longer text than anybody writes; refused at once, so that no hostile text keeps the program busy. */
const longestExpression = 20_000

const patterns: readonly (readonly [Token['is'] | 'space', RegExp])[] = [
  ['space', /\s+|--[^\n]*/y],
  ['name', /"(?:[^"]|"")*"/y],
  ['text', /'(?:[^']|'')*'/y],
  ['number', /(?:\d+(?:\.\d*)?|\.\d+)/y],
  ['word', /[\p{L}_][\p{L}\p{N}_]*/uy],
  ['sign', /<>|!=|<=|>=|\|\||[-+*/=<>(),.]/y],
]

/** Cuts text into tokens, each with its place; or says which character has no meaning. */
export function tokensOf(source: string): { readonly tokens: Token[] } | { readonly problem: ExpressionProblem } {
  const fail = (start: number, end: number, words: string) => ({ problem: { start, end, words } })
  if (source.length > longestExpression)
    return fail(
      longestExpression,
      source.length,
      `An expression may have at most ${longestExpression.toLocaleString('en-GB')} characters.`,
    )
  const tokens: Token[] = []
  let at = 0
  while (at < source.length) {
    const found = patterns.flatMap(([is, pattern]) => {
      pattern.lastIndex = at
      const match = pattern.exec(source)
      return match ? [{ is, raw: match[0] }] : []
    })[0]
    if (!found) {
      const sign = String.fromCodePoint(source.codePointAt(at)!)
      const open =
        sign === '"'
          ? 'The name that begins here has no closing " mark.'
          : sign === "'"
            ? 'The text that begins here has no closing ’ mark.'
            : undefined
      return fail(at, open ? source.length : at + sign.length, open ?? `“${sign}” has no meaning here.`)
    }
    const end = at + found.raw.length
    if (found.is !== 'space')
      tokens.push({ is: found.is, raw: found.raw, text: textOf(found.is, found.raw), start: at, end })
    at = end
  }
  tokens.push({ is: 'end', text: '', raw: '', start: source.length, end: source.length })
  return { tokens }
}

function textOf(is: Token['is'], raw: string): string {
  if (is === 'name') return raw.slice(1, -1).replaceAll('""', '"')
  if (is === 'text') return raw.slice(1, -1).replaceAll("''", "'")
  if (is === 'word') return raw.toUpperCase()
  return raw === '!=' ? '<>' : raw
}
