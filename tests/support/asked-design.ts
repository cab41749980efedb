import { type Book, type Edit, emptyBook, type Way } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { tie } from './edits'
import { made } from './made'
import { link, table, words } from './tables'

/** Houses and their people, visits with two people on them, what was paid, and a paper for some: every sort of link. */
export const askedDesign: Edit[] = [
  ...table('House', 'Town line', 'Floors whole'),
  ...table('Person', 'Name line', 'Born date'),
  ...table(
    'Visit',
    'Day date',
    ['State choice', words('asked', 'booked', 'done')],
    ['Price money', { least: null as never }],
  ),
  ...table('Payment', ['Amount money', { least: null as never }], 'Paid date'),
  ...table('Paper', 'Label line'),
  link('house', 'visit', { bMust: false }),
  link('visit', 'payment'),
  link('house', 'person', { bHasSeveral: true, name: 'Tenancy' }),
  tie('person', 'visit', { link: 'lead', field: 'visit__lead' }),
  { kind: 'changeField', field: 'visit__lead', to: { name: 'Lead' } },
  tie('person', 'visit', { link: 'helper', field: 'visit__helper' }),
  { kind: 'changeField', field: 'visit__helper', to: { name: 'Helper' } },
  tie('visit', 'paper', { link: 'paper-visit', field: 'paper__visit' }, { aHasSeveral: false, bMust: true }),
]

/** Lists for which the database keeps what can be kept of all these tables. */
export const readyLists: Edit[] = askedReady()

function askedReady(): Edit[] {
  const { links } = made(emptyBook('Asked', plainLook), ...askedDesign)
  return links.map((link): Edit => {
    const way: Way = [{ to: 'rows', link: link.id }]
    const total = { kind: 'gathered', way, name: 'total', field: 'payment_amount' } as const
    return {
      kind: 'addList',
      id: `ready-${link.id}`.slice(0, 40),
      name: `Ready ${link.id}`,
      table: link.one,
      columns: [
        { id: 'n', shows: { kind: 'gathered', way, name: 'count' } },
        ...(link.many === 'payment' ? [{ id: 't', shows: total }] : []),
      ],
      asks: [],
      order: [],
      ready: true,
    }
  })
}

export const askedBook = (): Book => made(emptyBook('Asked', plainLook), ...askedDesign)
