import { adviceOn } from '../advice'
import type { Book } from '../book'
import type { Coverage } from '../needs'
import { allPairs, askingOrder } from '../pairings'
import { allFieldRules, allLimitRules } from '../rules'
import { counted } from '../words'

export const chapterNames = ['needs', 'tables', 'pairings', 'rules', 'map', 'review', 'open'] as const
export type ChapterName = (typeof chapterNames)[number]

export interface Chapter {
  readonly name: ChapterName
  readonly title: string
  /** Nothing for a chapter that has nothing to count. */
  readonly count?: number
  /** What the count counts, for those who hear it. */
  readonly counted?: string
  readonly done: boolean
}

/** The seven chapters with true counts. A chapter is done when nothing in it waits for the administrator. */
export function chaptersOf(
  book: Book,
  opened: { readonly everOpened: boolean; readonly editsSince: number },
  known: {
    /** Whether somebody has looked at the map of it. */
    readonly mapSeen?: boolean
    /** How far each need is met; without it, before the words were read, none is said to be. */
    readonly coverage?: readonly Coverage[] | undefined
  } = {},
): Chapter[] {
  const advice = adviceOn(book)
  const { mapSeen = false, coverage } = known
  const unmet = coverage
    ? coverage.filter(({ state }) => state !== 'met').length
    : book.needs.filter((need) => need.metBy.length === 0).length
  const { ask, apart } = askingOrder(book)
  const waiting = ask.length
  // Those that nobody need be asked about aren't counted on the page either.
  const pairs = allPairs(book).length - apart.length
  const settled = book.tables.length > 0 && advice.every((piece) => piece.weight !== 'must-settle')
  return [
    {
      name: 'needs',
      title: 'Needs',
      count: unmet > 0 ? unmet : book.needs.length,
      counted:
        unmet > 0
          ? `${unmet} of ${book.needs.length} not wholly met yet`
          : `${counted(book.needs.length, 'need')}${coverage ? ', all met' : ''}`,
      done: book.needs.length > 0 && coverage !== undefined && unmet === 0,
    },
    {
      name: 'tables',
      title: 'Tables',
      count: book.tables.length,
      counted: counted(book.tables.length, 'table'),
      done: settled,
    },
    {
      name: 'pairings',
      title: 'Pairings',
      count: waiting > 0 ? waiting : pairs,
      counted:
        waiting > 0 ? `${waiting} of ${counted(pairs, 'pair')} to answer` : `${counted(pairs, 'pair')}, all answered`,
      done: pairs > 0 && waiting === 0,
    },
    {
      name: 'rules',
      title: 'Rules',
      count: rulesIn(book),
      counted: counted(rulesIn(book), 'rule'),
      done: settled,
    },
    { name: 'map', title: 'Map', done: book.links.length > 0 && mapSeen },
    {
      name: 'review',
      title: 'Review',
      count: advice.length,
      counted: advice.length === 1 ? '1 piece of advice' : `${advice.length} pieces of advice`,
      done: book.tables.length > 0 && advice.length === 0,
    },
    {
      name: 'open',
      title: 'Open',
      ...(opened.everOpened &&
        opened.editsSince > 0 && {
          count: opened.editsSince,
          counted: `${counted(opened.editsSince, 'edit')} since opened`,
        }),
      done: opened.everOpened && opened.editsSince === 0,
    },
  ]
}

/** Those that fields carry, those that were written, and limits. */
const rulesIn = (book: Book) => allFieldRules(book).length + book.rules.length + allLimitRules(book).length
