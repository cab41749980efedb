import { attributeHeads } from '../knowledge/attributes'
import { recording, timeSpans } from '../knowledge/frames'
import type { Doing, Element } from '../words/elements'
import type { Phrase } from '../words/phrases'

/** One statement: who, does what, and what comes after; before it what it is said for ("For each loan, …"). */
export interface Clause {
  readonly lead: readonly { readonly prep: string; readonly phrase: Phrase }[]
  readonly subject: Phrase | undefined
  /** More subjects, joined by "and". */
  readonly besides: readonly Phrase[]
  /** "we", "it", "they", "one of them" where no thing is the subject. */
  readonly pronoun: string | undefined
  readonly doing: Doing | undefined
  readonly rest: readonly Element[]
  /** What stands before the verb: the subject with all that is said of it. */
  readonly head: readonly Element[]
  /** The mark that the clause ended with: a list may follow a colon. */
  readonly after: string | undefined
  readonly asking: string | undefined
}

/** Cuts a sentence's elements into clauses. A clause without a subject of its own takes the one before. */
export function clausesOf(elements: readonly Element[]): Clause[] {
  const pieces: { elements: Element[]; after: string | undefined }[] = []
  let current: Element[] = []
  const close = (after: string | undefined) => {
    if (current.length > 0) pieces.push({ elements: current, after })
    current = []
  }
  elements.forEach((element, at) => {
    // "For each boat record: name, length": the list is what is recorded.
    const last = current.at(-1)
    if (isWord(element, ':') && last?.kind === 'doing' && !last.doing.passive && recording.has(last.doing.verb)) return
    const hasDoing = current.some((one) => one.kind === 'doing')
    if (element.kind === 'joint') {
      if (/[.;:!?–—-]/.test(element.word) && (hasDoing || element.word !== ':' || startsClause(elements, at + 1)))
        return close(element.word)
      if (hasDoing && startsClause(elements, element.word === ',' && isJoint(elements[at + 1]) ? at + 2 : at + 1))
        return close(element.word)
    }
    if (
      element.kind === 'asking' &&
      hasDoing &&
      /^(which|that|who)$/.test(element.word) &&
      elements[at + 1]?.kind === 'doing'
    ) {
      const of = lastThing(current)
      // "the day, who did it": a day is nobody.
      const nobody = element.word === 'who' && of && attributeHeads.has(of.name.split(' ').at(-1)!)
      if (of && !nobody) {
        close('which')
        current.push({ kind: 'thing', phrase: of })
        return
      }
    }
    // "When they pay we note the amount": what happens, then what is done about it.
    const opening = current.find((one) => !isJoint(one))
    if (
      hasDoing &&
      opening?.kind === 'asking' &&
      /^(when|if)$/.test(opening.word) &&
      isSubject(element) &&
      elements[at + 1]?.kind === 'doing'
    )
      close(',')
    current.push(element)
  })
  close(undefined)
  const clauses: Clause[] = []
  for (const { elements: inner, after } of pieces) clauses.push(clauseOf(inner, after, clauses.at(-1)))
  return clauses
}

const isJoint = (element: Element | undefined) => element?.kind === 'joint'

const lastThing = (elements: readonly Element[]): Phrase | undefined => {
  const last = elements.filter((one) => one.kind !== 'joint').at(-1)
  return last?.kind === 'thing' ? last.phrase : undefined
}

/** Whether a new statement begins here: a subject with its verb, a verb alone, or "for each X we …". */
function startsClause(elements: readonly Element[], from: number): boolean {
  let at = from
  const first = elements[at]
  if (!first) return false
  if (first.kind === 'doing') return true
  if (first.kind === 'oneOf') return true
  if (first.kind === 'asking' && /^(which|who|how|what|whose)$/.test(first.word)) return false
  if (first.kind === 'asking' && first.word === 'when') return false
  if (first.kind === 'prep') {
    if (elements[at + 1]?.kind !== 'thing') return false
    at = leadEnd(elements, at)
    return (isSubject(elements[at]) && elements[at + 1]?.kind === 'doing') || elements[at]?.kind === 'doing'
  }
  if (!isSubject(first)) return false
  at++
  // "several lines, each line for one book"
  if (
    first.kind === 'thing' &&
    first.phrase.det === 'each' &&
    elements[at]?.kind === 'prep' &&
    elements[at + 1]?.kind === 'thing'
  )
    return true
  // "the coach and the captain sign"
  if (
    elements[at]?.kind === 'joint' &&
    /^(and|or)$/.test((elements[at] as { word: string }).word) &&
    isSubject(elements[at + 1])
  ) {
    return (
      elements[at + 2]?.kind === 'doing' &&
      first.kind === 'thing' &&
      first.phrase.det !== undefined &&
      isFirstAfterStop(elements, from)
    )
  }
  while (elements[at]?.kind === 'prep' && elements[at + 1]?.kind === 'thing') at += 2
  return elements[at]?.kind === 'doing'
}

