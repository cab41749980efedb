import type { Edit } from '@/core/book'

type Answered = Extract<Edit, { kind: 'answerPairing' }>

/** A tie through which rows of the second table hang on the first, by a link and a link field with these ids; `table` is the joining table's, where `more` makes one. */
export const tie = (
  one: string,
  many: string,
  ids: { readonly link: string; readonly field: string; readonly table?: string },
  more: Partial<Answered> = {},
): Answered => ({
  kind: 'answerPairing',
  a: one,
  b: many,
  aHasSeveral: true,
  bHasSeveral: false,
  aMust: false,
  bMust: false,
  // What the other answers would make has ids of its own.
  ids: {
    table: ids.table ?? `${ids.link}-t`,
    links: [ids.link, `${ids.link}-m`],
    fields: [ids.field, `${ids.field}-n`],
  },
  ...more,
})

/** A field of a kind, with settings beyond what its kind starts with. */
export const field = (table: string, id: string, name: string, holds: string, to?: object): Edit[] => [
  { kind: 'addField', table, id, name, holds } as Edit,
  ...(to ? [{ kind: 'changeField', field: id, to } as Edit] : []),
]
