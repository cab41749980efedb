import type { RuleSays } from '@/core/book'
import { Designing } from './derived-design'
import { field, tie } from './edits'

const words = (...all: string[]) => ({ choices: all.map((word) => ({ id: word, word })) })

/** Rooms that are hired, with the hours, what is paid, and what goes with a hiring: something for each kind of rule. */
export const hiring = (): Designing =>
  new Designing().do(
    { kind: 'addTable', id: 'room', name: 'Room', keyField: 'room-key' },
    ...field('room', 'seats', 'Seats', 'whole'),
    ...field('room', 'floor', 'Floor', 'whole'),
    { kind: 'addTable', id: 'hire', name: 'Hire', keyField: 'hire-key' },
    ...field('hire', 'from', 'From day', 'date'),
    ...field('hire', 'to', 'To day', 'date'),
    ...field('hire', 'guests', 'Guests', 'whole'),
    ...field('hire', 'price', 'Price', 'money'),
    ...field('hire', 'state', 'State', 'choice', words('asked', 'agreed', 'over', 'called off')),
    ...field('hire', 'note', 'Note', 'line'),
    { kind: 'addTable', id: 'extra', name: 'Extra', keyField: 'extra-key' },
    ...field('extra', 'what', 'What', 'line'),
    ...field('extra', 'cost', 'Cost', 'money'),
    tie('room', 'hire', { link: 'hire-room-link', field: 'hire-room' }),
    tie('hire', 'extra', { link: 'extra-hire-link', field: 'extra-hire' }),
    { kind: 'changeLink', link: 'extra-hire-link', onRemove: 'remove' },
  )

export interface Ruling {
  readonly says: (design: Designing) => RuleSays
  readonly table: string
  readonly words: string
  readonly more?: { readonly onlyNew?: true; readonly warns?: true }
}

const holds =
  (table: string, source: string) =>
  (design: Designing): RuleSays => ({ kind: 'holds', tree: design.tree(table, source) })

/** One rule of each kind, by its id. */
export const rulings: Readonly<Record<string, Ruling>> = {
  within: { table: 'hire', words: 'It ends before it begins.', says: holds('hire', '"To day" >= "From day"') },
  across: { table: 'hire', words: 'The room has fewer seats.', says: holds('hire', 'Guests <= Room.Seats') },
  twoLinks: {
    table: 'extra',
    words: 'An extra costs no more than there are seats.',
    says: holds('extra', 'Cost <= Hire.Room.Seats'),
  },
  gathered: {
    table: 'hire',
    words: 'The extras cost more than the hire.',
    says: holds('hire', 'COALESCE(SUM(Extra.Cost), 0) <= Price'),
  },
  counted: {
    table: 'hire',
    words: 'What is agreed has an extra.',
    says: holds('hire', `NOT (State = 'agreed') OR COUNT(Extra) > 0`),
  },
  together: {
    table: 'extra',
    words: 'That extra is there already.',
    says: () => ({ kind: 'together', fields: ['extra-hire', 'what'], blanks: 'differ' }),
  },
  alike: {
    table: 'room',
    words: 'There is such a room on that floor.',
    says: () => ({ kind: 'together', fields: ['seats', 'floor'], blanks: 'alike' }),
  },
  apart: {
    table: 'hire',
    words: 'The room is taken then.',
    says: (design) => ({
      kind: 'apart',
      same: ['hire-room'],
      from: 'from',
      to: 'to',
      unless: design.tree('hire', "State = 'called off'"),
    }),
  },
  closed: {
    table: 'hire',
    words: 'What is over stays as it is.',
    says: (design) => ({ kind: 'closed', once: design.tree('hire', "State = 'over'"), except: ['note'], rows: true }),
  },
  follows: {
    table: 'hire',
    words: 'It can’t become that now.',
    says: () => ({
      kind: 'follows',
      field: 'state',
      steps: [
        { from: 'asked', to: ['agreed', 'called off'] },
        { from: 'agreed', to: ['over', 'called off'] },
      ],
    }),
  },
  fresh: {
    table: 'hire',
    words: 'A hire begins today or later.',
    says: holds('hire', '"From day" >= CURRENT_DATE'),
    more: { onlyNew: true },
  },
  freshTotal: {
    table: 'hire',
    words: 'A new hire’s extras cost no more than the hire.',
    says: holds('hire', 'COALESCE(SUM(Extra.Cost), 0) <= Price'),
    more: { onlyNew: true },
  },
  warned: {
    table: 'hire',
    words: 'That is many guests.',
    says: holds('hire', 'Guests <= 200'),
    more: { warns: true },
  },
}

/** The design with some of the rules. */
export function ruled(...names: readonly (keyof typeof rulings)[]): Designing {
  const design = hiring()
  for (const id of names) {
    const { table, words: said, says, more } = rulings[id]!
    design.do({ kind: 'addRule', id, table, words: said, says: says(design), ...more })
  }
  return design
}