/** Where what a statement is said for ends: "for each part used on a job," */
function leadEnd(elements: readonly Element[], from: number): number {
  let at = from
  for (;;) {
    if (elements[at]?.kind === 'quality' && elements[at + 1]?.kind === 'prep') at++
    if (elements[at]?.kind !== 'prep' || elements[at + 1]?.kind !== 'thing') break
    at += 2
    if (isWord(elements[at], 'and') && elements[at + 1]?.kind === 'thing' && elements[at + 2]?.kind !== 'doing') at += 2
  }
  while (elements[at]?.kind === 'quality' && elements[at + 1]?.kind !== 'prep') at++
  if (isJoint(elements[at]) && /[,–:-]/.test((elements[at] as { word: string }).word)) at++
  return at
}

const isWord = (element: Element | undefined, word: string) => element?.kind === 'joint' && element.word === word

const isFirstAfterStop = (elements: readonly Element[], at: number) => {
  const before = elements[at - 1]
  return before?.kind === 'joint' && /[.;:]/.test(before.word)
}

const isSubject = (element: Element | undefined) =>
  element?.kind === 'thing' || element?.kind === 'pronoun' || element?.kind === 'oneOf'

function clauseOf(elements: readonly Element[], after: string | undefined, before: Clause | undefined): Clause {
  let at = 0
  const lead: { prep: string; phrase: Phrase }[] = []
  let asking: string | undefined
  if (isJoint(elements[0])) at++
  if (elements[at]?.kind === 'asking') asking = (elements[at++] as { word: string }).word
  const end = leadEnd(elements, at)
  for (let prep = ''; at < end; at++) {
    const element = elements[at]!
    if (element.kind === 'prep') prep = element.word
    if (element.kind === 'thing') lead.push({ prep, phrase: element.phrase })
  }
  const base = { lead, after, asking, besides: [] as Phrase[], head: elements.slice(at) as readonly Element[] }
  // "Every year each tenant pays": when it happens is not who does it.
  const when = elements[at]
  if (when?.kind === 'thing' && timeSpans.has(when.phrase.name) && elements[at + 1]?.kind === 'thing') at++
  const first = elements[at]
  const doingAt = elements.findIndex((one, i) => i >= at && one.kind === 'doing')
  if (doingAt < 0)
    return { ...base, subject: undefined, pronoun: undefined, doing: undefined, rest: elements.slice(at), head: [] }
  const doing = (elements[doingAt] as { doing: Doing }).doing
  const rest = elements.slice(doingAt + 1)
  const head = elements.slice(at, doingAt)
  base.head = head
  const things = head.flatMap((one) => (one.kind === 'thing' ? [one.phrase] : []))
  if (first && first.kind !== 'doing') {
    if (first.kind === 'thing') {
      const joined = head.every((one) => one.kind === 'thing' || one.kind === 'joint')
      return { ...base, subject: first.phrase, besides: joined ? things.slice(1) : [], pronoun: undefined, doing, rest }
    }
    if (first.kind === 'pronoun' || first.kind === 'oneOf') {
      const pointing = /^(it|they|he|she|them|each)$/.test(first.word)
      const kept = pointing && first.kind === 'pronoun' ? before?.subject : undefined
      return {
        ...base,
        subject: kept,
        besides: kept ? (before?.besides ?? []) : [],
        pronoun: first.kind === 'oneOf' ? 'one of them' : first.word,
        doing,
        rest,
      }
    }
    // "How many boats of each type are out": the first thing before the verb.
    return { ...base, subject: things[0], pronoun: undefined, doing, rest }
  }
  return {
    ...base,
    subject: before?.subject,
    besides: before?.besides ?? [],
    pronoun: before?.subject ? undefined : before?.pronoun,
    doing,
    rest,
  }
}
