import { type Problem, wordProblem } from '../../words'
import type { Failure, Span } from './syntax'
import type { Token } from './tokens'

/** Thrown within the parser alone, and caught where it began. */
export class Stopped extends Error {
  constructor(readonly failure: Failure) {
    super(failure.problem.kind)
  }
}

const deepest = 100
/** Operators in one expression: a chain of them makes a tree as deep as it is long. */
const mostOperators = 500

/** Goes through tokens one by one, and says what was expected where something else stands. */
export class Reader {
  private place = 0
  private depth = 0
  private operators = 0

  constructor(private readonly tokens: readonly Token[]) {}

  get next(): Token {
    return this.tokens[this.place]!
  }

  peek(by: number): Token {
    return this.tokens[Math.min(this.place + by, this.tokens.length - 1)]!
  }

  at = (is: Token['is'], text?: string) => this.next.is === is && (text === undefined || this.next.text === text)

  take(): Token {
    const token = this.next
    if (token.is !== 'end') this.place++
    return token
  }

  takeWord = (word: string) => this.at('word', word) && Boolean(this.take())
  takeSign = (sign: string) => this.at('sign', sign) && Boolean(this.take())

  expectWord(word: string): Token {
    return this.at('word', word) ? this.take() : this.stop({ kind: 'word-missing', word })
  }
  expectSign(sign: string): Token {
    return this.at('sign', sign) ? this.take() : this.stop({ kind: 'sign-missing', sign })
  }
  expect(is: Token['is'], otherwise: Problem): Token {
    return this.at(is) ? this.take() : this.stop(otherwise)
  }

  /** One or more, with commas between. */
  list<T>(part: (reader: Reader) => T): T[] {
    const parts = [part(this)]
    while (this.takeSign(',')) {
      this.count()
      parts.push(part(this))
    }
    return parts
  }

  deeper<T>(part: () => T): T {
    if (++this.depth > deepest) this.stop({ kind: 'nested-too-deep', most: deepest })
    const made = part()
    this.depth--
    return made
  }

  count(): void {
    if (++this.operators > mostOperators) this.stop({ kind: 'too-many-operators', most: mostOperators })
  }

  stop(problem: Problem): never {
    return this.stopAt(this.next, this.at('end') ? { kind: 'ends-too-early', words: wordProblem(problem) } : problem)
  }
  stopAt({ start, end }: Span, problem: Problem): never {
    throw new Stopped({ problem, at: { start, end } })
  }
}
