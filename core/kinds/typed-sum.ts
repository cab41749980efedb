import { marksOf, readDecimal, showDecimal } from './decimal'
import { divideRounded, fromExact, toExact } from './exact-numbers'
import { type KindName, kindOf } from './registry'
import type { Look } from './look'
import type { FieldSettings } from './settings'

/** A sum longer than this is none. */
const longest = 200
/** Nobody types more brackets within each other. */
const deepest = 20
/** What isn't rounded to a field's own decimals, and doesn't end, ends here. */
const mostDecimals = 10

/** A number as it is, however long its decimals would be. */
interface Fraction {
  readonly over: bigint
  readonly under: bigint
}

type Token = '+' | '-' | '*' | '/' | '(' | ')' | Fraction

/**
 * What somebody worked out while typing a number: "3*12.50", "(120 + 35) / 2". Exact, then rounded half away from nought to
 * as many decimals as an amount or an exact number has; in the book's style, as it would have been typed.
 * @returns nothing where it is a plain number, or no sum at all
 */
export function sumTyped(
  typed: string,
  field: Pick<FieldSettings, 'decimals'> & { readonly kind: KindName },
  look: Look,
): string | undefined {
  const text = typed.trim()
  if (text.length > longest || !/^[-+(]*[\d(].*[-+*/×÷]/.test(text) || looksOtherwise(text)) return undefined
  const tokens = tokensOf(text, look)
  const value = tokens && new Sum(tokens).value()
  if (!value) return undefined
  const decimals =
    field.kind === 'money' ? look.currencyDecimals : field.kind === 'exact' ? (field.decimals ?? 2) : mostDecimals
  const rounded = fromExact(divideRounded(value.over * 10n ** BigInt(decimals), value.under), decimals)
  const isPadded = field.kind === 'money' || field.kind === 'exact'
  return showDecimal(isPadded ? rounded : rounded.replace(/\.?0+$/, (end) => (rounded.includes('.') ? '' : end)), look)
}

/** What somebody entered, sums worked out where a number is asked for. */
export const workedOut = (
  typed: string,
  field: Pick<FieldSettings, 'decimals'> & { readonly kind: KindName },
  look: Look,
): string => (kindOf(field.kind).control === 'number' ? (sumTyped(typed, field, look) ?? typed) : typed)

/** Days and telephone numbers have strokes and noughts in them too, and come to nothing anybody meant. */
const looksOtherwise = (text: string): boolean =>
  /^\d+-\d+(-\d+)+$/.test(text) || /^\d+\/\d+(\/\d+)+$/.test(text) || (/^[\d-]+$/.test(text) && /(^|-)0\d/.test(text))

function tokensOf(text: string, look: Look): Token[] | undefined {
  const { group, point } = marksOf(look)
  const number = new RegExp(`\\d[\\d\\${group}]*(?:\\${point}\\d*)?|\\${point}\\d+`, 'y')
  const tokens: Token[] = []
  for (let at = 0; at < text.length;) {
    number.lastIndex = at
    const found = number.exec(text)?.[0]
    if (found) {
      const read = readDecimal(found.trim(), look)
      if (!read.ok) return undefined
      const scale = read.value.split('.')[1]?.length ?? 0
      tokens.push({ over: toExact(read.value, scale), under: 10n ** BigInt(scale) })
      at += found.length
      continue
    }
    const letter = text[at++] ?? ''
    if (/\s/.test(letter)) continue
    const sign = letter === '×' ? '*' : letter === '÷' ? '/' : letter === '−' ? '-' : letter
    if (!'+-*/()'.includes(sign)) return undefined
    tokens.push(sign as Token)
  }
  return tokens
}

/** Points before strokes, brackets first; nothing where it isn't a sum or divides by nought. */
class Sum {
  private at = 0
  private depth = 0

  constructor(private readonly tokens: readonly Token[]) {}

  value(): Fraction | undefined {
    const value = this.terms()
    return this.at === this.tokens.length ? value : undefined
  }

  private take(...signs: readonly string[]): string | undefined {
    const token = this.tokens[this.at]
    if (typeof token !== 'string' || !signs.includes(token)) return undefined
    this.at++
    return token
  }

  private terms(): Fraction | undefined {
    let left = this.factors()
    for (let sign = left && this.take('+', '-'); left && sign; sign = left && this.take('+', '-')) {
      const right = this.factors()
      left = right && {
        over: left.over * right.under + (sign === '+' ? 1n : -1n) * right.over * left.under,
        under: left.under * right.under,
      }
    }
    return left
  }

  private factors(): Fraction | undefined {
    let left = this.one()
    for (let sign = left && this.take('*', '/'); left && sign; sign = left && this.take('*', '/')) {
      const right = this.one()
      if (!right || (sign === '/' && right.over === 0n)) return undefined
      left =
        sign === '*'
          ? { over: left.over * right.over, under: left.under * right.under }
          : { over: left.over * right.under, under: left.under * right.over }
    }
    return left
  }

  private one(): Fraction | undefined {
    const sign = this.take('+', '-')
    const token = this.tokens[this.at]
    let value: Fraction | undefined
    if (token !== undefined && typeof token !== 'string') {
      this.at++
      value = token
    } else if (this.depth < deepest && this.take('(')) {
      this.depth++
      value = this.terms()
      this.depth--
      if (!this.take(')')) return undefined
    }
    return value && sign === '-' ? { ...value, over: -value.over } : value
  }
}
