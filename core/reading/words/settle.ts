import { type Around, type SettlingRule, settlingRules } from './settling-rules'
import type { Token, WordClass } from './token'

/** Settles from their neighbours what words are that may be a thing or a doing. */
export function settle(tokens: readonly Token[], rules: readonly SettlingRule[] = settlingRules): Token[] {
  const out: Token[] = []
  for (const [at, token] of tokens.entries()) {
    const around: Around = { token, before: out[at - 1], after: tokens[at + 1], afterNext: tokens[at + 2], done: out }
    const rule = rules.find((one) => one.of.includes(token.is) && one.when(around))
    out.push({ ...token, is: rule?.becomes ?? token.is })
  }
  return out.map(({ text, lower, start, end, is }, at) => ({ text, lower, start, end, is: fixed(out, at) ?? is }))
}

/** "best before date", "use by date": a preposition inside a name. */
function fixed(tokens: readonly Token[], at: number): WordClass | undefined {
  const pair = (first: number) =>
    /^(best before|use by|sell by|pick up|drop off|check in|check out)$/.test(
      `${tokens[first]?.lower} ${tokens[first + 1]?.lower}`,
    ) && /^(date|time|day|place|address|point)$/.test(tokens[first + 2]?.lower ?? '')
  return pair(at) || pair(at - 1) ? 'adjective' : undefined
}
