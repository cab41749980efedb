import type { Book, Place, Table, Way } from '@/core/book'
import {
  compareDraft,
  comparisonsFor,
  type ConditionDraft,
  type GroupDraft,
  hasDraft,
  isSeveral,
  likelyFurther,
  mayBeNone,
  nameOf,
  type RepeatsDraft,
  sayEnd,
} from '@/core/lists'
import { displayOf } from '@/core/expressions'
import { capital, inSentence } from '@/core/words'

/** How far from the list's records a condition may ask, in stretches of a way. */
const furthest = 2

/** Something that can be asked of a record: a field, or whether there is something. */
export interface Askable {
  readonly id: string
  readonly group: string
  readonly words: string
  readonly draft: ConditionDraft
}

/** By what a draft is found among what can be asked. */
export function idOf(draft: ConditionDraft): string {
  switch (draft.kind) {
    case 'repeats':
    case 'written':
    case 'group':
      return draft.kind
    case 'in':
      return `in ${draft.list}`
    case 'has':
      return JSON.stringify(draft.way)
    case 'compare':
      return JSON.stringify(draft.place)
  }
}

/** All that can be asked of a table's records in a list of its own; several things together where there is room for them. */
export function askablesOf(book: Book, table: Table, own: string, hasRoom: boolean): Askable[] {
  const found: Askable[] = []
  const fieldsAt = (way: Way, end: Table, group: string) => {
    for (const field of end.fields) {
      const [how] = comparisonsFor(displayOf(book, field), book.look)
      // A link is asked whether there is one.
      const first = field.kind === 'link' ? 'filled' : how!
      const place: Place = { way, field: field.id }
      found.push({ id: JSON.stringify(place), group, words: field.name, draft: compareDraft(place, first) })
    }
  }
  const walk = (way: Way, depth: number, names: readonly string[]) => {
    for (const stretch of likelyFurther(book, table.id, way)) {
      const next = [...way, ...stretch.hops]
      const called = [...names, stretch.words]
      if (isSeveral(book, next) || mayBeNone(book, next)) {
        const words = capital(sayEnd(book, table.id, next, true))
        found.push({ id: JSON.stringify(next), group: depth === 0 ? there : furtherOn, words, draft: hasDraft(next) })
      }
      if (!isSeveral(book, next)) fieldsAt(next, stretch.to, `its ${called.join(' → ')}`)
      if (depth + 1 < furthest) walk(next, depth + 1, called)
    }
  }
  fieldsAt([], table, table.name)
  const repeats: RepeatsDraft = { kind: 'repeats', fields: [], nearly: false }
  found.push({
    id: idOf(repeats),
    group: twice,
    words: `Another ${inSentence(table.name)} has the same …`,
    draft: repeats,
  })
  walk([], 0, [])
  for (const list of book.lists)
    if (list.id !== own && list.table === table.id && list.asks.length === 0 && list.first === undefined) {
      const draft = { kind: 'in', list: list.id } as const
      found.push({ id: idOf(draft), group: lists, words: `It is in the list ${nameOf(book, list)}`, draft })
    }
  const written = { kind: 'written', source: '' } as const
  found.push({ id: idOf(written), group: otherwise, words: 'Something written as an expression …', draft: written })
  if (hasRoom) {
    const draft: GroupDraft = { kind: 'group', joint: 'any', of: [undefined, undefined] }
    found.push({ id: idOf(draft), group: together, words: 'Any of several things, or all of them …', draft })
  }
  return found
}

const lists = 'In another list'
const otherwise = 'What none of these says'
const together = 'Several things as one'
const twice = 'More than once'
const there = 'Whether there is'
const furtherOn = 'Whether there is, further on'
