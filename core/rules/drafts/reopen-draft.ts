import { type Book, type RuleSays, type Table, fieldWith } from '../../book'
import { displayOf, storeTree, readExpression, showExpression, type Tree, writtenStored } from '../../expressions'
import { showValue } from '../../kinds'
import type { OwnRule } from '../own-rules'
import type { RuleDraft } from './rule-draft'
import { type Condition, operators, type Operator, type Sentence, writeSentence } from './sentences'

/** A rule that is there already, as it was put together. */
export function draftOf(book: Book, { rule, table, source, compiled }: OwnRule): RuleDraft {
  const says: RuleSays = rule.says
  switch (says.kind) {
    case 'holds': {
      const sentence = compiled?.kind === 'holds' ? reopenSentence(book, table, compiled.tree) : undefined
      return sentence ?? { kind: 'written', source }
    }
    case 'together':
      return says
    case 'apart':
      return { ...says, unless: writtenStored(book, says.unless) }
    case 'closed':
      return { ...says, once: writtenStored(book, says.once) }
    case 'follows':
      return { ...says, steps: Object.fromEntries(says.steps.map(({ from, to }) => [from, to])) }
  }
}

/**
 * The sentence that an expression can be said in, if there is one: what it seems to say, written out again, must
 * give the very same expression.
 */
export function reopenSentence(book: Book, table: Table, tree: Tree): Sentence | undefined {
  const asked = JSON.stringify(storeTree(tree))
  return guesses(new Speaker(book), tree).find((sentence) => {
    const written = writeSentence(book, table, sentence)
    const read = 'source' in written ? readExpression(book, table, written.source) : undefined
    return read && 'tree' in read && JSON.stringify(storeTree(read.tree)) === asked
  })
}

const plain = (tree: Tree): Tree => (tree.kind === 'cast' && tree.quiet ? plain(tree.of) : tree)

/** Facts and values as they stand in the boxes of a sentence. */
export class Speaker {
  constructor(private readonly book: Book) {}

  fact(tree: Tree | undefined): string | undefined {
    const of = tree && plain(tree)
    return of?.kind === 'fact' ? showExpression(this.book, of) : undefined
  }

  /** A value as people write it where such a fact is asked for. */
  value(fact: Tree, tree: Tree | undefined): string | undefined {
    const [of, value] = [plain(fact), tree && plain(tree)]
    if (of.kind !== 'fact' || value?.kind !== 'literal' || value.value === null) return undefined
    const face = displayOf(this.book, fieldWith(this.book, of.field).field)
    return showValue(value.value, face, this.book.look)
  }

  condition(tree: Tree): Condition | undefined {
    const filled = tree.kind === 'not' && tree.of.kind === 'isNull' ? this.fact(tree.of.of) : undefined
    if (filled) return { subject: filled, operator: 'filled', against: { value: '' } }
    const blank = tree.kind === 'isNull' ? this.fact(tree.of) : undefined
    if (blank) return { subject: blank, operator: 'blank', against: { value: '' } }
    if (tree.kind !== 'binary' || !Object.hasOwn(operators, tree.operator)) return undefined
    const [subject, fact, value] = [this.fact(tree.left), this.fact(tree.right), this.value(tree.left, tree.right)]
    const against = fact !== undefined ? { fact } : value !== undefined ? { value } : undefined
    return subject && against ? { subject, operator: tree.operator as Operator, against } : undefined
  }
}

function guesses(speaker: Speaker, tree: Tree): Sentence[] {
  const found: (Sentence | undefined)[] = [days(speaker, tree), range(speaker, tree)]
  const compared = speaker.condition(tree)
  if (compared) found.push({ kind: 'compare', ...compared })
  if (tree.kind === 'binary' && tree.operator === 'OR') {
    const subjects = partsOf(tree, 'OR').map((part) => speaker.condition(part))
    if (subjects.every((part) => part?.operator === 'filled'))
      found.push({ kind: 'filled', subjects: subjects.map((part) => part!.subject) })
    const [when, then] = [
      tree.left.kind === 'not' ? speaker.condition(tree.left.of) : undefined,
      speaker.condition(tree.right),
    ]
    if (when && then) found.push({ kind: 'if', when, then })
  }
  if (tree.kind === 'in') found.push(oneOf(speaker, tree))
  if (tree.kind === 'like') found.push(...looks(speaker, tree))
  return found.filter((sentence) => sentence !== undefined)
}

const partsOf = (tree: Tree, operator: 'AND' | 'OR'): readonly Tree[] =>
  tree.kind === 'binary' && tree.operator === operator
    ? [...partsOf(tree.left, operator), ...partsOf(tree.right, operator)]
    : [tree]

type Binary = Extract<Tree, { kind: 'binary' }>
const bound = (parts: readonly Tree[], operator: '>=' | '<=') =>
  parts.find((part): part is Binary => part.kind === 'binary' && part.operator === operator)

function range(speaker: Speaker, tree: Tree): Sentence | undefined {
  const parts = partsOf(tree, 'AND')
  const [low, high] = [bound(parts, '>='), bound(parts, '<=')]
  if (!low || !high) return undefined
  const [subject, least, most] = [
    speaker.fact(low.left),
    speaker.value(low.left, low.right),
    speaker.value(low.left, high.right),
  ]
  return subject && least !== undefined && most !== undefined ? { kind: 'range', subject, least, most } : undefined
}

function days(speaker: Speaker, tree: Tree): Sentence | undefined {
  const parts = partsOf(tree, 'AND')
  const ends = [bound(parts, '>='), bound(parts, '<=')]
  const between = ends.map((end) => end && plain(end.left)).find((of) => of?.kind === 'days')
  if (between?.kind !== 'days') return undefined
  const [later, earlier] = [speaker.fact(between.left), speaker.fact(between.right)]
  const [least, most] = ends.map((end) => {
    const limit = end && plain(end.right)
    return limit?.kind === 'literal' ? String(Number(limit.value)) : ''
  })
  return later && earlier ? { kind: 'days', later, earlier, least: least!, most: most! } : undefined
}

function oneOf(speaker: Speaker, tree: Extract<Tree, { kind: 'in' }>): Sentence | undefined {
  const subject = speaker.fact(tree.of)
  const words = tree.among.map((one) => speaker.value(tree.of, one))
  if (!subject || words.some((word) => word === undefined)) return undefined
  return { kind: 'oneOf', subject, words: words.join(', ') }
}

function looks(speaker: Speaker, tree: Extract<Tree, { kind: 'like' }>): Sentence[] {
  const [subject, pattern] = [speaker.fact(tree.of), plain(tree.pattern)]
  if (!subject || pattern.kind !== 'literal' || pattern.value === null) return []
  const text = (part: string) => part.replace(/!([!%_])/g, '$1')
  const { value } = pattern
  return [
    { kind: 'looks', subject, how: 'contains', text: text(value.slice(1, -1)) },
    { kind: 'looks', subject, how: 'begins', text: text(value.slice(0, -1)) },
    { kind: 'looks', subject, how: 'ends', text: text(value.slice(1)) },
  ]
}
