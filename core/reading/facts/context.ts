import { attributeHeads, measureNouns, noThings } from '../knowledge/attributes'
import { happenings } from '../knowledge/frames'
import type { Fact } from './facts'
import type { Phrase } from '../words/phrases'

/** Never a thing to keep, whatever is said about it. */
const never =
  /^(we|us|office|system|database|program|spreadsheet|everything|anything|something|day|week|month|year|time|way|rest|list of .*)$/

/** What is known while a need is read: the things so far, and what the sentence before spoke of. */
export class Context {
  /** The tie told last in this need, for "we note how many". */
  lastTie: { a: string; b: string } | undefined
  tieBefore: { a: string; b: string } | undefined
  /** The thing spoken of last, for "its name". */
  lastOwner: string | undefined
  /** The happening told last: "when they pay we note the amount". */
  lastVerb: string | undefined
  /** Who the happening was told of. */
  lastSubject: string | undefined
  lastFact: { owner: string; name: string } | undefined

  constructor(
    readonly need: number,
    private readonly things: ReadonlySet<string>,
    private readonly names: ReadonlyMap<string, string>,
    /** What names were found to mean; the needs of one reading share it. */
    private readonly found: Map<string, string | undefined> = new Map(),
  ) {}

  /** The thing that a name means: itself, what it is also called, or the thing at its end ("rowing boat" is a boat). */
  thing(name: string): string | undefined {
    const found = this.found.get(name)
    if (found !== undefined || this.found.has(name)) return found
    const looked = this.look(name)
    this.found.set(name, looked)
    return looked
  }

  private look(name: string): string | undefined {
    const known = (word: string) => this.names.get(word) ?? (this.things.has(word) ? word : undefined)
    const whole = known(name)
    if (whole) return whole
    if (/ of /.test(name)) return known(name.slice(0, name.indexOf(' of ')))
    if (attributeHeads.has(name.split(' ').at(-1)!) || / per /.test(name)) return undefined
    const words = name.split(' ')
    for (let from = 1; from < words.length; from++) {
      const shorter = known(words.slice(from).join(' '))
      if (shorter) return shorter
    }
    const longer = [...this.things].filter((thing) => thing.endsWith(` ${name}`))
    return longer.length === 1 && !attributeHeads.has(name) ? longer[0] : undefined
  }

  of(phrase: Phrase | undefined): string | undefined {
    if (!phrase) return undefined
    const found = this.thing(phrase.name)
    if (found || !['each', 'the'].includes(phrase.det ?? '')) return found
    // "boats of each type" means the one thing called something type.
    const longer = [...this.things].filter((thing) => thing.endsWith(` ${phrase.name}`))
    return longer.length === 1 ? longer[0] : undefined
  }

  /** The table that a happening is written down in, where the needs speak of one. */
  happening(verb: string): string | undefined {
    const nouns = Object.hasOwn(happenings, verb) ? happenings[verb]! : []
    return nouns.map((noun) => this.thing(noun)).find((thing) => thing !== undefined)
  }

  /** Whether a name could be that of a thing at all. */
  may(name: string): boolean {
    if (this.things.has(name)) return true
    const last = name.split(' ').at(-1)!
    return !noThings.has(name) && !noThings.has(last) && !attributeHeads.has(last) && /[a-z]{2}/.test(name)
  }

  thingFact(phrase: Phrase | undefined, weight: number, sure = false): Fact[] {
    if (!phrase || never.test(phrase.name)) return []
    const of = phrase.core.indexOf(' of ')
    const name = of > 0 ? phrase.core.slice(0, of) : phrase.core
    const last = name.split(' ').at(-1)!
    if (of > 0 && measureNouns.has(last)) return []
    if (!sure && (noThings.has(name) || noThings.has(last))) return []
    return [{ kind: 'thing', name, weight, ...(sure && { sure }), at: this.at(phrase) }]
  }

  at = ({ start, end }: { readonly start: number; readonly end: number }) => ({ need: this.need, start, end })
}
